/** Expected figures worked by hand, verdicts, and faults found by a meter that is as good as a meter is. */
import { analyse } from '../analysis';
import { addOp, applyEdit, blankDevice, blankGauge, type Design } from '../design';
import { bareBoat, withLoad } from '../design/testing';
import { bothWithin, firstIs, tried } from '@/testing/pathTruth';
import { drawn } from './hiddenFault';
import { bandOf, even, verdictOf } from './band';
import { diagnose, type Reading } from './diagnose';
import { type Element, pathOf } from './path';
import { bandAt, dropBand, USUAL_CONDITIONS } from './line';
import { testSheet } from './sheet';
import { usualBoat } from '@/testing/usualBoat';

/** 240 W at the end of 4 m, taped. */
const boat = withLoad(bareBoat('metric'), { rating: 240, connection: 'M6', mark: "maker's" }, 4);
const a = analyse(boat);
const path = pathOf(boat, a.circuits, 'c-x', 0, 20);

describe('bands', () => {
  test('independent causes by root sum of squares: 3 and 4 make 5; never below zero', () => {
    expect(bandOf(10, [even('a', 3), even('b', 4)])).toMatchObject({ expected: 10, low: 5, high: 15, wide: false });
    expect(bandOf(1, [even('a', 3)])).toMatchObject({ low: 0, high: 4, wide: true });
  });
  test('up and down apart', () => expect(bandOf(10, [{ what: 'device', up: 6, down: 4 }])).toMatchObject({ low: 6, high: 16 }));
  test('verdicts: in the band and inside the limit; as designed but over it; above and below', () => {
    const band = bandOf(100, [even('a', 20)]);
    const limit = { least: null, most: 110 };
    expect(verdictOf(105, band, limit)).toEqual({ verdict: 'pass', distance: 0.25 });
    expect(verdictOf(115, band, limit).verdict).toBe('over the limit');
    expect(verdictOf(150, band, limit)).toEqual({ verdict: 'above its band', distance: 2.5 });
    expect(verdictOf(60, band, limit)).toEqual({ verdict: 'below its band', distance: -2 });
    expect(verdictOf(0.5, null, { least: 1, most: null }).verdict).toBe('over the limit');
    expect(verdictOf(100, bandOf(100, []), { least: null, most: null })).toEqual({ verdict: 'pass', distance: 0 });
  });
});

describe('a path', () => {
  test('from the bank and back: each circuit’s device, its copper on both poles, its ends', () => {
    const own = path.filter((e) => e.circuitId === 'c-x');
    expect(own.map((e) => e.kind)).toEqual(['device', 'copper', 'joints', 'joints', 'copper']);
    // Out by c-main and c-x, back by c-x and c-main.
    expect(path.map((e) => e.circuitId).filter((id, i, all) => id !== all[i - 1])).toEqual(['c-main', 'c-x', 'c-main']);
    const result = a.circuits.find((c) => c.id === 'c-x');
    expect(result?.own.ladder.chosen.size).toBe('10');
    // 4 m of 10 mm² (1.95 Ω/km) at 20 °C: 7.8 mΩ a pole.
    expect(own[1]?.mohm).toBeCloseTo(4 * 1.95, 6);
    // Taped 2 %, copper 5 %, 5 °C of air: 5.7 % together.
    expect((own[1]?.up ?? 0) / (own[1]?.mohm ?? 1)).toBeCloseTo(Math.hypot(0.02, 0.05, 0.00393 * 5), 9);
    expect(path[0]?.circuitId).not.toBe('c-x');
  });
  test('a device in line is an element; a diode loses volts and is none', () => {
    const d: Design = {
      ...boat,
      circuits: boat.circuits.map((c) => (c.id === 'c-x' ? { ...c, devices: [blankDevice('s', 'switch'), blankDevice('d', 'diode')] } : c)),
    };
    const with_ = pathOf(d, analyse(d).circuits, 'c-x', 0, 20);
    expect(with_.filter((e) => e.id.startsWith('c-x.s') || e.id.startsWith('c-x.d.')).map((e) => e.what)).toEqual(['switch of Thing']);
  });
  test('what hangs on nothing has none', () =>
    expect(pathOf({ ...boat, circuits: boat.circuits.filter((c) => c.id === 'c-x') }, a.circuits, 'c-x', 0, 20)).toEqual([]));
});

