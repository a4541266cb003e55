/**
 * One fact of a whole proposed boat made wrong at a time, kind by kind and place by place: something is said of that thing, taking it back takes it
 * away, and nothing else is said that neither names its cause nor goes by the fact that was changed.
 */
import { findingsAfresh } from '../analysis';
import { applyEdit, type Design, designOfKind, type Finding, inverseOps, type Op, setOp } from '../design';
import { withProposals } from '@/testing/usualBoat';
import { ruleOf } from './table';

let n = 0;
const proposed = withProposals(
  designOfKind('coastal', { name: 'Avocet', school: 'metric', lengthM: 11, beamM: 3.5, systemV: 12 }),
  (prefix) => `${prefix}x${++n}`,
);
const seen = { held: true, covered: true, vented: true };
const base: Design = { ...proposed, banks: proposed.banks.map((b) => ({ ...b, mounting: seen })) };
const before = new Set(findingsAfresh(base, false).map((f) => f.id));

type Wrong = readonly [name: string, thing: string, op: Op | undefined];
/** Places in which something stands that water, vapour or heat harms. */
const HOLDS = ['saloon', 'chart', 'lazarette'] as const;
const size = (s: string) => ({ school: 'metric', size: s });
const set = (...path: string[]) => ({ to: (value: unknown) => setOp(base, path, value) });

const WRONG: readonly Wrong[] = [
  ...HOLDS.flatMap((p) =>
    (['wet', 'drips', 'vapour'] as const).map((fact): Wrong => [`${p} is said to be: ${fact}`, p, set('places', p, fact).to(true)]),
  ),
  ...base.banks.flatMap((b): Wrong[] => [
    ...(['held', 'covered', 'vented'] as const).map((fact): Wrong => [
      `${b.name}: not ${fact}`,
      b.id,
      set('banks', b.id, 'mounting', fact).to(false),
    ]),
    [`${b.name} without a place`, b.id, set('banks', b.id, 'placeId').to(null)],
    [`${b.name} at 60 °C`, b.id, set('banks', b.id, 'tempC').to(60)],
  ]),
  ...base.circuits
    .filter(
      (c) =>
        c.taps.some((t) => t.serves.kind === 'panel') ||
        ['Anchor windlass', 'Refrigerator compressor', 'Bilge pump, automatic'].includes(c.name),
    )
    .flatMap((c): Wrong[] => [
      [`${c.name} on 0.75 mm²`, c.id, set('circuits', c.id, 'pin', 'size').to(size('0.75'))],
      [`${c.name}: its device 4 m away`, c.id, set('circuits', c.id, 'deviceAtM').to(4)],
    ]),
  ...base.leads
    .filter((l) => l.rail !== 'earth')
    .map((l): Wrong => [`${l.name} of 2.5 mm²`, l.id, set('leads', l.id, 'size').to(size('2.5'))]),
  ...base.leads
    .filter((l) => l.rail === 'positive' && l.fused && l.from.kind === 'bank')
    .map((l): Wrong => [`${l.name} without its fuse`, l.id, set('leads', l.id, 'fused').to(false)]),
  ...base.sources
    .filter((s) => s.outputOf === null)
    .map((s): Wrong => [`${s.name} charges nothing`, s.id, set('sources', s.id, 'bankId').to(null)]),
  ...base.panels.map((p): Wrong => [`${p.name} of one way`, p.id, set('panels', p.id, 'ways').to(1)]),
  ...base.acSources
    .filter((s) => s.shore)
    .flatMap((s): Wrong[] => [
      [`${s.name}: main 9 m away`, s.id, set('acSources', s.id, 'shore', 'breakerAtM').to(9)],
      [`${s.name}: no isolator`, s.id, set('acSources', s.id, 'shore', 'isolation').to('none')],
      [`${s.name}: cord of 0.75 mm²`, s.id, set('acSources', s.id, 'shore', 'cordSize').to(size('0.75'))],
    ]),
  ...base.acPanels.flatMap((p): Wrong[] => [
    [`${p.name}: one bar`, p.id, set('acPanels', p.id, 'barsApart').to(false)],
    [`${p.name} in the bilge`, p.id, set('acPanels', p.id, 'placeId').to('bilge')],
  ]),
  ...base.acCircuits
    .filter((c) => c.from.kind === 'source')
    .flatMap((c): Wrong[] => [
      [`${c.name} opens one pole`, c.id, set('acCircuits', c.id, 'poles').to(1)],
      [`${c.name} without a leakage trip`, c.id, set('acCircuits', c.id, 'leakageMa').to(null)],
      [`${c.name} of household cable`, c.id, set('acCircuits', c.id, 'cable').to('household')],
    ]),
];

const after = (d: Design, ops: readonly Op[]): Design => {
  const edited = applyEdit(d, { ops: [...ops] });
  if (!edited.ok) throw new Error('refused');
  return edited.design;
};
/** The rule goes by the fact: it names the list, or the very field. */
const reads = (f: Finding, [list = '', , ...field]: readonly string[]): boolean =>
  (ruleOf(f)?.reads ?? []).some((r) => r === list || [list, ...field].join('.').startsWith(r) || r.startsWith([list, ...field].join('.')));

test('there are forty or more', () => expect(WRONG.length).toBeGreaterThanOrEqual(40));

test.each(WRONG)('%s', (_, thing, op) => {
  if (!op) throw new Error('that fact is as it was');
  const wrong = after(base, [op]);
  const fresh = findingsAfresh(wrong, false).filter((f) => !before.has(f.id));
  // Of a place what is said is said of the things in it.
  const own = fresh.filter((f) => f.about.id === thing || f.id.includes(thing) || (op.path[0] === 'places' && reads(f, op.path)));
  expect(own.length).toBeGreaterThan(0);
  const stray = fresh.filter((f) => !own.includes(f) && f.cause === undefined && !reads(f, op.path));
  expect(stray.map((f) => f.id)).toEqual([]);
  const back = after(wrong, inverseOps([op]));
  expect(new Set(findingsAfresh(back, false).map((f) => f.id))).toEqual(before);
});
