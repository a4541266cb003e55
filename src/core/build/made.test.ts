/** Pieces as they are made: lengths, ends and stages, worked by hand from the table. */
import { analyse } from '../analysis';
import { type BoatRecord, type Design } from '../design';
import { bareBoat, withLoad } from '../design/testing';
import { postInventory } from '../mainSide';
import { IN_PLACE, makingOf, MAKING, CONDUCTORS } from '../rules';
import { cutList } from './cutList';
import { cutLength, madePieces, type MadePiece } from './made';
import { aboardSteps, benchSteps, briefly } from './passport';

const mark = (id: string, body: BoatRecord['body']): readonly [string, BoatRecord] => [
  `piece:${id}`,
  { id: 'aaaaaaaa', kind: 'mark', thing: `piece:${id}`, at: 1, body },
];

function made(
  design: Design,
  marks: readonly (readonly [string, BoatRecord])[] = [],
  held: ReadonlySet<string> = new Set(),
): readonly MadePiece[] {
  const a = analyse(design);
  return madePieces(design, cutList(design, a.circuits, a.leads).cuts, held, postInventory(design, a.circuits, a.leads), new Map(marks));
}
/** 24 W at the end of 4 m of 1.5 mm², to an M6 stud. */
const boat = (change: (d: Design) => Design = (d) => d): Design =>
  change(withLoad(bareBoat('metric'), { rating: 24, connection: 'M6' }, 4));
const own = (pieces: readonly MadePiece[]) => pieces.filter((p) => p.cut.circuitId === 'c-x');
const at = (pieces: readonly MadePiece[], k: number): MadePiece => {
  const p = pieces[k];
  if (!p) throw new Error('no such piece');
  return p;
};

test('a piece by hand: 4 m, 3 % bow, less what a ring stands off its stud', () => {
  const [plus] = own(made(boat()));
  if (!plus) throw new Error('no piece');
  // Blade at the panel's way? The bus has rings: both ends stand off 10 mm. 4000 + 120 − 10 − 10.
  const ends = [plus.cut.fromEnd, plus.cut.toEnd].filter((e) => /^(lug|ring)/.test(e)).length;
  expect(plus.cut.toEnd).toMatch(/^ring 1\.?5? mm² × M6/);
  expect(plus.cutMm).toBe(4120 - 10 * ends);
  expect(plus.working.reduce((n, w) => n + w.mm, 0)).toBe(4120 - 10 * ends);
  expect(plus.stage).toBe('taped');
});

test('a short piece bows 20 mm at least, and is cut to the next 5 mm', () => {
  const cut = at(own(made(boat())), 0).cut;
  const { mm } = cutLength({ ...cut, lengthM: 0.303, fromEnd: 'ferrule 1.5 mm²', toEnd: 'ferrule 1.5 mm²' });
  // 303 + 20 = 323: 325.
  expect(mm).toBe(325);
  // A panel that opens asks for its slack on top: 303 + 20 + 400 = 723: 725.
  expect(cutLength({ ...cut, lengthM: 0.303, openM: 0.4, fromEnd: 'ferrule 1.5 mm²', toEnd: 'ferrule 1.5 mm²' }).mm).toBe(725);
});

test('what is estimated is measured first, and set aside at 15 % more', () => {
  const loose = boat((d) => ({ ...d, circuits: d.circuits.map((c) => ({ ...c, taps: c.taps.map((t) => ({ ...t, tapedM: null })) })) }));
  const p = at(own(made(loose)), 0);
  expect(p).toMatchObject({ stage: 'measure', cutMm: null });
  expect(p.reservedM).toBeCloseTo(1.15 * p.cut.lengthM, 9);
  expect(benchSteps(p, '', loose.house, loose.boat)[0]?.do).toContain('Tape the run first');
});

