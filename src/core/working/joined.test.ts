import { compareTies } from '../energy';
import { quietBoat, twoBanks } from '../energy/testing';
import { joinedSections } from './joined';

const boat = twoBanks();
const ways = compareTies(boat);
const sectionsOf = (name: string) => ways.filter((w) => w.way === name).flatMap((w) => joinedSections(boat, w, 'A week', boat.boat));
const line = (name: string, title: string, label: string) =>
  sectionsOf(name)
    .find((s) => s.title === title)
    ?.lines.find((l) => l.label === label);

test('a way tells how it joins: what a splitter takes, when a relay closes, what a DC–DC charger gives', () => {
  expect(line('diode splitter', 'How they are joined', 'the splitter takes')?.text).toBe('0.70 V');
  expect(line('voltage-sensitive relay', 'How they are joined', 'the relay closes at')?.value).toBeGreaterThan(12);
  // A quarter of 80 Ah.
  expect(sectionsOf('DC–DC charger')[0]?.lines.find((l) => l.label.endsWith(' gives'))?.value).toBe(20);
  expect(sectionsOf('not joined')[0]?.lines.map((l) => l.label)).toEqual([expect.stringMatching(/ senses$/), 'run through']);
});
test('its figures are the row’s, each with when on the cruise it is so', () => {
  for (const w of ways) {
    expect(line(w.way, 'House', 'lowest')?.value).toBeCloseTo(100 * w.house.lowest, 9);
    expect(line(w.way, 'Start', 'posts, most')?.value).toBe(w.startV);
    expect(w.house.lowestH).toBeGreaterThan(0);
    expect(w.house.lowestH).toBeLessThanOrEqual(7 * 24);
    expect(line(w.way, 'House', 'lowest')?.source).toMatch(/^day [1-7], [\d.]+ h$/);
  }
});
test('charge stands lowest of all its hours when it says', () => {
  const way = ways.find((w) => w.way === 'voltage-sensitive relay');
  const lowest = Math.min(...(way?.trace.map((p) => p.house) ?? []));
  const at = way?.trace.find((p) => p.house === lowest);
  expect(Math.abs(24 * (at?.day ?? NaN) + 1 - (way?.house.lowestH ?? NaN))).toBeLessThanOrEqual(1);
});
test('a boat of one bank has nothing to join', () => {
  const [way] = ways;
  if (!way) throw new Error('no ways');
  expect(joinedSections(quietBoat(), { ...way, way: 'diode splitter' }, 'A week', boat.boat)).toEqual([]);
});
