/** Slack for panels that open: one field for the DC and the AC side. */
import { acCircuits } from '../ac';
import { pluggedIn } from '../ac/testing';
import type { Design } from '../design';
import { withLoad } from '../design/testing';
import { analyse } from './analysis';

const opened = (design: Design, openSlackM: number): Design => ({
  ...design,
  house: { ...design.house, openSlackM },
  panels: design.panels.map((p) => ({ ...p, opens: p.id === 'panel' })),
  acPanels: design.acPanels.map((p) => ({ ...p, opens: true })),
});
const loose = (design: Design): Design => ({
  ...design,
  circuits: design.circuits.map((c) => ({ ...c, taps: c.taps.map((t) => ({ ...t, tapedM: null })) })),
  acCircuits: design.acCircuits.map((c) => ({ ...c, lengthM: null })),
});
const lengths = (design: Design) => ({
  ...Object.fromEntries(analyse(design).circuits.map((r) => [r.id, r.lengthM])),
  ...Object.fromEntries(acCircuits(design).map((r) => [r.id, r.lengthM])),
});

test('what starts or ends at a panel that opens is so much longer; what was taped is as taped', () => {
  const plain = withLoad(pluggedIn(), {}, 3, { from: { kind: 'panel', id: 'panel' } });
  const [shut, open] = [lengths(loose(plain)), lengths(opened(loose(plain), 0.5))];
  const longer = Object.fromEntries(Object.entries(open).map(([id, m]) => [id, Math.round(100 * (m - (shut[id] ?? NaN))) / 100]));
  // The feeder ends at the panel, the circuit starts there; the main ends at the AC panel, its branch starts there.
  expect(longer).toEqual({ 'c-main': 0, 'c-feed': 0.5, 'c-x': 0.5, main: 0.5, galley: 0.5 });
  expect(lengths(opened(plain, 0.5))).toEqual(lengths(plain));
});
