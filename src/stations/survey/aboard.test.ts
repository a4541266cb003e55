/** What stands where on the boat: banks, panels and the engine by place. */
import { blankBank, blankPanel } from '@/core/design';
import { bareBoat } from '@/core/design/testing';
import { sourceInto } from '@/core/energy/testing';
import { aboardAt } from './Aboard';

test('by place, in order; the engine where the first engine space is, and only where it does electrical work', () => {
  const bare = bareBoat('metric');
  const said = (sources = bare.sources) =>
    Object.fromEntries([...aboardAt({ ...bare, sources })].map(([id, things]) => [id, things.map((t) => `${t.kind} ${t.name}`)]));
  expect(said()).toEqual({ saloon: [`bank ${bare.banks[0]?.name ?? ''}`, 'panel Main bus'], chart: ['panel Panel'] });
  const engine = bare.places.find((p) => p.engineSpace)?.id ?? '';
  expect(said([sourceInto('alternator')])[engine]).toEqual(['engine engine']);
});

test('what stands nowhere, or in a place that is gone, is not drawn', () => {
  const bare = bareBoat('metric');
  const lost = { ...bare, banks: [blankBank('b', 12, 'no such place')], panels: [blankPanel('p', 'Panel', 'panel', null)] };
  expect([...aboardAt(lost)]).toEqual([]);
});
