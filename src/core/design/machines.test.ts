/** Rows that are one machine are tied as a file is read; what is doubtful stays apart. */
import { blankAcSource, blankLoad, blankSource, type Design, readDesign } from '.';
import { bareBoat } from './testing';

const charger = (id: string, name: string) => ({ ...blankLoad(id, 12), name, group: 'charging' as const });
const read = (design: Design): Design => {
  const result = readDesign(JSON.parse(JSON.stringify(design)));
  if (!result.ok) throw new Error(result.problems.map((p) => p.message).join('; '));
  return result.design;
};
const boat = (loads: Design['loads'], sources: Design['sources'], acSources: Design['acSources'] = []): Design => ({
  ...bareBoat('metric'),
  loads,
  sources,
  acSources,
});
const source = (id: string, name: string) => ({ ...blankSource(id, 'shore charger', 12, 'house'), name });

test('a source and a row of the load sheet of one name are one machine', () => {
  const d = read(boat([charger('l', 'Shore charger'), charger('m', 'Chargeur solaire')], [source('s', ' shore CHARGER ')]));
  expect(d.sources.map((s) => s.loadId)).toEqual(['l']);
});
test('an inverter and its row too', () => {
  const inverter = { ...blankAcSource('i', 'inverter', bareBoat('metric').boat), name: 'Wechselrichter' };
  const d = read(boat([{ ...blankLoad('l', 12), kind: 'inverter', name: 'Wechselrichter' }], [], [inverter]));
  expect(d.acSources[0]?.inverter?.loadId).toBe('l');
});
test('two of one name, another name, one already tied, and one with cables of its own stay as they are', () => {
  const apart = (d: Design) => expect(read(d).sources.map((s) => s.loadId)).toEqual(d.sources.map((s) => s.loadId));
  apart(boat([charger('l', 'Charger'), charger('m', 'Charger')], [source('s', 'Charger')]));
  apart(boat([charger('l', 'Charger')], [source('s', 'Charger'), source('t', 'Charger')]));
  apart(boat([charger('l', 'Charger')], [source('s', 'Solar')]));
  apart(boat([charger('l', 'Charger')], [{ ...source('s', 'Other'), loadId: 'l' }, source('t', 'Charger')]));
  apart(boat([charger('l', 'Charger')], [{ ...source('s', 'Charger'), pathMohm: 6 }]));
});
