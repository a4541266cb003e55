/** What is not entered is asked for. */
import { blankDevice, type Design } from '../../design';
import { quietBoat } from '../../energy/testing';
import { ac, amps, bank, bms, boat, C, charging, cold, kind, machines, place, thing } from './boats';
import { type Pair, pair } from './pair';

const rated = (d: Design): Design => ({ ...d, panels: d.panels.map((p) => ({ ...p, maxTotalA: 300, maxWayA: 300 })) });
const boxed = quietBoat({
  box: { lengthMm: 900, widthMm: 400, heightMm: 300 },
  sheet: { ...bank('any').sheet, lengthMm: 330, widthMm: 170, heightMm: 240 },
});
const asked: Design = {
  ...ac,
  acSources: ac.acSources.map((s) => (s.shore ? { ...s, shore: { ...s.shore, pedestalOhm: 0.4 } } : s)),
};

export const UNKNOWN: readonly Pair[] = [
  pair('device-unrated', thing(amps(5), { devices: [{ ...blankDevice('d', 'switch'), ratingA: 16 }] }), `${C}.devices.d.ratingA`, null),
  pair(
    'device-no-place',
    place(thing(amps(5), { devices: [{ ...blankDevice('d', 'switch'), placeId: 'saloon' }] }), 'fore', { vapour: true }),
    `${C}.devices.d.placeId`,
    null,
  ),
  pair('panel-no-place', place(thing(), 'fore', { vapour: true }), 'panels.main.placeId', null),
  pair(
    'lead-device-unrated',
    {
      ...charging,
      leads: charging.leads.map((l) => (l.id === 'feed' ? { ...l, through: [{ ...blankDevice('d', 'isolator'), ratingA: 300 }] } : l)),
    },
    'leads.feed.through.d.ratingA',
    null,
  ),
  pair('sheet-unread', thing(amps(5, { research: 'researched' })), 'loads.x.research', 'unread'),
  pair('kind-unknown', thing(amps(5, { group: 'heavy', kind: 'pump' })), 'loads.x.kind', null),
  pair('panel-unrated', rated(thing()), 'panels.main.maxTotalA', null),
  pair('bank-no-place', place(quietBoat({ placeId: 'saloon' }), 'fore', { vapour: true }), 'banks.house.placeId', null),
  pair('source-no-place', place(boat([kind('solar', { placeId: 'saloon' })]), 'fore', { vapour: true }), 'sources.s.placeId', null),
  pair('box-unknown', boxed, 'banks.house.sheet.widthMm', null),
  pair('pedestal-unknown', asked, 'acSources.shore.shore.pedestalOhm', null),
  pair('ac-no-place', machines, 'acSources.gen.placeId', null),
  pair('bms-unknown', quietBoat({ chemistry: 'lfp', bms }), 'banks.house.bms', null),
  pair('cca-unknown', cold, 'banks.house.cca', null),
];
