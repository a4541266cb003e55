/** Sheets at true size: every label where its sheet has one, strips at their pitch, boards cut into sheets that fit together. */
import { analyse } from '../../analysis';
import { blankFace, blankMount, type Design, designOfKind } from '../../design';
import { withProposals } from '@/testing/usualBoat';
import { mountedOf } from '../../mounting';
import { cutList } from '../cutList';
import { listsOf } from '../lists';
import { boardPages, LABEL_SHEETS, labelOutlines, labelPages, labelTexts, PAPERS, type PaperPage, stripPages, wrapFor, wrapsOf } from '.';

let n = 0;
const boat: Design = withProposals(
  designOfKind('coastal', { name: 'Test', school: 'metric', lengthM: 11, beamM: 3.4, systemV: 12 }),
  (p) => `${p}t${++n}`,
);
const { circuits, leads } = analyse(boat);
const list = cutList(boat, circuits, leads);
const boxes = (p: PaperPage | undefined) => (p?.shapes ?? []).flatMap((s) => (s.kind === 'box' ? [s] : []));
const lines = (p: PaperPage | undefined) => (p?.shapes ?? []).flatMap((s) => (s.kind === 'line' ? [s] : []));
const texts = (p: PaperPage | undefined) => (p?.shapes ?? []).flatMap((s) => (s.kind === 'text' ? [s] : []));

test.each(LABEL_SHEETS)('$id: every label lies on its paper, none over another', (sheet) => {
  const [width, height] = PAPERS[sheet.paper];
  const cells = labelOutlines(sheet).flatMap((s) => (s.kind === 'box' ? [s] : []));
  expect(cells).toHaveLength(sheet.columns * sheet.rows);
  for (const c of cells) {
    expect(c.x).toBeGreaterThanOrEqual(-1e-9);
    expect(c.y).toBeGreaterThanOrEqual(-1e-9);
    expect(c.x + c.w).toBeLessThanOrEqual(width + 1e-9);
    expect(c.y + c.h).toBeLessThanOrEqual(height + 1e-9);
  }
  expect(sheet.acrossMm).toBeGreaterThanOrEqual(sheet.widthMm);
  expect(sheet.downMm).toBeGreaterThanOrEqual(sheet.heightMm);
});
test('65 labels on A4 by hand: 38.1 wide every 40.6, 21.2 high: the first 4.75 from the left and 10.7 from the top', () => {
  const sheet = LABEL_SHEETS.find((s) => s.columns === 5);
  const [first, second] = sheet ? labelOutlines(sheet).flatMap((s) => (s.kind === 'box' ? [s] : [])) : [];
  expect(first?.x).toBeCloseTo((210 - 4 * 40.6 - 38.1) / 2, 9);
  expect(first?.x).toBeCloseTo(4.75, 9);
  expect(first?.y).toBeCloseTo(10.7, 9);
  expect((second?.x ?? 0) - (first?.x ?? 0)).toBeCloseTo(40.6, 9);
});
test('two labels a piece, each within its cell; the first sheet begins where labels are left', () => {
  const sheet = LABEL_SHEETS.find((x) => x.columns === 3);
  const all = labelTexts(list);
  expect(all.filter((t) => t === list.cuts[0]?.label).length).toBeGreaterThanOrEqual(2);
  expect(all.length).toBe(list.labels.reduce((sum, l) => sum + l.count, 0));
  if (!sheet) throw new Error('no sheet');
  const whole = labelPages(all, sheet);
  expect(whole).toHaveLength(Math.ceil(all.length / 24));
  const from7 = labelPages(all, sheet, 7);
  expect(from7).toHaveLength(Math.ceil((all.length + 6) / 24));
  // The seventh is the first of the third row.
  expect(texts(from7[0])[0]?.y).toBeGreaterThan(0.5 + 2 * 37);
  expect(labelPages([], sheet)).toEqual([]);
  for (const t of texts(whole[0])) expect(t.size).toBeGreaterThanOrEqual(1.8);
});
test('a wrap goes twice round: 8 mm asks for 52.3, so 75; 23 mm for 146.5, so 150; thicker gets a flag', () => {
  expect(wrapFor(8)).toBe(75);
  expect(wrapFor(23)).toBe(150);
  expect(wrapFor(24)).toBeNull();
  expect(wrapsOf(list).reduce((sum, w) => sum + w.count, 0)).toBe(2 * list.cuts.length);
});
test('strips: ways at their panel’s pitch, the hundred millimetres at the foot of each sheet', () => {
  const pages = stripPages(boat, listsOf(boat, circuits), 'A4');
  expect(pages.length).toBeGreaterThan(0);
  const pitch = boat.panels[0]?.pitchMm ?? 0;
  const [a, b] = boxes(pages[0]);
  expect((b?.x ?? 0) - (a?.x ?? 0)).toBeCloseTo(pitch, 9);
  for (const p of pages) expect(lines(p).some((l) => Math.abs(l.toX - l.x - 100) < 1e-9 && l.y === l.toY)).toBe(true);
  for (const p of pages) for (const x of boxes(p)) expect(x.x + x.w).toBeLessThanOrEqual(PAPERS.A4[0] - 10 + 1e-9);
});
test('a face of 700 by 700 with a charger on it: over several sheets, and what is drawn over them adds up to its two sides', () => {
  const [place] = boat.places;
  const source = boat.sources.find((s) => s.kind === 'shore charger');
  if (!place || !source) throw new Error('nothing to mount');
  const face = { ...blankFace('f1', 'aft face'), widthMm: 700, heightMm: 700, depthMm: 250 };
  const mounted: Design = {
    ...boat,
    places: boat.places.map((p) => (p.id === place.id ? { ...p, faces: [face] } : p)),
    sources: boat.sources.map((s) => (s.id === source.id ? { ...s, placeId: place.id } : s)),
    mounts: [{ ...blankMount('source', source.id), faceId: 'f1' }],
  };
  const pages = boardPages(mounted, 'A4');
  expect(pages.length).toBeGreaterThan(1);
  expect(pages.length).toBeLessThanOrEqual(Math.ceil(700 / 190) * Math.ceil(700 / 263));
  // Level solid lines that are neither the face's, a cross nor the bar: the upper and lower side of the body, over all sheets.
  const { widthMm } = mountedOf(mounted).find((t) => t.id === source.id)?.body ?? { widthMm: 0 };
  const sides = pages.flatMap((p) =>
    lines(p).filter((l) => !l.dashed && l.y === l.toY && l.toX - l.x > 8.1 && l.y > 10.1 && l.y < PAPERS.A4[1] - 24 - 0.1),
  );
  const foot = pages.flatMap((p) => lines(p).filter((l) => !l.dashed && l.y === l.toY && Math.abs(l.toX - l.x - 100) < 1e-9 && l.y > 280));
  expect(foot).toHaveLength(pages.length);
  const faceFoot = 700 - 2 * 263 + 10;
  const body = sides.filter((l) => Math.abs(l.y - faceFoot) > 0.1);
  expect(body.reduce((sum, l) => sum + l.toX - l.x, 0)).toBeCloseTo(2 * widthMm, 6);
  expect(boardPages(boat, 'A4')).toEqual([]);
});
