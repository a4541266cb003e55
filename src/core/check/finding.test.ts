/** What one finding brings about is shown below it, and nothing is shown twice or lost. */
import { analyse } from '../analysis';
import type { Design, Finding } from '../design';
import { byCause } from './finding';
import { PAIRS, withFact, wrongOf } from './pairs';
import { onPanel } from './pairs/boats';

const finding = (id: string, cause?: string): Finding => ({
  id,
  rule: 'r',
  severity: 'fix',
  about: { kind: 'circuit', id },
  title: '',
  why: '',
  todo: '',
  ...(cause === undefined ? {} : { cause }),
});
const shape = (list: readonly Finding[]) => byCause(list).map((c) => [c.finding.id, ...c.brings.map((f) => f.id)].join(' > '));

test('a chain of causes lies below its first; one whose cause is not there is told for itself', () =>
  expect(shape([finding('c', 'b'), finding('a'), finding('b', 'a'), finding('d', 'gone')])).toEqual(['a > b > c', 'd']));

test('a ring of causes loses nothing: the first leads', () => {
  expect(shape([finding('a', 'a'), finding('b', 'a')])).toEqual(['a > b']);
  expect(shape([finding('a', 'b'), finding('b', 'a')])).toEqual(['a > b']);
});

test.each([
  ['loop', 'no-source'],
  ['protection-conflict', 'fails-protection'],
])('%s has %s below it, and each finding is told once', (cause, effect) => {
  // As they are, and with a conductor too thin besides.
  const thin = { size: { school: 'metric', size: '0.75' }, legs: 1, family: null, ratingA: null, ownDevices: false };
  const boats = PAIRS.filter((p) => p.rule === cause).flatMap((p) => [
    wrongOf(p),
    withFact(wrongOf(p), ['circuits', 'c-x', 'pin'], thin) as Design,
  ]);
  const lists = boats.map((d) => analyse(d).findings);
  const findings = lists.find((l) => l.some((f) => f.rule === cause && l.some((e) => e.rule === effect && e.about.id === f.about.id)));
  if (!findings) throw new Error('no such boat');
  const groups = byCause(findings);
  expect(groups.some((g) => g.finding.rule === cause && g.brings.some((f) => f.rule === effect))).toBe(true);
  expect(groups.flatMap((g) => [g.finding.id, ...g.brings.map((f) => f.id)]).sort()).toEqual(findings.map((f) => f.id).sort());
});

test('a feeder that fails its own drop has the paths it spoils below it', () => {
  const feeder = (d: Design, to: object) => ({ ...d, circuits: d.circuits.map((c) => (c.id === 'c-feed' ? { ...c, ...to } : c)) });
  const thin = { size: { school: 'metric' as const, size: '4' }, legs: 1, family: null, ratingA: null, ownDevices: false };
  const taps = [{ id: 'c-feed-1', parent: null, serves: { kind: 'panel' as const, id: 'panel' }, tapedM: 12 }];
  const boat = feeder(onPanel({ ratingBy: 'A', rating: 12, behaviour: 'current', runsLong: true }), { pin: thin, taps });
  const group = byCause(analyse(boat).findings).find((g) => g.finding.id === 'fails-drop:c-feed');
  expect(group?.brings.map((f) => f.id)).toContain('path-drop:c-x');
});