test('a stop stands against cutting whatever was taped or released; what is cut already stays cut', () => {
  const id = at(own(made(boat())), 0).cut.id;
  const held = new Set(['c-x']);
  expect(at(own(made(boat(), [], held)), 0).stage).toBe('held');
  expect(at(own(made(boat(), [mark(id, { state: 'released' })], held)), 0).stage).toBe('held');
  expect(at(own(made(boat(), [mark(id, { state: 'cut' })], held)), 0).stage).toBe('cut');
  expect(at(own(made(boat(), [mark(id, { state: 'released' })])), 0).stage).toBe('released');
  expect(at(own(made(boat(), [mark(id, { state: 'back' })])), 0).stage).toBe('taped');
});

test('what was cut as something else than the design asks for now is told', () => {
  const p = at(own(made(boat())), 0);
  const as = (body: BoatRecord['body']) => at(own(made(boat(), [mark(p.cut.id, { state: 'cut', ...body })])), 0).differs;
  expect(as({ size: p.cut.size, colour: p.cut.colour, mm: p.cutMm })).toBe('');
  expect(as({ size: '0.75 mm²', colour: p.cut.colour, mm: p.cutMm })).toBe(`it was cut as 0.75 mm²; ${p.cut.size} is asked for now`);
  expect(as({ size: p.cut.size, colour: p.cut.colour, mm: 2000 })).toContain('2000 mm');
  // Longer than asked for is no harm.
  expect(as({ size: p.cut.size, colour: p.cut.colour, mm: 9000 })).toBe('');
});

test('ends by the table: strip, die, crimps, pull, sleeve, torque, minutes', () => {
  const heavy = withLoad(bareBoat('metric'), { rating: 600, connection: 'M8' }, 3);
  const p = own(made(heavy)).find((x) => x.cut.conductor === '16' || x.cut.conductor === '25' || x.cut.conductor === '35');
  if (!p)
    throw new Error(
      `no heavy piece: ${own(made(heavy))
        .map((x) => x.cut.size)
        .join()}`,
    );
  const row = makingOf('metric', p.cut.conductor);
  const [, far] = p.ends;
  expect(far.terminal).toBe(`lug ${p.cut.conductor} mm² × M8`);
  // A barrel of 20 mm: 2 mm more are stripped.
  expect(far.stripMm).toBe(22);
  expect(far.die).toBe(`die ${row.die} (DIN 46235)`);
  expect(far.crimps).toBe('2 narrow crimps, or 1 wide');
  expect(far.sleeve).not.toBeNull();
  expect(far.torque).toEqual({ nm: 14, by: 'the stud' });
  expect(far.minutes).toBe(row.minutes);
});

test('torque: its maker’s where it is entered; at a battery’s post less than the stud alone would take', () => {
  const design = boat();
  const posts = (d: Design) =>
    made(d)
      .flatMap((p) => p.ends)
      .filter((e) => e.on.node?.startsWith('bank ') && e.torque);
  expect(posts(design).length).toBeGreaterThan(0);
  for (const e of posts(design)) expect(e.torque).toEqual({ nm: 10, by: 'a battery post' });
  const told: Design = { ...design, banks: design.banks.map((b) => ({ ...b, sheet: { ...b.sheet, torqueNm: 11.3 } })) };
  for (const e of posts(told)) expect(e.torque).toEqual({ nm: 11.3, by: 'its maker' });
});

test('schools of making: minutes, and what they risk', () => {
  const minutes = (change: Partial<Design['house']>) =>
    at(own(made(boat((d) => ({ ...d, house: { ...d.house, ...change } })))), 0).ends[1].minutes;
  const usual = minutes({});
  expect(usual).toBe(3);
  // 3 + 2, and 1 for each 10 mm² of its 1 mm².
  expect(minutes({ joint: 'crimp, then solder' })).toBeCloseTo(5.1, 9);
  expect(minutes({ seal: 'tape' })).toBe(2.5);
  const soldered = boat((d) => ({ ...d, house: { ...d.house, joint: 'solder' } }));
  const steps = benchSteps(at(own(made(soldered)), 0), '', soldered.house, soldered.boat);
  expect(steps.some((s) => s.hazard.includes('no vapour'))).toBe(true);
  const insulated = boat((d) => ({ ...d, house: { ...d.house, terminals: 'insulated' } }));
  const e = at(own(made(insulated)), 0).ends[1];
  expect(e).toMatchObject({ sleeve: null, stripMm: 6 });
  expect(e.terminal).toMatch(/insulated (red|blue)$/);
  expect(e.die).toMatch(/^ratchet tool, (red|blue) nest$/);
});

