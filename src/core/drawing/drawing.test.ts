/** The line drawing: everything aboard is on it once, folded panels hide only their ways, and the same design is laid out the same. */
import ELK from 'elkjs/lib/elk.bundled.js';
import { analyse } from '../analysis';
import { blankBar, blankCircuit, blankLoad, type Design } from '../design';
import { proposeMainSide } from '../propose';
import { runStudy, worstOfStudies } from '../network';
import { round3 } from '../quantity';
import { bareBoat, withLoad } from '../design/testing';
import { drawingOf, foldAtFirst } from './graph';
import type { DrawingWish } from './types';
import { fromElk, toElk } from './layout';

const wish = (more: Partial<DrawingWish> = {}): DrawingWish => ({ rails: 'one line', folded: new Set(), study: null, ...more });

function boat(ways: number): Design {
  let n = 0;
  const base = withLoad(bareBoat('metric'), { name: 'Windlass', behaviour: 'current', rating: 900, group: 'heavy' }, 6);
  const lamps = Array.from({ length: ways }, (_, i) => ({ ...blankLoad(`lamp${i}`, 12), name: `Lamp ${i}`, rating: 10, placeId: 'fore' }));
  const design: Design = {
    ...base,
    loads: [...base.loads, ...lamps],
    circuits: [
      ...base.circuits,
      ...lamps.map((l, i) => ({
        ...blankCircuit(`c${i}`, String(20 + i), l.name, { kind: 'panel' as const, id: 'panel' }),
        taps: [{ id: `t${i}`, parent: null, serves: { kind: 'load' as const, id: l.id }, tapedM: 3 }],
      })),
    ],
  };
  return { ...design, ...proposeMainSide(design, (p) => `${p}${++n}`) };
}
const laid = async (design: Design, more: Partial<DrawingWish> = {}) => {
  const drawing = drawingOf(design, analyse(design), wish(more));
  return fromElk(drawing, await new ELK().layout(toElk(drawing)));
};

test('one line: every load, panel and bank once, every circuit a line, no negative; both rails: the leads and bars besides', () => {
  const design = boat(5);
  const one = drawingOf(design, analyse(design), wish());
  for (const l of design.loads) expect(one.things.filter((t) => t.about.kind === 'load' && t.about.id === l.id)).toHaveLength(1);
  for (const c of design.circuits) expect(one.lines.filter((l) => l.about.id === c.id)).toHaveLength(1);
  expect(one.lines.every((l) => l.rail === 'positive')).toBe(true);
  const both = drawingOf(design, analyse(design), wish({ rails: 'both' }));
  for (const l of design.leads) expect(both.lines.filter((x) => x.about.id === l.id)).toHaveLength(1);
  for (const b of design.bars) expect(both.things.some((t) => t.about.id === b.id)).toBe(true);
  // The main's negative returns to the bus behind the shunt, not to the post.
  expect(both.lines.find((l) => l.about.id === 'c-main' && l.rail === 'negative')?.from).toMatch(/^bar /);
});

test('a folded panel keeps its feeder and says how many it hides; a large boat begins folded, a small one does not', () => {
  const design = boat(60);
  expect([...foldAtFirst(design)]).toEqual(['panel']);
  expect([...foldAtFirst(boat(5))]).toEqual([]);
  const folded = drawingOf(design, analyse(design), wish({ folded: new Set(['panel']) }));
  expect(folded.things.find((t) => t.id === 'panel panel')).toMatchObject({ folded: true, ways: 60 });
  expect(folded.lines.some((l) => l.about.id === 'c-feed')).toBe(true);
  expect(folded.lines.some((l) => l.about.id === 'c0')).toBe(false);
});

test('several loads on one run are one thing with its taps, each with the stretch that leads to it', () => {
  const design = boat(3);
  const joined: Design = {
    ...design,
    circuits: design.circuits.flatMap((c) =>
      c.id === 'c0'
        ? [
            {
              ...c,
              taps: [
                ...c.taps,
                { id: 'x1', parent: 't0', serves: { kind: 'load' as const, id: 'lamp1' }, tapedM: 2 },
                { id: 'x2', parent: 'x1', serves: { kind: 'load' as const, id: 'lamp2' }, tapedM: 1 },
              ],
            },
          ]
        : c.id === 'c1' || c.id === 'c2'
          ? []
          : [c],
    ),
  };
  const { things, lines } = drawingOf(joined, analyse(joined), wish());
  const thing = things.find((t) => t.id === 'c0/t0');
  expect(thing?.taps.map((t) => [t.label, t.over])).toEqual([
    ['Lamp 1', '2 m'],
    ['Lamp 2', '1 m'],
  ]);
  expect(lines.filter((l) => l.about.id === 'c0')).toHaveLength(1);
});

