/** The owner's book: every line follows from a thing of this boat, and goes with it. */
import { analyse } from '../analysis';
import { blankBank, type Design, designOfKind } from '../design';
import { withProposals } from '@/testing/usualBoat';
import { type Chapter, ownersBook } from './ownersBook';

let n = 0;
const boat = withProposals(
  designOfKind('long-distance', { name: 'Far', school: 'metric', lengthM: 12, beamM: 3.9, systemV: 12 }),
  (p) => `${p}b${++n}`,
);
const book = (d: Design): readonly Chapter[] => ownersBook(d, analyse(d));
const texts = (d: Design) => book(d).flatMap((c) => c.lines.map((l) => l.text));

test('every line names what it follows from, and that is aboard', () => {
  const ids = new Set([
    ...[
      boat.banks,
      boat.sources,
      boat.joins,
      boat.circuits,
      boat.leads,
      boat.loads,
      boat.living,
      boat.places,
      boat.panels,
      boat.acSources,
      boat.acPanels,
      boat.gauges,
    ].flatMap((rows) => rows.map((r) => r.id)),
  ]);
  for (const chapter of book(boat))
    for (const l of chapter.lines) {
      expect(l.of.length).toBeGreaterThan(0);
      expect(l.of.some((id) => ids.has(id))).toBe(true);
    }
  expect(book(boat).map((c) => c.title)).toEqual(expect.arrayContaining(['The switches', 'Charging', 'Where everything is', 'Laying up']));
});

test('taking a source away takes its lines away', () => {
  for (const s of boat.sources) {
    expect(texts(boat).some((t) => t.startsWith(`${s.name}: `))).toBe(s.outputOf === null);
    const without: Design = {
      ...boat,
      sources: boat.sources.filter((x) => x.id !== s.id && x.outputOf !== s.id),
      leads: boat.leads.filter((l) => ![l.from, l.to].some((e) => e.id === s.id)),
    };
    expect(texts(without).some((t) => t.startsWith(`${s.name}: `))).toBe(false);
  }
});

test('an empty boat has an empty book', () => {
  const bare: Design = {
    ...boat,
    banks: [],
    sources: [],
    circuits: [],
    leads: [],
    joins: [],
    panels: [],
    loads: [],
    living: [],
    acSources: [],
    acPanels: [],
    acCircuits: [],
    acLoads: [],
    gauges: [],
    bars: [],
    smallLeads: [],
    studies: [],
    cruises: [],
  };
  expect(book(bare)).toEqual([]);
});

test('a selector says what its own contacts allow', () => {
  const [house] = boat.banks;
  if (!house) throw new Error('no bank');
  const join = {
    id: 'sel',
    name: 'Selector',
    kind: 'selector' as const,
    firstId: house.id,
    secondId: 'two',
    running: 'first' as const,
    stopped: 'first' as const,
    makeBeforeBreak: false,
    fieldDisconnect: false,
    dropV: 0,
    closeV: 13.3,
    openV: 12.8,
    delayS: 30,
    ratedA: 200,
    massKg: null,
    price: null,
  };
  const two: Design = { ...boat, banks: [...boat.banks, blankBank('two', 12, house.placeId ?? 'saloon')], joins: [join] };
  expect(texts(two)).toContain('Never turn it with the engine running: the alternator dies the moment its cable is open.');
  const safe: Design = { ...two, joins: [{ ...join, makeBeforeBreak: true, fieldDisconnect: true }] };
  expect(texts(safe).some((t) => t.startsWith('It joins the next before it leaves the last'))).toBe(true);
});
