/** What programs are answered: of the documented shape, for the demo boats' kind and for boats nobody would build. */
import * as v from 'valibot';
import { randomBoat } from '@/testing/randomBoat';
import { findingsAfresh } from '../analysis';
import { type Design, idsFor, readDesign } from '../design';
import { pluggedIn, withMachines } from '../ac/testing';
import { PROPOSALS, propose } from '../propose';
import { bareBoat, withLoad } from '../design/testing';
import { analysisAnswer } from './analyse';
import { AnalysisSchema, ProposeSchema, ScratchSchema } from './schemas';
import { scratchAnswer } from './scratch';

const json = (x: unknown): unknown => JSON.parse(JSON.stringify(x));
const problemsOf = (schema: v.GenericSchema, value: unknown): string[] =>
  (v.safeParse(schema, json(value)).issues ?? []).map((i) => `${v.getDotPath(i) ?? ''}: ${i.message}`).slice(0, 5);

const windlass = withLoad(bareBoat('metric'), { name: 'Windlass', rating: 900, group: 'heavy', surgeA: 200, surgeS: 1 }, 6);
const whole = (design: Design): Design => propose(design, PROPOSALS, idsFor(design)).design;

test.each<[string, Design]>([
  ['a windlass', windlass],
  ['with all that is proposed', whole(windlass)],
  ['AC machines', whole(withMachines(pluggedIn('awg')))],
  ...[3, 14, 15, 92, 65, 35].map((seed): [string, Design] => [`random boat ${seed}`, randomBoat(seed)]),
])('the analysis of %s has the documented shape', (_, design) => expect(problemsOf(AnalysisSchema, analysisAnswer(design))).toEqual([]));

test('its findings are those of the screen, studies and machines included', () => {
  const design = whole(windlass);
  expect(analysisAnswer(design).findings.map((f) => f.id)).toEqual(findingsAfresh(design).map((f) => f.id));
  expect(analysisAnswer(design).findings.every((f) => f.aboutName !== '')).toBe(true);
});

test('AC runs are told as they are bought: number, name, rating, size, tests, drop', () => {
  const answer = analysisAnswer(withMachines(pluggedIn()));
  const main = answer.acCircuits.find((c) => c.no === 'main');
  expect(main).toMatchObject({ name: 'main', ratingA: 16, size: { school: 'metric', legs: 1 } });
  expect(main?.tests.length).toBeGreaterThan(2);
  expect(main?.dropPct).toBeGreaterThan(0);
  expect(answer.ac.states.length).toBeGreaterThan(2);
  expect(answer.ac.together.map((t) => t.sourceId)).toContain('gen');
});

test('a bank is told with its need, its hours and what fills it', () => {
  const design = { ...windlass, loads: windlass.loads.map((l) => ({ ...l, rating: 60, hours: { anchor: 4 } })) };
  const [bank] = analysisAnswer(design).banks;
  const atAnchor = bank?.needs.find((n) => n.livingId === 'anchor');
  // 60 W at 12 V for 4 h; the usable half of 2 x the blank block.
  expect(atAnchor?.needAh).toBeCloseTo(20, 9);
  expect(atAnchor?.hours).toBeCloseTo((24 * (bank?.usableAh ?? 0)) / 20, 9);
});

test('a proposal reads back as a design and names what was added; pressed again it adds nothing', () => {
  const once = propose(windlass, PROPOSALS, idsFor(windlass));
  expect(problemsOf(ProposeSchema, once)).toEqual([]);
  expect(readDesign(json(once.design)).ok).toBe(true);
  expect(once.changes.map((c) => c.list)).toEqual(expect.arrayContaining(['bars', 'leads', 'acSources', 'studies']));
  expect(propose(once.design, PROPOSALS, idsFor(once.design)).changes).toEqual([]);
});

test('a scratch line is told in figures; what is not understood in words', () => {
  const told = scratchAnswer('60 W pump 12 V 5 m', 'metric');
  if (!told.ok) throw new Error(told.message);
  expect(problemsOf(ScratchSchema, told.answer)).toEqual([]);
  expect(told.answer).toMatchObject({ school: 'metric', legs: 1 });
  expect(scratchAnswer('sixty', 'awg')).toMatchObject({ ok: false });
});
