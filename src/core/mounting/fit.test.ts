/** Bodies against faces, by hand. */
import { bareBoat } from '../design/testing';
import { blankFace, blankMount, type Design, type Face } from '../design';
import { BATTERY_CASES } from '../rules';
import { blocksOn, blocksThatStand } from './blocks';
import { boardOf } from './board';
import { fitOn, placeFor, verdictOf } from './fit';
import { mountedOf, type Mounted } from './things';

const good: Face = {
  ...blankFace('f', 'Bulkhead'),
  widthMm: 700,
  heightMm: 700,
  depthMm: 200,
  behindMm: 150,
  backing: 'solid',
  behind: 'open space',
  reach: true,
};
const body = {
  widthMm: 250,
  heightMm: 370,
  depthMm: 130,
  massKg: 6,
  aboveMm: 150,
  belowMm: 100,
  sidesMm: 80,
  frontMm: 70,
  wayUp: 'bulkhead only',
} as const;
const boat: Design = { ...bareBoat('metric'), mounts: [{ ...blankMount('panel', 'main'), body }] };
const main = (change: Partial<Mounted> = {}): Mounted => {
  const found = mountedOf(boat).find((t) => t.id === 'main');
  if (!found) throw new Error('no main bus');
  return { ...found, ...change };
};
const bad = (face: Partial<Face>, thing = main()) =>
  fitOn({ ...good, ...face }, thing, boat).flatMap((l) => (l.ok === false ? [l.what] : l.ok === null ? [`? ${l.what}`] : []));

test('its maker’s body is taken, and what is not entered is typical', () => {
  expect(main().typical).toBe(false);
  expect(main().body).toEqual(body);
  expect(mountedOf({ ...boat, mounts: [] }).every((t) => t.typical)).toBe(true);
});

test('250 + 2 × 80 = 410 wide, 370 + 150 + 100 = 620 high, 130 + 70 = 200 deep: just', () => {
  expect(bad({ widthMm: 410, heightMm: 620, depthMm: 200 })).toEqual([]);
  expect(bad({ widthMm: 409 })).toEqual(['width with air']);
  expect(bad({ heightMm: 619 })).toEqual(['height with air']);
  const of = (what: string) => fitOn(good, main(), boat).find((l) => l.what === what)?.of;
  expect(of('width with air')).toEqual(['250 mm (as entered) + 80 mm of air on both sides']);
  expect(of('height with air')).toEqual(['370 mm (as entered) + 150 mm of air above and 100 mm below']);
  expect(of('depth with air before it')).toEqual(['130 mm (as entered) + 70 mm of air before it']);
});

test('a body 10 mm too deep is refused', () => expect(bad({ depthMm: 190 })).toEqual(['depth with air before it']));

test('what must hang upright is not laid on a shelf; what may lie is turned where it helps', () => {
  expect(bad({ lies: 'flat' })).toEqual(['way up']);
  const lying = main({ body: { ...body, wayUp: 'bulkhead or flat' } });
  // Lying on its side: 370 + 160 = 530 wide, 250 + 250 = 500 high.
  expect(bad({ widthMm: 530, heightMm: 500 }, lying)).toEqual([]);
  expect(bad({ widthMm: 530, heightMm: 500 })).toEqual(['height with air']);
});

test('6 kg want a solid ground; screws want to know what they come out into', () => {
  expect(bad({ backing: 'thin' })).toEqual(['holds its mass']);
  expect(bad({ backing: 'unknown', behind: 'unknown', reach: null })).toEqual(['? holds its mass', '? behind it, for screws', '? reach']);
  expect(bad({ behind: 'tank' })).toEqual(['behind it, for screws']);
  expect(bad({ backing: 'thin' }, main({ body: { ...body, massKg: 2 } }))).toEqual([]);
  expect(verdictOf(fitOn({ ...good, backing: 'unknown' }, main(), boat))).toBe('ask');
});

