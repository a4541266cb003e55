/** A boat begun from her kind: sound as a file, typical in every figure, and proposed upon without what nobody would sign. */
import { analyse } from '../analysis';
import { byCause } from '../check';
import { withProposals } from '@/testing/usualBoat';
import { BOAT_KIND_IDS, type BoatKindId, designOfKind } from './boatKinds';
import { readDesign } from './read';
import type { Design } from './schema';

const begun = (kind: BoatKindId | null, school: 'metric' | 'awg', systemV: 12 | 24 | 48): Design =>
  designOfKind(kind, { name: 'Test', school, lengthM: 11, beamM: 3.4, systemV });
const all = BOAT_KIND_IDS.flatMap((kind) =>
  (['metric', 'awg'] as const).flatMap((school) => ([12, 24, 48] as const).map((volts) => [kind, school, volts] as const)),
);

test.each(all)('%s, %s, %i V: a sound file, every figure typical, every load of her volts in a place', (kind, school, volts) => {
  const boat = begun(kind, school, volts);
  const read = readDesign(JSON.parse(JSON.stringify(boat)));
  expect(read).toMatchObject({ ok: true, design: boat });
  expect([...boat.loads, ...boat.banks, ...boat.sources, ...boat.acLoads].map((r) => r.mark)).not.toContain("maker's");
  expect(new Set(boat.loads.map((l) => l.mark))).toEqual(new Set(['typical']));
  expect(boat.loads.every((l) => l.nominalV === volts && l.placeId !== null)).toBe(true);
  expect(boat.banks.map((b) => [b.job, b.series * b.blockV])).toEqual([
    ['house', volts],
    ['start', volts === 48 ? 12 : volts],
  ]);
});
test('the house bank holds about as much whatever its volts: 440 Ah at 12 V, 220 at 24, 110 at 48', () => {
  const ah = ([12, 24, 48] as const).map((v) => begun('coastal', 'metric', v).banks.map((b) => b.blockAh * b.strings)[0]);
  expect(ah).toEqual([440, 220, 110]);
});
test('no engine is cranked at 48 V: a 12 V battery starts it, and is charged from the house bank by a converter', () => {
  const { banks, engine, joins, sources } = begun('coastal', 'metric', 48);
  expect(banks.find((b) => b.id === 'start')).toMatchObject({ series: 1, blockV: 12 });
  expect(engine).toMatchObject({ crankA: 350, crankMinV: 9, startBankId: 'start' });
  expect(joins).toEqual([]);
  expect(sources.find((s) => s.kind === 'DC–DC')).toMatchObject({ fromBankId: 'house', bankId: 'start', ratedA: 20 });
});
test('empty is her places and nothing else', () => {
  const { places, loads, banks, sources } = begun(null, 'metric', 12);
  expect([places.length > 5, loads, banks, sources]).toEqual([true, [], [], []]);
});

/** What an electrician is still asked after everything is proposed: how long the bank lasts, and what sizing together and a second press settle. */
const ASKED = ['runs-down', 'path-drop', 'path-start', 'bank-short', 'feeder-drop'];
/** Battery cables are proposed one by one: the way of a converter to the start battery, out and back by the engine, may ask for heavier ones. */
const ASKED_OF_A_CONVERTER = ['charge-path'];
const lead = all.filter(([kind]) => kind !== 'long-distance');
test.each(lead)('%s, %s, %i V, all proposed: no stop, and of what must be settled nothing else than is known', (kind, school, volts) => {
  let n = 0;
  const boat = begun(kind, school, volts);
  const asked = boat.sources.some((s) => s.kind === 'DC–DC') ? [...ASKED, ...ASKED_OF_A_CONVERTER] : ASKED;
  const { findings } = analyse(withProposals(boat, (p) => `${p}u${++n}`));
  expect(findings.filter((f) => f.severity === 'stop').map((f) => f.id)).toEqual([]);
  const strange = findings.filter((f) => f.severity === 'fix' && !asked.includes(f.rule) && !/ask its maker/.test(f.why));
  expect(strange.map((f) => `${f.rule}: ${f.title}`)).toEqual([]);
});
test('a large lithium bank asks for its maker’s short-circuit current, and with it nothing is a stop', () => {
  let n = 0;
  const boat = begun('long-distance', 'metric', 12);
  const known = {
    ...boat,
    banks: boat.banks.map((b) => (b.job === 'house' ? { ...b, shortCircuitA: 9000, mark: "maker's" as const } : b)),
  };
  const of = (d: Design) => analyse(withProposals(d, (p) => `${p}u${++n}`)).findings.filter((f) => f.severity === 'stop');
  expect(byCause(of(boat)).map(({ finding }) => finding.id)).toEqual(['bank-short:house']);
  // Devices that follow from it say that it is the short, and whom to ask.
  expect(of(boat).filter((f) => /suits both sides/.test(f.title))).toEqual([]);
  expect(new Set(of(boat).map((f) => /^Ask the battery’s maker/.test(f.todo)))).toEqual(new Set([true]));
  expect(of(known).map((f) => `${f.rule}: ${f.title}: ${f.why}`)).toEqual([]);
});
