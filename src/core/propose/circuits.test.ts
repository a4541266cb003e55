import { analyse } from '../analysis';
import { APPLIANCES, type Bank, blankBank, blankDesign, type Design, loadFrom } from '../design';
import { proposeCircuits } from './circuits';

const boat = (...names: string[]): Design => boatOf([blankBank('house', 12, 'saloon')], names);
const boatOf = (banks: readonly Bank[], names: readonly string[], systemV: 12 | 24 = 12): Design => {
  const d = blankDesign('Test', 'metric', 10, 3.3, systemV);
  const places = new Set(d.places.map((p) => p.id));
  const loads = names.flatMap((name, i) => {
    const item = APPLIANCES.find((a) => a.name === name);
    return item ? [loadFrom(item, `L${i}`, 12, places)] : [];
  });
  const bare: Design = { ...d, banks: [...banks], loads };
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

const rootOf = (d: Design, load: string): string => {
  let [id, root] = [d.loads.find((l) => l.name === load)?.id, ''];
  for (let at = 0; at < 9 && root === ''; at++) {
    const from = d.circuits.find((c) => c.taps.some((t) => t.serves.id === id))?.from;
    if (from?.kind === 'bank') root = from.id;
    id = from?.id;
  }
  return root;
};

describe('small electronics', () => {
  const d = boat(
    'VHF radio',
    'Position reporting transponder',
    'Multifunction display',
    'Instrument network',
    'Mobile data router',
    'Bilge pump, automatic',
  );
  const block = d.panels.find((p) => p.family === 'blade');
  const on = (panelId: string | undefined) => d.circuits.filter((c) => c.from.id === panelId).map((c) => c.name);

  it('share a fuse block behind one breaker of the panel, a fuse each; a radio and a display have their own ways', () => {
    expect(on(block?.id)).toEqual(['Position reporting transponder', 'Instrument network', 'Mobile data router']);
    expect([block?.ways, block?.name]).toEqual([4, 'Electronics block']);
    const panel = d.panels.find((p) => p.family === 'panel-breaker');
    expect(on(panel?.id)).toEqual(['VHF radio', 'Multifunction display', 'Electronics block']);
    expect(d.circuits.find((c) => c.name === 'Electronics block')?.taps.map((t) => t.serves)).toEqual([{ kind: 'panel', id: block?.id }]);
  });
  it('each passes what Check asks of its size and its fuse', () => {
    const a = analyse(d);
    for (const c of a.circuits.filter((r) => d.circuits.some((x) => x.id === r.id && x.from.id === block?.id)))
      expect([c.name, c.own.state.failing, c.own.protection.ratingA <= 3]).toEqual([c.name, [], true]);
  });
  it('what comes later is hung on no block, though the panel is full and the block has ways', () => {
    const panel = d.panels.find((p) => p.family === 'panel-breaker');
    const pump = boat('Deck wash pump').loads.map((l) => ({ ...l, id: 'later' }));
    const full = { ...d, loads: [...d.loads, ...pump], panels: d.panels.map((p) => (p === panel ? { ...p, ways: on(p.id).length } : p)) };
    let n = 100;
    const { circuits } = proposeCircuits(full, (p) => `${p}${++n}`);
    expect(circuits.find((c) => c.name === 'Deck wash pump')?.from.id).not.toBe(block?.id);
    expect(circuits.some((c) => c.from.id === block?.id)).toBe(false);
  });
  it('two are not worth a block, nor is anything of 48 V put behind blades', () => {
    expect(boat('Instrument network', 'Mobile data router').panels.some((p) => p.family === 'blade')).toBe(false);
    const d48 = {
      ...d,
      banks: [blankBank('house', 48, 'saloon')],
      panels: [],
      circuits: [],
      loads: d.loads.map((l) => ({ ...l, nominalV: 48 })),
    };
    let n = 0;
    expect(proposeCircuits(d48, (p) => `${p}${++n}`).panels.some((p) => p.family === 'blade')).toBe(false);
  });
});

describe('a load and its bank', () => {
  const start: Bank = { ...blankBank('start', 12, 'engine'), job: 'start' };
  const bow: Bank = { ...blankBank('bow', 12, 'bow'), name: 'Bow bank', job: 'own' };

  it('what is heavy beside a bank for one job hangs on that by a switch, the rest on the house bank, wherever it is in the list', () => {
    const d = boatOf([bow, start, blankBank('house', 12, 'saloon')], ['Bow thruster', 'Deck wash pump', 'Cabin light, LED', 'VHF radio']);
    expect(['Bow thruster', 'Deck wash pump', 'Cabin light, LED', 'VHF radio'].map((l) => rootOf(d, l))).toEqual([
      'bow',
      'house',
      'house',
      'house',
    ]);
    const thruster = d.circuits.find((c) => c.name === 'Bow thruster');
    expect([thruster?.from, thruster?.devices.map((x) => x.kind)]).toEqual([{ kind: 'bank', id: 'bow' }, ['battery switch']]);
  });
  it('of other volts than the house hangs on the bank that has them, by a bus and a panel of its own', () => {
    const own: Bank = { ...blankBank('low', 12, 'chart'), name: 'Electronics bank', job: 'own' };
    const d = boatOf([blankBank('house', 24, 'saloon'), own], ['VHF radio', 'Gas detector'], 24);
    expect([rootOf(d, 'VHF radio'), rootOf(d, 'Gas detector')]).toEqual(['low', 'low']);
    expect(d.panels.map((p) => p.name)).toEqual(expect.arrayContaining(['Electronics bank main bus', 'Electronics bank always-live bus']));
  });
});