test('in a study, volts stand at banks, panels and loads, and amps on the runs that carry any', () => {
  const design = boat(3);
  const analysis = analyse(design);
  const study = runStudy(design, analysis, {
    id: 's',
    name: 's',
    soc: 0.6,
    engineRpm: 0,
    shore: false,
    cranking: false,
    loads: { x: 'on', lamp0: 'on' },
  });
  const { things, lines } = drawingOf(design, analysis, wish({ study }));
  const volts = study.loads.find((l) => l.id === 'lamp0')?.volts.toFixed(2);
  expect(things.find((t) => t.id === 'c0/t0')?.under).toContain(`${volts} V`);
  expect(things.find((t) => t.id === 'bank house')?.under).toMatch(/, \d+\.\d\d V$/);
  // The negative bus stands above the post by what the shunt and its lead take.
  const bus = design.bars.find((b) => b.kind === 'negative bus');
  const both = drawingOf(design, analysis, wish({ study, rails: 'both' }));
  const rise = study.leads.find((l) => l.name === 'House bank negative')?.dropV ?? NaN;
  expect(both.things.find((t) => t.about.id === bus?.id)?.under).toBe(`${rise.toFixed(3)} V`);
  expect(lines.find((l) => l.about.id === 'c0')?.below).toMatch(/carries/);
  expect(lines.find((l) => l.about.id === 'c1')?.below).not.toMatch(/carries/);
});

test('laid out: the same every time, nothing on top of another, source before load', async () => {
  const design = boat(12);
  const [a, b] = [await laid(design, { rails: 'both' }), await laid(design, { rails: 'both' })];
  expect(a).toEqual(b);
  for (const t of a.things)
    for (const u of a.things)
      if (t !== u) expect(t.x + t.width <= u.x || u.x + u.width <= t.x || t.y + t.height <= u.y || u.y + u.height <= t.y).toBe(true);
  const x = (id: string) => a.things.find((t) => t.id === id)?.x ?? NaN;
  expect(x('bank house')).toBeLessThan(x('panel main'));
  expect(x('panel main')).toBeLessThan(x('panel panel'));
  expect(x('panel panel')).toBeLessThan(x('c0/t0'));
  // A panel's ways leave in their order.
  const ways = a.lines.filter((l) => l.from === 'panel panel').map((l) => l.points[0]?.[1] ?? NaN);
  expect(ways).toEqual([...ways].sort((p, q) => p - q));
});

test('what is to be settled is marked on its line, what somebody accepts is not', () => {
  const design = boat(2);
  const pinned: Design = {
    ...design,
    circuits: design.circuits.map((c) =>
      c.id === 'c-x' ? { ...c, pin: { ...c.pin, size: { school: 'metric' as const, size: '2.5' } } } : c,
    ),
  };
  const analysis = analyse(pinned);
  const line = (d: Design) => drawingOf(d, analyse(d), wish()).lines.find((l) => l.about.id === 'c-x');
  expect(line(pinned)?.worst).toBe('stop');
  const departures = analysis.findings
    .filter((f) => f.about.id === 'c-x')
    .map((f, i) => ({
      id: `d${i}`,
      findingId: f.id,
      what: 'x',
      why: 'y',
      acceptedBy: 'z',
      on: '2026-01-01',
      kind: 'accepted' as const,
      facts: '',
    }));
  expect(line({ ...pinned, departures })?.worst).toBeNull();
});

test('negatives and earths alone: no circuit and no positive, each strap with its worst return current, each case with its verdict', () => {
  const base = boat(1);
  const design: Design = {
    ...base,
    studies: [{ id: 's', name: 'windlass', soc: 0.6, engineRpm: 0, shore: false, cranking: false, loads: { x: 'on' } }],
  };
  const analysis = analyse(design);
  const worst = worstOfStudies(design, analysis);
  const { things, lines } = drawingOf(design, analysis, wish({ rails: 'earths', worst }));
  expect(lines.every((l) => l.rail !== 'positive' && l.about.kind === 'lead')).toBe(true);
  const shunt = design.leads.find((l) => l.name === 'House bank negative');
  expect(lines.find((l) => l.about.id === shunt?.id)?.below).toBe(`at worst ${round3(worst.leads[shunt?.id ?? '']?.amps ?? NaN)} A`);
  expect(things.find((t) => t.label === 'case of Windlass')?.under).toMatch(/A: clears in/);
});

test('a positive bus is no part of the negatives and earths', () => {
  const bus = blankBar('plus', 'Charging bus', 'positive bus', null);
  const base = boat(1);
  const design: Design = { ...base, bars: [...base.bars, bus] };
  const shown = (rails: DrawingWish['rails']) =>
    drawingOf(design, analyse(design), wish({ rails })).things.some((t) => t.about.id === 'plus');
  expect([shown('both'), shown('earths')]).toEqual([true, false]);
});
