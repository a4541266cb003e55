/** A bank in trouble: what each reading does to the odds, and what was hidden found in four readings. */
import { analyse } from '../../analysis';
import { type Design, designOfKind } from '../../design';
import { withProposals } from '@/testing/usualBoat';
import { USUAL_CONDITIONS } from '../line';
import { BANK_TROUBLES, bankByProgram, type BankReading, bankScene, type BankTrouble, diagnoseBank, hideInBank } from '.';

let n = 0;
const boat: Design = withProposals(
  designOfKind('coastal', { name: 'Test', school: 'metric', lengthM: 11, beamM: 3.4, systemV: 12 }),
  (p) => `${p}k${++n}`,
);
const { circuits } = analyse(boat);
const sceneOf = (trouble: BankTrouble, design = boat, runsDown = false) => {
  const scene = bankScene(design, 'house', trouble, runsDown);
  if (!scene) throw new Error('no bank');
  return scene;
};
const said = (trouble: BankTrouble, readings: readonly BankReading[], design = boat) =>
  diagnoseBank(sceneOf(trouble, design), circuits, USUAL_CONDITIONS, readings);
const figure = (probeId: string, value: number): BankReading => ({ probeId, value, choice: null });
const told = (probeId: string, choice: string): BankReading => ({ probeId, value: null, choice });
/** Odds of all suspects of one kind. */
const odds = (d: ReturnType<typeof said>, kind: string): number =>
  d.suspects.filter((s) => s.id.startsWith(kind)).reduce((sum, s) => sum + s.probability, 0);
const lamp = boat.circuits.find((c) => c.taps.some((t) => /light/i.test(boat.loads.find((l) => l.id === t.serves.id)?.name ?? '')));

