/** Places ranked on a small boat: what wins changes with the facts. */
import { acCircuits } from '../ac';
import { analyse } from '../analysis';
import { applyEdit, blankFace, blankMount, type Design, designOfKind, ofWholeMachines, type Place } from '../design';
import { withProposals } from '@/testing/usualBoat';
import { bestFirst, moveOps } from './candidate';
import { designThere, rankPlaces } from './rank';

function boat(): Design {
  let n = 0;
  const made = designOfKind('coastal', { name: 'Sandpiper', school: 'metric', lengthM: 11, beamM: 3.5, systemV: 12 });
  const sealed = { ...made, banks: made.banks.map((b) => ({ ...b, chemistry: 'lfp' as const })) };
  return withProposals(sealed, (prefix) => `${prefix}t${++n}`);
}
const base = boat();
const charger = base.sources.find((s) => s.kind === 'shore charger')?.id ?? '';
const face = { ...blankFace('f', 'Board'), depthMm: 210, backing: 'solid', behind: 'open space', reach: true } as const;
const board = { ...face, widthMm: 700, heightMm: 700 };
const withPlaces = (change: (p: Place) => Partial<Place>): Design => ({
  ...base,
  places: base.places.map((p) => ({ ...p, ...change(p) })),
});
const first = (d: Design) => bestFirst(rankPlaces(d, 'source', charger))[0];
const row = (d: Design, place: string) => rankPlaces(d, 'source', charger).find((c) => c.placeId === place);

test('the nearest sound face wins: shortest leads, least copper', () => {
  const d = withPlaces((p) => ({ faces: ['lazarette', 'saloon'].includes(p.id) ? [board] : [] }));
  expect(first(d)).toMatchObject({ placeId: 'saloon', verdict: 'goes' });
  const [near, far] = [row(d, 'saloon'), row(d, 'lazarette')];
  expect(near?.lengthM).toBeLessThan(far?.lengthM ?? 0);
  expect(near?.kg).toBeLessThan(far?.kg ?? 0);
  expect(far?.now).toBe(false);
});

test('unticking “wet” changes the winner', () => {
  const wet = withPlaces((p) => ({
    faces: ['lazarette', 'bilge'].includes(p.id) ? [board] : [],
    wet: p.id === 'bilge' || p.wet,
    drips: false,
  }));
  expect(first(wet)?.placeId).toBe('lazarette');
  const dry: Design = { ...wet, places: wet.places.map((p) => ({ ...p, wet: false })) };
  expect(first(dry)?.placeId).toBe('bilge');
});

test('moving the bank changes the winner', () => {
  const d = withPlaces((p) => ({ faces: ['lazarette', 'saloon'].includes(p.id) ? [board] : [] }));
  const aft: Design = {
    ...d,
    banks: d.banks.map((b) => ({ ...b, placeId: 'lazarette' })),
    panels: d.panels.map((p) => ({ ...p, placeId: 'lazarette' })),
    bars: d.bars.map((b) => ({ ...b, placeId: 'lazarette' })),
  };
  expect(first(d)?.placeId).toBe('saloon');
  expect(first(aft)?.placeId).toBe('lazarette');
});

test('a face 10 mm too shallow goes below those that fit, however near it is', () => {
  const d = withPlaces((p) => ({ faces: p.id === 'saloon' ? [{ ...board, depthMm: 200 }] : p.id === 'lazarette' ? [board] : [] }));
  expect(first(d)?.placeId).toBe('lazarette');
  expect(row(d, 'saloon')).toMatchObject({ verdict: 'does not go', lines: [{ what: 'depth with air before it', ok: false }] });
});

test('a face taken up by another machine has no room for it', () => {
  const small = { ...board, widthMm: 420, heightMm: 640 };
  const panel = base.panels[0]?.id ?? '';
  const d: Design = {
    ...withPlaces((p) => ({ faces: p.id === 'saloon' ? [{ ...small, behindMm: 200 }] : [] })),
    panels: base.panels.map((p) => (p.id === panel ? { ...p, placeId: 'saloon' } : p)),
    mounts: [{ ...blankMount('panel', panel), faceId: 'f' }],
  };
  expect(row(d, 'saloon')?.lines.map((l) => l.what)).toContain('room beside what is there');
});

test('what a chosen place comes to is what the boat comes to once it is there', () => {
  const d = withPlaces((p) => ({ faces: p.id === 'saloon' ? [board] : [] }));
  const before = row(d, 'saloon');
  const moved = applyEdit(d, {
    ops: [
      ...ofWholeMachines(
        d,
        moveOps(d, 'source', charger, 'saloon', 'f').flatMap((op) => op ?? []),
      ),
    ],
  });
  if (!moved.ok) throw new Error('refused');
  const after = row(moved.design, 'saloon');
  expect(after?.now).toBe(true);
  expect(after?.kg).toBeCloseTo(before?.kg ?? 0, 6);
  expect(after?.minutes).toBeCloseTo(before?.minutes ?? 0, 6);
});

test('asked a few at a time it answers the same', () => {
  const all = rankPlaces(base, 'source', charger);
  expect([...rankPlaces(base, 'source', charger, 0, 4), ...rankPlaces(base, 'source', charger, 4, 100)]).toEqual(all);
});

test('beside flooded cells no charger goes; beside sealed ones it is asked', () => {
  const with_ = (chemistry: 'flooded' | 'agm') =>
    row(
      { ...withPlaces((p) => ({ faces: p.id === 'saloon' ? [board] : [] })), banks: base.banks.map((b) => ({ ...b, chemistry })) },
      'saloon',
    );
  expect(with_('flooded')).toMatchObject({ verdict: 'does not go', lines: [{ what: 'battery gas', ok: false }] });
  expect(with_('agm')).toMatchObject({ verdict: 'ask', lines: [{ what: 'battery gas', ok: null }] });
});

test('a score is what it is made of, and each run the one of the boat with the thing there', () => {
  const d = withPlaces((p) => ({ faces: ['lazarette', 'saloon'].includes(p.id) ? [board] : [] }));
  const there = row(d, 'lazarette');
  if (!there) throw new Error('no such place');
  expect(there.parts.reduce((sum, p) => sum + p.count * p.each, 0)).toBeCloseTo(there.score, 9);
  expect(there.parts.find((p) => p.what === 'copper')?.count).toBeCloseTo(there.kg, 9);
  const moved = designThere(d, 'source', charger, 'lazarette');
  const analysis = analyse(moved);
  const lengths = new Map([...analysis.circuits, ...analysis.leads, ...acCircuits(moved)].map((r) => [r.id, r.lengthM]));
  expect(there.runs.length).toBeGreaterThan(0);
  for (const r of there.runs) expect(lengths.get(r.id)).toBeCloseTo(r.lengthM, 9);
});