test('through a gland no lug passes: the far end is made in place and takes longer', () => {
  const through = boat((d) => ({
    ...d,
    routes: [
      {
        id: 'g',
        name: 'Gland',
        kind: 'gland',
        placeId: null,
        boreMm: 12,
        heightMm: null,
        bends: 0,
        drawLine: false,
        circuitIds: ['c-x'],
        note: '',
      },
    ],
  }));
  const p = at(own(made(through)), 0);
  expect(p.ends.map((e) => e.inPlace)).toEqual([false, true]);
  expect(p.ends[1].minutes).toBeCloseTo(3 * IN_PLACE, 9);
  // At the bench one end alone; aboard the other, and both landed.
  expect(benchSteps(p, '', through.house, through.boat).filter((s) => s.id.endsWith('.strip'))).toHaveLength(1);
  expect(aboardSteps(p, '', through.house, through.boat).map((s) => s.id.split('.')[1])).toEqual(expect.arrayContaining(['strip', 'land']));
});

test('on a card what both ends have in common is said once', () => {
  const heavy = withLoad(bareBoat('metric'), { rating: 600, connection: 'M8' }, 3);
  const p = own(made(heavy)).find((x) => x.ends.every((e) => e.terminal === x.ends[0].terminal));
  if (!p) throw new Error('no piece alike at both ends');
  const all = benchSteps(p, '90°', heavy.house, heavy.boat);
  const card = briefly(all);
  expect(all.filter((s) => s.id.endsWith('.crimp'))).toHaveLength(2);
  expect(card.filter((s) => s.id.endsWith('.crimp'))).toHaveLength(1);
  expect(card.filter((s) => s.do === 'The second end alike.')).toHaveLength(1);
  expect(card.some((s) => s.do.startsWith('Turn the palm to 90°'))).toBe(true);
});

test('every size of both schools is made up by a row of its own', () => {
  for (const school of ['awg', 'metric'] as const)
    for (const c of CONDUCTORS[school])
      expect(school === 'awg' ? makingOf(school, c.size).awg : makingOf(school, c.size).metric).toBe(c.size);
  // Heavier ends never take less time.
  for (const [i, m] of MAKING.entries()) if (i > 0) expect(m.minutes).toBeGreaterThanOrEqual(MAKING[i - 1]?.minutes ?? 0);
});

test('links of a bank, counted by hand: two strings of two, tied from string to string', () => {
  const bare = bareBoat('metric');
  const design: Design = {
    ...bare,
    banks: bare.banks.map((b) => ({
      ...b,
      blockV: 6,
      series: 2,
      strings: 2,
      links: { way: 'diagonal', size: '35', lengthM: 0.28, measured: true },
    })),
  };
  const links = made(design).filter((p) => p.cut.circuitId === design.banks[0]?.id);
  // One series link in each string; one link on each rail from the first string to the second.
  expect(links.map((p) => p.cut.id.split('.').slice(1).join('.'))).toEqual(['series.1.1', 'series.2.1', 'parallel.1p', 'parallel.1n']);
  expect(links.map((p) => p.cut.colour)).toEqual(['red', 'red', 'red', design.house.negative]);
  // 280 + 20 − 26 − 26 = 248: 250. All alike.
  expect(links.map((p) => p.cutMm)).toEqual([250, 250, 250, 250]);
  // Every end is in a block's insert, whichever block: never the torque of a free stud.
  for (const e of links.flatMap((p) => p.ends)) expect(e.torque).toEqual({ nm: 10, by: 'a battery post' });
  const barred: Design = { ...design, banks: design.banks.map((b) => ({ ...b, links: { ...b.links, way: 'bus bars' } })) };
  // Each string by its own lead to each bar.
  expect(made(barred).filter((p) => p.cut.id.includes('.parallel.'))).toHaveLength(4);
});