describe('the sheet', () => {
  const sheet = testSheet(boat, a, USUAL_CONDITIONS);
  const of = (id: string) => sheet.find((l) => l.id.startsWith(id));
  test('runs are held every 450 mm, on a boat of feet every 18 in', () => {
    expect(of('dead.support')?.what).toContain('every 450 mm');
    const feet = testSheet({ ...boat, boat: { ...boat.boat, lengthUnit: 'ft' } }, a, USUAL_CONDITIONS);
    expect(feet.find((l) => l.id === 'dead.support')?.what).toContain('every 18 in');
  });
  test('stages in order, every line once, only what this boat has', () => {
    expect(sheet.map((l) => l.stage)).toEqual([...sheet.map((l) => l.stage)].sort((x, y) => x - y));
    expect(new Set(sheet.map((l) => l.id)).size).toBe(sheet.length);
    expect(sheet.some((l) => l.stage === 5)).toBe(false);
    expect(
      testSheet({ ...boat, boat: { ...boat.boat, hull: 'steel' } }, a, USUAL_CONDITIONS).filter((l) => l.id.startsWith('dead.hull')),
    ).toHaveLength(2);
    const gauged: Design = { ...boat, gauges: [blankGauge('g', 'Gauge', 'counting', 'house', null)] };
    expect(
      testSheet(gauged, a, USUAL_CONDITIONS)
        .filter((l) => l.id.endsWith('.g'))
        .map((l) => l.stage),
    ).toEqual([1, 6]);
  });
  test('a load’s amps by its figure, and the millivolts it loses by the path', () => {
    const amps = of('amps.c-x');
    expect(amps?.band?.expected).toBeCloseTo(20, 9);
    // Its maker's figure 10 %, the clamp 0.5 A: 2.06 A.
    expect((amps?.band?.high ?? 0) - 20).toBeCloseTo(Math.hypot(2, 0.5), 9);
    const drop = of('drop.c-x');
    expect(drop?.band?.expected).toBeCloseTo(20 * path.reduce((n, e) => n + e.mohm, 0), 6);
    expect(drop?.limit.most).toBeCloseTo(10 * boat.house.generalDropPct * 12, 6);
  });
  test('a critical load is held to what the design holds it to: twice its run’s figure over the whole path, once where the house is strict', () => {
    const critical: Design = { ...boat, loads: boat.loads.map((l) => ({ ...l, critical: true })) };
    const most = (d: Design) => testSheet(d, analyse(d), USUAL_CONDITIONS).find((l) => l.id.startsWith('drop.c-x'))?.limit.most;
    expect(most(critical)).toBeCloseTo(2 * 10 * boat.house.criticalDropPct * 12, 6);
    expect(most({ ...critical, house: { ...critical.house, strictDrop: true } })).toBeCloseTo(10 * boat.house.criticalDropPct * 12, 6);
  });
  test('a picture may stand with any line of a sheet', () => {
    for (const design of [usualBoat(3), usualBoat(8)].map((d): Design => ({ ...d, boat: { ...d.boat, hull: 'steel' } }))) {
      const lines = testSheet(design, analyse(design), USUAL_CONDITIONS);
      expect(lines.length).toBeGreaterThan(60);
      for (const l of lines) {
        const photo = { id: 'p', caption: '', about: { kind: 'test' as const, id: l.id }, widthPx: 10, heightPx: 10 };
        expect([l.id, applyEdit(design, { ops: [addOp(design, 'photos', photo)] }).ok]).toEqual([l.id, true]);
      }
    }
  });
  test('an alarm is proved only where there is a gauge to call, and charge only where one counts', () => {
    const alarms = (kind: 'counting' | 'volts' | null) =>
      testSheet(kind === null ? boat : { ...boat, gauges: [blankGauge('g', 'Gauge', kind, 'house', null)] }, a, USUAL_CONDITIONS).filter(
        (l) => l.id.startsWith('alarm.'),
      );
    expect(alarms(null)).toEqual([]);
    expect(alarms('volts').some((l) => l.what.startsWith('charge low'))).toBe(false);
    expect(alarms('counting').some((l) => l.what.startsWith('charge low'))).toBe(true);
  });
  test('another current moves what is expected in proportion', () => {
    const drop = of('drop.c-x');
    if (!drop) throw new Error('no line');
    expect(bandAt(drop, 10)?.expected).toBeCloseTo((drop.band?.expected ?? 0) / 2, 9);
    expect(bandAt(drop, null)).toEqual(drop.band);
  });
  test('rest volts as they were read are what is expected from then on', () => {
    const told = testSheet(boat, a, { ...USUAL_CONDITIONS, restV: { house: 12.61 } });
    expect(told.find((l) => l.id === 'rest.house')?.band?.expected).toBe(12.61);
  });
});

