import { type Bank, blankSource, type Design, UNKNOWN_SOCKET } from '../design';
import { bareBoat, withLoad } from '../design/testing';
import { joinedBy } from '../energy';
import { analyse } from './analysis';
import { needsOf } from './balance';

/** A 24 V boat whose engine starts from 12 V, and a 60 W lamp of 12 V fed from the start bank, 2 m away. */
function boat(load: Parameters<typeof withLoad>[1] = {}): Design {
  const bare = bareBoat('metric', 24);
  const house = bare.banks[0] as Bank;
  const start: Bank = { ...house, id: 'start', name: 'Start', job: 'start', blockV: 12, series: 1, strings: 1, chemistry: 'agm' };
  const lamp = { nominalV: 12, ratingBy: 'W' as const, rating: 60, behaviour: 'power' as const, group: 'lights' as const, ...load };
  const d = withLoad({ ...bare, banks: [house, start] }, lamp, 2, { from: { kind: 'bank', id: 'start' } });
  return {
    ...d,
    engine: { ...d.engine, startBankId: 'start', crankA: 350, crankMinV: 9 },
    sources: [{ ...blankSource('dc', 'DC–DC', 12, 'start', 24), fromBankId: 'house' }],
  };
}

const ids = (d: Design) => analyse(d).findings.map((f) => f.id);

describe('a bank with volts of its own', () => {
  it('judges its circuits by its own volts', () => {
    const d = boat();
    const { circuits, loads, volts } = analyse(d);
    // 60 W at 0.95 x 12 V = 5.263 A; at 24 V it would be 2.632 A.
    expect(loads.find((l) => l.id === 'x')?.current.workingA).toBeCloseTo(60 / 11.4, 9);
    expect(loads.find((l) => l.id === 'x')?.volts).toEqual({ nominalV: 12, lowV: 11.4, chargingV: 14.4 });
    expect(volts).toMatchObject({ nominalV: 24, lowV: 22.8 });
    const drop = circuits.find((c) => c.id === 'c-x')?.own.state.drop;
    const lostV = 11.4 - (drop?.taps[0]?.loadV ?? 0);
    expect(drop?.worst?.pct).toBeCloseTo((100 * lostV) / 12, 6);
  });

  it('does not call a start or own bank of other volts wrong, a house bank it does', () => {
    expect(ids(boat()).filter((id) => /^(bank-volts|volts|engine-volts)/.test(id))).toEqual([]);
    const house = boat();
    const wrong = { ...house, banks: house.banks.map((b) => (b.id === 'start' ? { ...b, job: 'house' as const } : b)) };
    expect(ids(wrong)).toContain('bank-volts:start');
    expect(ids(boat({ nominalV: 24 })).some((id) => id.startsWith('volts-x'))).toBe(true);
  });

  it('asks for a starter of the volts of its bank', () => {
    const d = boat();
    expect(ids({ ...d, engine: { ...d.engine, crankMinV: 18 } })).toContain('engine-volts:start');
  });

  it('joins unlike banks by a converter alone', () => {
    const d = boat();
    expect(joinedBy(d, 'voltage-sensitive relay')).toBeNull();
    expect(joinedBy(d, 'diode splitter')).toBeNull();
    const dcdc = joinedBy(d, 'DC–DC charger')?.sources.find((s) => s.id === 'way');
    expect(dcdc?.regulator.absorptionV).toBeCloseTo(14.4, 1);
    expect(dcdc?.dcdc).toMatchObject({ startV: 13.3 * 2, stopV: 12.8 * 2 });
  });

  it('counts its needs as energy: 60 W for 2 h are 5 Ah at 24 V', () => {
    const d = boat();
    const [living] = d.living;
    if (!living) throw new Error('no way of living');
    const used = { ...d, loads: d.loads.map((l) => ({ ...l, hours: { [living.id]: 2 } })) };
    expect(
      needsOf(used)
        .find((n) => n.load.id === 'x')
        ?.ahIn(living),
    ).toBeCloseTo(5, 9);
  });
});

describe('a socket that a source may feed', () => {
  it('has its cable and device for what comes in, and its need for what is drawn', () => {
    const d = withLoad(bareBoat('metric'), { ratingBy: 'A', rating: 5, behaviour: 'current', kind: 'socket', hours: { anchor: 1 } }, 3);
    const fed = {
      ...d,
      loads: d.loads.map((l) => ({ ...l, socket: { ...UNKNOWN_SOCKET, inA: 25, contactsA: 30 } })),
    };
    const of = (x: Design) => analyse(x).circuits.find((c) => c.id === 'c-x');
    expect(of(d)?.workingA).toBe(5);
    expect(of(fed)?.workingA).toBe(25);
    expect(of(fed)?.own.protection.ratingA).toBeGreaterThanOrEqual(1.25 * 25);
    const need = (x: Design) => analyse(x).balance.needs.map((n) => n.needAh);
    expect(need(fed)).toEqual(need(d));
  });
});