test('what is let in is as deep as there is room behind', () => {
  expect(bad({ behindMm: 129 }, main({ letIn: true }))).toEqual(['depth behind the face']);
  expect(bad({ behindMm: null }, main({ letIn: true }))).toEqual(['? depth behind the face']);
});

test('four blocks of 330 × 173 with 10 mm between: 670 × 356; a shelf of 710 × 396 takes them with its tray, 709 three', () => {
  expect(blocksOn({ lengthMm: 330, widthMm: 173 }, 4)).toEqual([670, 356]);
  const block = { lengthMm: 330, widthMm: 173 };
  expect(blocksThatStand({ widthMm: 710, heightMm: 396 }, block, 20)).toBe(4);
  expect(blocksThatStand({ widthMm: 709, heightMm: 396 }, block, 20)).toBe(3);
});

test('a battery wants headroom: 225 high and 60 for its cables is 285', () => {
  const cased = BATTERY_CASES.find((c) => c.name === 'group 24');
  const [bank] = boat.banks;
  if (!bank || !cased) throw new Error('no bank');
  const { lengthMm, widthMm, heightMm } = cased;
  const d: Design = {
    ...boat,
    banks: [{ ...bank, chemistry: 'agm', series: 1, strings: 2, sheet: { ...bank.sheet, lengthMm, widthMm, heightMm } }],
  };
  const [thing] = mountedOf(d);
  const of = (face: Partial<Face>) =>
    thing ? fitOn({ ...good, lies: 'flat', widthMm: 400, heightMm: 400, ...face }, thing, d).filter((l) => l.ok === false) : [];
  expect(of({ depthMm: 285 })).toEqual([]);
  expect(of({ depthMm: 284 }).map((l) => l.what)).toEqual(['headroom for cables']);
  expect(of({ depthMm: 300, widthMm: 200 }).map((l) => l.what)).toEqual(['batteries side by side, in a tray']);
  expect(of({ depthMm: 300, lies: 'upright' }).map((l) => l.what)).toContain('way up');
});

test('electronics: not wet, unless its plate says so; not in the engine space', () => {
  const place = boat.places.find((p) => p.id === 'saloon');
  if (!place) throw new Error('no place');
  const what = (at: Partial<typeof place>, thing = main()) => placeFor({ ...place, ambientC: 30, ...at }, thing, boat).map((l) => l.what);
  expect(what({})).toEqual([]);
  expect(what({ wet: true })).toEqual(['wet']);
  expect(what({ wet: true }, main({ mount: { ...blankMount('panel', 'main'), ip: '67' } }))).toEqual([]);
  expect(what({ engineSpace: true })).toEqual(['engine space']);
});

test('two of 410 × 620 stand side by side on 820 × 620, no body over another; on 810 one finds no room', () => {
  const two = [main({ id: 'a' }), main({ id: 'b' })];
  const board = boardOf({ ...good, widthMm: 820, heightMm: 620 }, two);
  expect(board.over).toEqual([]);
  const [p, q] = board.placed;
  expect(Math.abs((p?.x ?? 0) - (q?.x ?? 0))).toBe(410);
  expect(boardOf({ ...good, widthMm: 810, heightMm: 620 }, two).over).toHaveLength(1);
});

test('a bank that goes only when it is turned is turned on its board too: 400 by 640 with 20 mm of air on a face of 700 by 450', () => {
  const stands = { ...body, widthMm: 360, heightMm: 600, aboveMm: 20, belowMm: 20, sidesMm: 20, wayUp: 'flat only' } as const;
  const face: Face = { ...good, widthMm: 700, heightMm: 450, lies: 'flat' };
  const found = mountedOf(boat).find((t) => t.kind === 'bank');
  if (!found) throw new Error('no bank');
  const bank = { ...found, body: stands };
  expect(boardOf(face, [bank])).toMatchObject({ over: [], placed: [{ width: 600, height: 360 }] });
  // What hangs upright is not turned for it.
  expect(boardOf(face, [main({ body: { ...stands, wayUp: 'bulkhead only' } })]).over).toHaveLength(1);
});
