/** The AC side drawn: every run once with its three conductors, and the bond of the state shown. */
import ELK from 'elkjs/lib/elk.bundled.js';
import { type AcState, statesOf } from '../ac';
import { pluggedIn, withMachines } from '../ac/testing';
import { analyse } from '../analysis';
import type { Design } from '../design';
import { deadIn } from './ac';
import { drawingOf } from './graph';
import { fromElk, toElk } from './layout';

const design: Design = withMachines(pluggedIn());
const state = (present: string, change: (s: AcState) => boolean = () => true): AcState => {
  const found = statesOf(design).find((s) => s.present.join() === present && change(s));
  if (!found) throw new Error(`no state with ${present}`);
  return found;
};
const draw = (ac: AcState | null, d = design) => drawingOf(d, analyse(d), { rails: 'AC', folded: new Set(), study: null, ac });

test('every source, panel and run is on it: feeders with live, neutral and earth apart, branches as one cable of three', () => {
  const { things, lines } = draw(state('shore', (s) => s.positions.panel === 'main'));
  for (const s of design.acSources)
    expect(things.some((t) => t.about.kind === 'AC source' && t.about.id === s.id && t.symbol === 'bar')).toBe(true);
  for (const p of design.acPanels) expect(things.filter((t) => t.about.kind === 'AC panel' && t.about.id === p.id)).toHaveLength(1);
  for (const c of design.acCircuits) {
    const rails = lines.filter((l) => l.about.kind === 'AC circuit' && l.about.id === c.id).map((l) => l.rail);
    expect(rails).toEqual(c.to ? ['live', 'neutral', 'earth'] : ['trio']);
  }
  const kettle = lines.find((l) => l.about.id === 'galley');
  expect(kettle?.over).toMatch(/^3 × 1.5 mm², 6 m$/);
  expect(kettle?.below).toBe('10 A, both poles');
  expect(lines.find((l) => l.id === 'main')?.below).toBe('16 A, both poles, 30 mA');
});

test('the bond changes with the source: none aboard on shore, one at the generator, one at the inverter', () => {
  const bonds = (s: AcState) =>
    draw(s)
      .things.filter((t) => t.symbol === 'bond')
      .map((t) => t.under);
  const ashore = draw(state('shore', (s) => s.positions.panel === 'main' && s.inverters.inv === 'off'));
  expect(ashore.things.filter((t) => t.symbol === 'bond')).toEqual([]);
  expect(ashore.things.find((t) => t.label === 'joined ashore')?.under).toBe('none aboard');
  expect(bonds(state('gen', (s) => s.inverters.inv === 'off'))).toEqual(['Generator, at the generator']);
  expect(bonds(state('', (s) => s.inverters.inv === 'inverting'))).toEqual(['Inverter, at the inverter']);
  expect(draw(null).things.filter((t) => t.symbol === 'bond')).toEqual([]);
});

test('a bond has its line to the neutral and to the earth of the source it belongs to', () => {
  const { lines } = draw(state('gen', (s) => s.inverters.inv === 'off'));
  const own = lines.filter((l) => l.from === 'bond source gen');
  expect(own.map((l) => [l.to, l.rail])).toEqual([
    ['AC source gen', 'neutral'],
    ['AC source gen', 'earth'],
  ]);
});

test('what is dead in a state: the other sources, the runs behind them, the panel no feed reaches', () => {
  const dead = deadIn(
    design,
    state('shore', (s) => s.positions.panel === 'main' && s.inverters.inv === 'off'),
  );
  expect([...dead].sort()).toEqual(['AC circuit gen-main', 'AC circuit inv-small', 'AC source gen', 'AC source inv']);
  const off = deadIn(
    design,
    state('', (s) => s.positions.panel === null && s.inverters.inv === 'inverting'),
  );
  expect(off.has('AC panel panel')).toBe(true);
  expect(off.has('AC load kettle')).toBe(true);
  expect(off.has('AC load tv')).toBe(false);
});

test('the same design and state are laid out the same, each thing with a place', async () => {
  const drawing = draw(state('shore', (s) => s.positions.panel === 'main'));
  const layout = async () => fromElk(drawing, await new ELK().layout(toElk(drawing)));
  const [a, b] = [await layout(), await layout()];
  expect(a).toEqual(b);
  expect(a.things).toHaveLength(drawing.things.length);
  expect(a.lines).toHaveLength(drawing.lines.length);
});

test('findings stand on the drawing; a design without AC draws nothing there', () => {
  const bare = { ...design, acCircuits: design.acCircuits.map((c) => (c.id === 'main' ? { ...c, leakageMa: null } : c)) };
  expect(draw(null, bare).lines.find((l) => l.id === 'main')?.worst).toBe('stop');
  const none = { ...design, acSources: [], acPanels: [], acCircuits: [], acLoads: [] };
  expect(draw(null, none).things).toEqual([]);
});
