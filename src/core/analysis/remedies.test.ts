/** Ways out of findings on circuits: each is tried, costs what it says, and takes the finding away. */
import { usualBoat } from '@/testing/usualBoat';
import { PAIRS, type Pair, wrongOf } from '../check/pairs';
import { applyEdit, type Design, type Finding } from '../design';
import { bareBoat, withLoad } from '../design/testing';
import { analyse } from './analysis';
import { effortOf } from './effort';
import { proposeMainSide } from '../propose';
import { shared } from '../check/pairs/whole';
import { remediesOf, searchable } from './remedies';
import { findingsAfresh } from './studied';

const found = (design: Design, rule: string) => {
  const finding = analyse(design).findings.find((f) => f.rule === rule);
  if (!finding) throw new Error(`no ${rule}`);
  return finding;
};
const after = (design: Design, ops: Parameters<typeof applyEdit>[1]['ops']): Design => {
  const edited = applyEdit(design, { ops });
  if (!edited.ok) throw new Error('the edits do not apply');
  return edited.design;
};
const pin = (size: string) => ({ size: { school: 'metric' as const, size }, legs: 1, family: null, ratingA: null, ownDevices: false });

const thin = withLoad(bareBoat('metric'), { behaviour: 'current', ratingBy: 'A', rating: 15 }, 8, { pin: pin('2.5') });
const lossy: Design = {
  ...withLoad(bareBoat('metric'), { behaviour: 'current', ratingBy: 'A', rating: 5, critical: true }, 4),
  circuits: withLoad(bareBoat('metric'), { behaviour: 'current', ratingBy: 'A', rating: 5, critical: true }, 4).circuits.map((c) =>
    c.id === 'c-main' ? { ...c, taps: c.taps.map((t) => ({ ...t, tapedM: 60 })) } : c,
  ),
};
const boats: readonly (readonly [string, Design, string])[] = [
  ['a pinned size that loses too much', thin, 'fails-drop'],
  ['a long main that takes all the volts', lossy, 'path-drop'],
  ['a proposed boat whose path misses', usualBoat(1), 'path-drop'],
  ['a pump that starts on too few volts', usualBoat(8), 'path-start'],
];

describe.each(boats)('%s', (_, design, rule) => {
  const finding = found(design, rule);
  const remedies = remediesOf(design, finding);
  test('has a way out', () => expect(remedies.length).toBeGreaterThan(0));
  test('each takes the finding away, brings no stop and brings what it says', () => {
    const known = new Set(analyse(design).findings.map((f) => f.id));
    for (const r of remedies) {
      const then = analyse(after(design, [...r.ops]));
      expect(then.findings.filter((f) => f.id === finding.id && f.severity !== 'note')).toEqual([]);
      const brought = then.findings.filter((f) => f.severity !== 'note' && !known.has(f.id));
      expect(brought.map((f) => f.id)).toEqual(r.brings.map((f) => f.id));
      expect(brought.filter((f) => f.severity === 'stop')).toEqual([]);
    }
  });
  test('each weighs and takes as long as it says; the cheapest comes first', () => {
    const effort = (d: Design) => {
      const { circuits, leads } = analyse(d);
      return effortOf(d, circuits, leads);
    };
    const now = effort(design);
    for (const r of remedies) {
      const edited = after(design, [...r.ops]);
      const then = effort(edited);
      expect(then.kg - now.kg).toBeCloseTo(r.kg, 9);
      expect(then.minutes - now.minutes).toBeCloseTo(r.minutes, 9);
    }
    const cost = remedies.map((r) => r.brings.length * 1e4 + r.minutes + 20 * r.kg);
    expect([...cost].sort((a, b) => a - b)).toEqual(cost);
  });
});

test('the copper it offers is the least that does: one size less leaves the finding', () => {
  const own = remediesOf(thin, found(thin, 'fails-drop')).find((r) => r.id.startsWith('own-'));
  const sizes = ['2.5', '4', '6', '10', '16', '25'];
  const size = own?.id.slice(4) ?? '';
  const lighter: Design = {
    ...thin,
    circuits: thin.circuits.map((c) => (c.id === 'c-x' ? { ...c, pin: pin(sizes[sizes.indexOf(size) - 1] ?? '') } : c)),
  };
  expect(analyse(lighter).findings.some((f) => f.rule === 'fails-drop')).toBe(true);
});
test('minutes by hand: a panel, its feeder and a branch of 4 m each in the open', () => {
  // 2 min a metre, four ends of 3 min and a device of 15 for each circuit; the main has a battery switch or none.
  const design = withLoad(bareBoat('metric'), {}, 4);
  const { circuits } = analyse(design);
  const metres = circuits.reduce((sum, c) => sum + c.lengthM, 0);
  const inLine = design.circuits.reduce((sum, c) => sum + c.devices.length, 0);
  expect(effortOf(design, circuits).minutes).toBeCloseTo(120 * design.panels.length + 2 * metres + 27 * circuits.length + 15 * inLine, 9);
});
test('of what is no circuit there is nothing to search', () => {
  const finding = {
    id: 'x:house',
    rule: 'x',
    severity: 'fix' as const,
    about: { kind: 'bank' as const, id: 'house' },
    title: '',
    why: '',
    todo: '',
  };
  expect(remediesOf(thin, finding)).toEqual([]);
});

