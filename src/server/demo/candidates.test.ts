/** A source that may take another's place is compared, never counted. */
import { halcyon } from './halcyon';
import { marram } from './marram';
import { applyEdit, type Design, type Op, removeSource, rowOf, type Source, sourcesAboard, takeCandidate } from '@/core/design';
import { analyse, compareCandidate } from '@/core/analysis';

const boat = marram();
const was = boat.sources.find((s) => s.kind === 'alternator') as Source;
const larger: Source = {
  ...was,
  id: 'cand',
  name: 'Larger alternator',
  ratedA: was.ratedA + 60,
  insteadOfId: was.id,
  loadId: null,
  bankId: null,
};
const withIt: Design = { ...boat, sources: [...boat.sources, larger] };
const edited = (design: Design, ops: readonly Op[] | null): Design => {
  const next = applyEdit(design, { ops: [...(ops ?? [])] });
  if (!next.ok) throw new Error('the edits do not apply');
  return next.design;
};
const said = (d: Design) => {
  const { balance, findings, circuits } = analyse(d);
  return JSON.stringify([balance, findings, circuits.map((c) => [c.id, c.workingA])]);
};

test('in the list it changes no figure and no finding', () => expect(said(withIt)).toBe(said(boat)));
test('compared it tells what would be another: the part, and what it makes a day', () => {
  const compared = compareCandidate(withIt, 'cand');
  const what = compared?.lines.map((l) => l.what) ?? [];
  expect(what).toEqual(expect.arrayContaining([`part: ${was.name}`, 'part: Larger alternator']));
  expect(compareCandidate(boat, was.id)).toBeNull();
});
test('taken, it has the bank, the cable and the battery cables of the other, which is the candidate then; taken back, all is as before', () => {
  const taken = edited(withIt, takeCandidate(withIt, 'cand'));
  expect(sourcesAboard(taken.sources).map((s) => s.id)).toEqual([...boat.sources.map((s) => s.id).filter((id) => id !== was.id), 'cand']);
  expect(rowOf(taken.sources, 'cand')).toMatchObject({ bankId: was.bankId, loadId: was.loadId, insteadOfId: null });
  expect(rowOf(taken.sources, was.id)?.insteadOfId).toBe('cand');
  const on = (d: Design, id: string) => d.leads.filter((l) => [l.from, l.to].some((e) => e.kind === 'source' && e.id === id)).length;
  expect([on(taken, was.id), on(taken, 'cand')]).toEqual([0, on(boat, was.id)]);
  const back = edited(taken, takeCandidate(taken, was.id));
  expect(said(back)).toBe(said(boat));
});
test('its row of the load sheet says what the one that takes its place gives, and its cable is sized for that', () => {
  const ketch = halcyon();
  const small = ketch.sources.find((s) => s.kind === 'alternator') as Source;
  const large: Source = { ...small, id: 'cand', name: 'Larger alternator', ratedA: 160, insteadOfId: small.id, loadId: null };
  const both: Design = { ...ketch, sources: [...ketch.sources, large] };
  const taken = edited(both, takeCandidate(both, 'cand'));
  const run = (d: Design) => analyse(d).circuits.find((c) => c.name === 'Alternator, medium frame');
  expect([rowOf(ketch.loads, small.loadId)?.rating, rowOf(taken.loads, small.loadId)?.rating]).toEqual([100, 160]);
  expect([run(ketch)?.workingA, run(taken)?.workingA]).toEqual([100, 160]);
  expect(run(taken)?.own.protection.ratingA).toBeGreaterThanOrEqual(160);
  expect(compareCandidate(both, 'cand')?.changes.some((c) => c.name === 'Alternator, medium frame')).toBe(true);
  const back = edited(taken, takeCandidate(taken, small.id));
  expect(rowOf(back.loads, small.loadId)?.rating).toBe(100);
});
test('where the source it may replace is removed, the first candidate is aboard and the others are its candidates', () => {
  const two: Design = { ...withIt, sources: [...withIt.sources, { ...larger, id: 'cand2' }] };
  const left = edited(two, removeSource(two, was.id));
  expect(rowOf(left.sources, 'cand')?.insteadOfId).toBeNull();
  expect(rowOf(left.sources, 'cand2')?.insteadOfId).toBe('cand');
});
test('what it may replace is gone: it counts; of a circle one counts', () => {
  const ids = (sources: readonly Source[]) => sourcesAboard([...sources]).map((s) => s.id);
  expect(ids([{ ...was, id: 'a', insteadOfId: 'gone' }])).toEqual(['a']);
  expect(
    ids([
      { ...was, id: 'a', insteadOfId: 'b' },
      { ...was, id: 'b', insteadOfId: 'a' },
    ]),
  ).toEqual(['a']);
  expect(ids([{ ...was, id: 'a', insteadOfId: 'a' }])).toEqual(['a']);
  expect(
    ids([
      { ...was, id: 'a', insteadOfId: 'b' },
      { ...was, id: 'b', insteadOfId: 'c' },
      { ...was, id: 'c', insteadOfId: null },
    ]),
  ).toEqual(['c']);
});
