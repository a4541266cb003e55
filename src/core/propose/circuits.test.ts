import { analyse } from '../analysis';
import { APPLIANCES, blankBank, blankDesign, type Design, loadFrom } from '../design';
import { proposeCircuits } from './circuits';

const boat = (...names: string[]): Design => {
  const d = blankDesign('Test', 'metric', 10, 3.3, 12);
  const places = new Set(d.places.map((p) => p.id));
  const loads = names.flatMap((name, i) => {
    const item = APPLIANCES.find((a) => a.name === name);
    return item ? [loadFrom(item, `L${i}`, 12, places)] : [];
  });
  const bare: Design = { ...d, banks: [blankBank('house', 12, 'saloon')], loads };
  let n = 0;
  const { panels, circuits } = proposeCircuits(bare, (p) => `${p}${++n}`);
  return { ...bare, panels, circuits };
};

describe('what is up the mast', () => {
  const d = boat('Masthead tricolour, LED', 'Deck floodlight', 'Cabin light, LED', 'Bow light, two-colour');
  const circuit = (name: string) => d.circuits.find((c) => c.taps.some((t) => d.loads.find((l) => l.id === t.serves.id)?.name === name));

  it('is parted at the mast foot by a plug that bears it; what is below is not', () => {
    expect(circuit('Masthead tricolour, LED')?.devices.map((x) => [x.kind, x.placeId, x.ratingA])).toEqual([['plug', 'mast', 5]]);
    expect(circuit('Bow light, two-colour')?.devices).toEqual([]);
  });

  it('shares no way with the cabin', () => {
    expect(circuit('Deck floodlight')?.id).not.toBe(circuit('Cabin light, LED')?.id);
  });

  it('runs from the chart table to the mast foot and up: 10 m boat, masthead at 14 m', () => {
    const c = circuit('Masthead tricolour, LED');
    const m = analyse(d).circuits.find((r) => r.id === c?.id)?.lengthM ?? 0;
    // Fore and aft 1.6, athwart 1, down 0.4, up 13.8 m; slack at four ends.
    expect(m).toBeCloseTo(1.6 + 0.99 + 0.4 + 13.8 + 4 * d.house.slackM, 1);
  });
});

describe('an inverter', () => {
  it('is proposed with an isolator in its positive that bears it, where it stands', () => {
    const d = boat('Inverter, small');
    const c = d.circuits.find((x) => x.taps.some((t) => t.serves.kind === 'load'));
    // 900 W at 12 V and a quarter more are 93.75 A.
    expect(c?.devices.map((x) => [x.kind, x.placeId, x.ratingA])).toEqual([['isolator', 'lazarette', 100]]);
    expect(analyse(d).findings.filter((f) => f.id.startsWith('disconnect') || f.id.startsWith('device-'))).not.toContainEqual(
      expect.objectContaining({ about: { kind: 'circuit', id: c?.id } }),
    );
  });
});