describe('a battery cable, and volts in a study', () => {
  const gone = (design: Design, rule: string): readonly string[] => {
    const all = findingsAfresh(design, false);
    const finding = all.find((f) => f.rule === rule);
    if (!finding) throw new Error(`no ${rule}`);
    expect(searchable(all)).toContain(finding.id);
    const remedies = remediesOf(design, finding);
    for (const r of remedies) {
      const left = findingsAfresh(after(design, [...r.ops]), false);
      expect(left.some((f) => f.id === finding.id && f.severity === finding.severity)).toBe(false);
      expect(left.filter((f) => f.severity === 'stop' && !all.some((x) => x.id === f.id))).toEqual([]);
    }
    return remedies.map((r) => r.say);
  };
  test('a cable pinned too thin is left to the program, which comes to the same as the heavier one; it costs what the heavier one weighs more', () => {
    let n = 0;
    const bare = withLoad(bareBoat('metric'), { behaviour: 'current', ratingBy: 'A', rating: 90 }, 4);
    const whole: Design = { ...bare, ...proposeMainSide(bare, (p) => `${p}${++n}`) };
    const leads = whole.leads.map((l) => (/negative$/.test(l.name) ? { ...l, size: { school: 'metric' as const, size: '6' } } : l));
    const says = gone({ ...whole, leads }, 'lead');
    expect(says).toContain('size and device left to the program');
    const thinned = { ...whole, leads };
    const [cheapest] = remediesOf(thinned, found(thinned, 'lead'));
    expect(cheapest?.changes.map((c) => c.name)).toEqual(expect.arrayContaining([whole.leads.find((l) => /negative$/.test(l.name))?.name]));
    expect(cheapest?.kg).toBeCloseTo(cheapest?.changes.reduce((sum, c) => sum + c.kg, 0) ?? NaN, 9);
  });
  test('what a start takes from electronics: the motor away from their panel, or their feeder heavier', () => {
    const says = gone(shared({ surgeA: 25, minV: null }, { minV: 10 }), 'start-sag');
    expect(says).toContain('Pump fed from Main bus instead of Panel');
    expect(says.some((s) => /in the feeder of Panel$/.test(s))).toBe(true);
  });
  test('a load that falls in a study: copper in its run or before it', () => {
    const load = { behaviour: 'current' as const, ratingBy: 'A' as const, rating: 15, minV: 11.6 };
    const boat = withLoad(bareBoat('metric'), load, 9, { pin: pin('6') });
    const study = {
      id: 's',
      name: 'On',
      soc: 0.9,
      engineRpm: 0,
      shore: false,
      cranking: false,
      loads: { x: 'on' as const },
      positions: null,
      open: null,
    };
    expect(gone({ ...boat, studies: [study] }, 'study-volts').some((s) => s.includes('mm²'))).toBe(true);
  });
});

describe('sources, and a block too near the bank', () => {
  const says = (design: Design, pick: (f: Finding) => boolean): readonly string[] => {
    const all = analyse(design).findings;
    const finding = all.find(pick);
    if (!finding) throw new Error(`not there: ${all.map((f) => f.id).join(' ')}`);
    expect(searchable(all)).toContain(finding.id);
    const remedies = remediesOf(design, finding);
    for (const r of remedies) {
      const left = analyse(after(design, [...r.ops])).findings;
      expect(left.some((f) => f.id === finding.id && f.severity === finding.severity)).toBe(false);
      expect(left.filter((f) => f.severity === 'stop' && !all.some((x) => x.id === f.id))).toEqual([]);
    }
    return remedies.map((r) => r.say);
  };
  test('an alternator a selector may cut off: a suppressor, or straight to its bank', () => {
    const cut = PAIRS.find((p) => p.rule === 'dump-selector');
    const all = says(wrongOf(cut as Pair), (f) => f.rule === 'dump-selector');
    expect(all).toContain('a surge suppressor at the alternator');
    expect(all.some((s) => s.startsWith('its output led straight to '))).toBe(true);
  });
  test('blades that do not interrupt the bank: breakers, or the block further along, by hand', () => {
    // Two blocks of 200 Ah iron phosphate; the block 0.4 m behind the posts, blades of 1000 A.
    const near = (m: number): Design => {
      const base = withLoad(bareBoat('metric'), { behaviour: 'current', ratingBy: 'A', rating: 1 }, 3);
      return {
        ...base,
        banks: base.banks.map((b) => ({ ...b, chemistry: 'lfp', blockAh: 100, strings: 1 })),
        panels: base.panels.map((p) => ({ ...p, family: 'blade' })),
        circuits: base.circuits.map((c) => (c.id === 'c-main' ? { ...c, taps: c.taps.map((t) => ({ ...t, tapedM: m })) } : c)),
      };
    };
    const it = (f: Finding) => f.rule === 'panel-family' && f.about.id === 'main';
    const all = says(near(0.4), it);
    const further = all.find((s) => s.includes('of cable from its source instead of'));
    expect(further).toBeDefined();
    // The first of the lengths that does: the one before it does not.
    const m = Number(/Main bus ([\d.]+) m/.exec(further ?? '')?.[1]);
    const before = [1, 1.5, 2, 2.5, 3, 4, 5, 6, 8].filter((x) => x < m).at(-1);
    expect(analyse(near(m)).findings.some(it)).toBe(false);
    if (before !== undefined) expect(analyse(near(before)).findings.some(it)).toBe(true);
  });
});