describe('finding what is wrong', () => {
  const AMPS = 20;
  test('readings of a sound path raise no suspect above nothing', () => {
    let wrong = 0;
    for (let seed = 1; seed <= 60; seed++) {
      const truth = drawn(path, seed);
      const { suspects } = diagnose(
        path,
        [
          truth.read(
            path.map((e) => e.id),
            AMPS,
          ),
        ],
        AMPS,
      );
      if (suspects[0]?.what !== 'nothing') wrong++;
    }
    expect(wrong).toBeLessThanOrEqual(3);
  });

  test('bands hold a sound path’s millivolts in 93 to 98 of a hundred', () => {
    const band = dropBand(path, AMPS, false);
    let inside = 0;
    for (let seed = 1; seed <= 400; seed++) {
      const { mv } = drawn(path, 1000 + seed).read(
        path.map((e) => e.id),
        AMPS,
      );
      if (mv >= band.low && mv <= band.high) inside++;
    }
    expect(inside / 400).toBeGreaterThanOrEqual(0.93);
    expect(inside / 400).toBeLessThanOrEqual(0.985);
  });

  test('a single fault is first after four measurements at most, nine times in ten; both of two in the first three, eight in ten', () => {
    const of = (faults: 1 | 2, n: number) =>
      Array.from({ length: n }, (_, seed) => tried(path, AMPS, 12, faults, 100 * faults + seed)).flatMap((t) => t ?? []);
    const [singles, doubles] = [of(1, 80), of(2, 40)];
    expect([singles.length, doubles.length]).toEqual([80, 40]);
    expect(singles.filter(firstIs).length / singles.length).toBeGreaterThanOrEqual(0.9);
    expect(doubles.filter(bothWithin).length / doubles.length).toBeGreaterThanOrEqual(0.8);
    expect(Math.max(...singles.map((t) => t.readings))).toBeLessThanOrEqual(4);
  });

  test('by hand: 10 mΩ in a joint lose 200 mV at 20 A and make 4 W', () => {
    const joint = path.find((e) => e.id === 'c-x.t-x+j') as Element;
    const exact = (ids: readonly string[]): Reading => ({
      elements: ids,
      amps: AMPS,
      mv: ids.reduce((sum, id) => sum + ((path.find((e) => e.id === id)?.mohm ?? 0) + (id === joint.id ? 10 : 0)) * AMPS, 0),
    });
    const said = diagnose(path, [exact(path.map((e) => e.id)), exact([joint.id])], AMPS);
    expect(said.suspects[0]?.elements).toEqual([joint.id]);
    expect(said.suspects[0]?.extraMohm[0]).toBeCloseTo(10, 1);
    expect(said.suspects[0]?.watts).toBeCloseTo(4, 1);
    expect(said.suspects.reduce((n, s) => n + s.probability, 0)).toBeLessThanOrEqual(1 + 1e-9);
  });

  test('readings that contradict each other say that something is not drawn', () => {
    const whole = path.map((e) => e.id);
    const sum = path.reduce((n, e) => n + e.mohm, 0) * AMPS;
    // Far below what its copper alone must lose.
    const said = diagnose(path, [{ elements: whole, amps: AMPS, mv: sum / 4 }], AMPS);
    expect(said.suspects[0]?.notDrawn).toBe(true);
  });
});
