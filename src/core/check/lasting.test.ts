import { analyse } from '../analysis';
import { blankCircuit, blankSource, type Bank, type Design } from '../design';
import { drawing, quietBoat } from '../energy/testing';

const lasts = (d: Design) => analyse(d).findings.filter((f) => f.rule === 'runs-down');

describe('how long a bank lasts with what charges it', () => {
  it('is its usable Ah over the need where nothing charges it: 100 Ah of 200 over 12 A x 24 h', () => {
    const d = drawing(quietBoat({ chemistry: 'agm', blockAh: 200, series: 1, strings: 1 }), 12);
    expect(lasts(d).map((f) => f.title)).toEqual([expect.stringMatching(/^lasts 0\.347 days/)]);
    expect(lasts({ ...d, plan: { ...d.plan, days: 0.3 } })).toEqual([]);
  });

  it('is silent where the day gives more than it takes', () => {
    const d = drawing(quietBoat({ blockAh: 200 }), 1);
    const sun = blankSource('sun', 'solar', 12, 'house');
    const living = d.living.map((l) => ({
      ...l,
      day: [{ id: 's', what: 'sun' as const, fromH: 6, toH: 18, level: 5 }],
    }));
    const wanted = { ...d, plan: { ...d.plan, days: 20 } };
    expect(lasts(wanted)).toHaveLength(1);
    expect(lasts({ ...wanted, living, sources: [{ ...sun, solar: sun.solar && { ...sun.solar, wp: 400 } }] })).toEqual([]);
  });

  it('holds a start bank to it by what is wired to it', () => {
    const d = drawing(quietBoat({ blockAh: 400 }), 0.2);
    const start: Bank = { ...(d.banks[0] as Bank), id: 'start', name: 'Start', job: 'start', blockAh: 60 };
    const fed: Design = {
      ...d,
      banks: [...d.banks, start],
      sources: [blankSource('sun', 'solar', 12, 'house')],
      circuits: [
        {
          ...blankCircuit('c-l', '9', 'Tracker', { kind: 'bank', id: 'start' }),
          taps: [{ id: 't', parent: null, serves: { kind: 'load' as const, id: 'l0' }, tapedM: 1 }],
        },
      ],
      plan: { ...d.plan, days: 30 },
    };
    expect(lasts(fed).map((f) => f.about.id)).toContain('start');
  });
});