test('before any reading the odds are the usual ones: of 25 parts six for what draws, and one in twenty for what is not here', () => {
  const d = said('flat', []);
  expect(odds(d, 'draw')).toBeCloseTo((0.95 * 6) / 25, 6);
  expect(odds(d, 'weak')).toBeCloseTo((0.95 * 5) / 25, 6);
  expect(d.suspects.reduce((sum, s) => sum + s.probability, 0)).toBeCloseTo(1, 9);
  // Three minutes with a clamp before a walk along every fuse.
  expect(d.next?.id).toBe('still');
});
test('where she uses more than she is given that leads; a wet place leaks three times as often', () => {
  const poor = diagnoseBank(sceneOf('flat', boat, true), circuits, USUAL_CONDITIONS, []);
  expect(odds(poor, 'use')).toBeGreaterThan(2 * odds(said('flat', []), 'use'));
  const wet: Design = {
    ...boat,
    places: boat.places.map((p) => ({ ...p, wet: p.id === boat.loads.find((l) => l.id === lamp?.taps[0]?.serves.id)?.placeId })),
  };
  const dry: Design = { ...boat, places: boat.places.map((p) => ({ ...p, wet: false })) };
  const of = (d: Design) => said('flat', [], d).suspects.find((s) => s.id === `leak ${lamp?.id ?? ''}`)?.probability ?? 0;
  expect(of(wet)).toBeGreaterThan(1.5 * of(dry));
});
test('0.7 A more than stand-by: something draws or leaks; the way that shows it is it; unplugged, it is what it feeds or the wire', () => {
  const id = lamp?.id ?? '';
  expect(said('flat', []).told[0]?.what).toMatch(/^something on one of \d+ circuits/);
  const standby = boat.loads.reduce((sum, l) => sum + (l.standbyA ?? 0) * l.quantity, 0);
  const still = figure('still', standby + 0.7);
  const more = said('flat', [still]);
  expect(odds(more, 'draw') + odds(more, 'leak')).toBeGreaterThan(0.9);
  const here = said('flat', [still, told('walk', id)]);
  expect(
    here.suspects
      .slice(0, 2)
      .map((s) => s.id)
      .sort(),
  ).toEqual([`draw ${id}`, `leak ${id}`]);
  expect(here.told[0]?.id).toBe(`draw ${id}`);
  expect(here.suspects[0]?.size?.value).toBeCloseTo(0.7, 0);
  expect(here.asked.map((a) => a.id)).toContain(`apart ${id}`);
  expect(said('flat', [still, told('walk', id), figure(`apart ${id}`, 0)]).suspects[0]?.id).toBe(`draw ${id}`);
  expect(said('flat', [still, told('walk', id), figure(`apart ${id}`, 0.7)]).suspects[0]?.id).toBe(`leak ${id}`);
});
test('15.6 V at the end of a charge by one that is set as its sheet says: stuck; by one that is set higher: its settings', () => {
  const source = boat.sources.find((s) => s.bankId === 'house' && s.kind === 'shore charger');
  const id = source?.id ?? '';
  const end = figure(`end ${id}`, (source?.regulator.absorptionV ?? 0) + 1.3);
  expect(said('overcharged', [end, told('menus', 'none')]).suspects[0]?.id).toBe(`stuck ${id}`);
  expect(
    said('overcharged', [figure(`end ${id}`, (source?.regulator.absorptionV ?? 0) + 0.6), told('menus', `high ${id}`)]).suspects[0]?.id,
  ).toBe(`high ${id}`);
});
test('a source well under what it should give is told apart from one that gives none and from settings', () => {
  const id = boat.sources.find((s) => s.bankId === 'house' && s.kind === 'alternator')?.id ?? '';
  const first = said('not charging', [told('gives', `part ${id}`)]).suspects[0];
  expect(first).toMatchObject({
    id: `part ${id}`,
    what: expect.stringMatching(/only a part.*belt that slips/) as string,
    size: { unit: 'missing' },
  });
  expect(first?.probability).toBeGreaterThan(0.8);
  expect(said('not charging', [told('gives', id)]).suspects[0]?.id).toBe(`dead ${id}`);
  // All as it should be: it is the settings, or not here. Of what is missing a third may be overlooked, all of it not.
  const sound = said('not charging', [told('gives', 'none')]);
  expect(odds(sound, 'part')).toBeGreaterThan(3 * odds(sound, 'dead'));
  expect(odds(sound, 'part')).toBeLessThan(odds(said('not charging', []), 'part'));
});
test('one battery of several lower than the rest: it is weak; all that was read as it should be: nothing is broken, or not here', () => {
  const several: Design = { ...boat, banks: boat.banks.map((b) => (b.id === 'house' ? { ...b, strings: 3 } : b)) };
  expect(said('flat', [told('blocks', '2')], several).suspects[0]?.what).toContain('battery 2');
  const standby = boat.loads.reduce((sum, l) => sum + (l.standbyA ?? 0) * l.quantity, 0);
  const sound = said('flat', [figure('still', standby), told('walk', 'none'), told('menus', 'none'), told('gives', 'none')]);
  expect(odds(sound, 'use') + odds(sound, 'weak') + odds(sound, 'something')).toBeGreaterThan(0.8);
});
test('volts nobody can have by these faults are said to be of something not drawn here', () => {
  const source = boat.sources.find((s) => s.bankId === 'house');
  expect(
    said('not charging', [told('gives', 'none'), told('menus', 'none'), figure(`end ${source?.id ?? ''}`, 19)]).suspects[0]?.id,
  ).toContain('not drawn');
});
test('a bank alone, a reading of what is not asked, a bank that is not there: nothing throws', () => {
  const bare: Design = { ...boat, circuits: [], sources: [] };
  for (const trouble of Object.keys(BANK_TROUBLES) as BankTrouble[]) {
    const scene = bankScene(bare, 'house', trouble, false);
    if (scene) expect(() => diagnoseBank(scene, [], USUAL_CONDITIONS, [figure('elsewhere', 1), told('walk', 'gone')])).not.toThrow();
  }
  expect(bankScene(boat, 'none', 'flat', false)).toBeNull();
});
test('what is hidden is first after four readings of the program’s choice in nine of ten; it never asks for ohms, nor for the charging path opened', () => {
  let [found, tried] = [0, 0];
  for (const trouble of Object.keys(BANK_TROUBLES) as BankTrouble[])
    for (let seed = 0; seed < 30; seed++) {
      const scene = sceneOf(trouble);
      const hidden = hideInBank(scene, circuits, USUAL_CONDITIONS, seed);
      if (!hidden) continue;
      tried++;
      const { readings, diagnosis } = bankByProgram(scene, circuits, USUAL_CONDITIONS, hidden);
      expect(readings.length).toBeLessThanOrEqual(4);
      if (diagnosis.suspects[0]?.id === hidden.fault.id) found++;
      for (const a of diagnosis.asked) expect(`${a.what} ${a.how}`).not.toMatch(/ohm/i);
    }
  expect(tried).toBe(90);
  expect(found / tried).toBeGreaterThanOrEqual(0.9);
});
