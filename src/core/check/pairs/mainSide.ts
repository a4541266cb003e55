/** Rules on the main side. */
import { blankBar, blankDevice } from '../../design';
import { ac, thing, size, pin, led, bar, leadId, lead, end, withLeads, charging, charged, ownBar } from './boats';
import { more, type Pair, pair } from './pair';

export const MAIN_SIDE: readonly Pair[] = [
  pair('isolated-tied', ownBar(), 'banks.bow.isolated', true),
  pair('dangling', led, `leads.${leadId(/^Engine negative/)}.to`, end('bar', 'gone')),
  pair('to-itself', led, `leads.${leadId(/^Engine negative/)}.to`, end('bar', bar('engine'))),
  pair('unfused', charging, 'leads.feed.fused', false),
  pair('reduction', charging, 'leads.on.fused', false),
  pair('lead', charging, 'leads.feed.size', size('4')),
  pair('charge-path', charged, 'leads.on.lengthM', 60),
  pair('lead-end', charging, 'leads.feed.toStud', 'M4'),
  pair('lead-conflict', charging, 'leads.feed.ratingA', 5),
  pair(
    'lead-device',
    {
      ...charging,
      leads: charging.leads.map((l) => (l.id === 'feed' ? { ...l, through: [{ ...blankDevice('d', 'isolator'), ratingA: 300 }] } : l)),
    },
    'leads.feed.through.d.ratingA',
    1,
  ),
  pair('starter-cable', led, `leads.${leadId(/^Starter/)}.rail`, 'earth'),
  pair('no-shunt', led, `leads.${leadId(/negative$/)}.through`, []),
  more('loose', led, 'bars', blankBar('lost', 'Lost bar', 'negative bus', 'saloon')),
  more('paralleled', led, 'leads', lead('positive', end('bank', 'house'), end('bank', 'start'))),
  { ...more('second-joint', led, 'leads', lead('earth', end('bar', bar('bonding bus')), end('bar', bar('engine')))) },
  more('second-joint', led, 'leads', lead('negative', end('bar', bar('engine')), end('bar', bar('negative bus')))),
  pair(
    'hull-return',
    {
      ...withLeads(lead('earth', end('bar', 'hull'), end('bar', bar('negative bus')))),
      bars: [...led.bars, blankBar('hull', 'Hull', 'hull', 'bilge')],
    },
    'leads.z.rail',
    'negative',
  ),
  pair(
    'ac-earth-joint',
    { ...led, acSources: ac.acSources, acRules: { ...led.acRules, earthing: 'joined to DC negative' } },
    'leads',
    led.leads.filter((l) => l.id !== leadId(/^AC earth/)),
  ),
  pair('ac-earth', led, `leads.${leadId(/^AC earth/)}.to`, end('bar', bar('bonding bus'))),
  pair('stud', thing(), 'circuits.c-main.pin', pin({ size: size('50'), legs: 6, ownDevices: true })),
  pair('round-shunt', led, `leads.${leadId(/^Engine negative/)}.to`, end('bank', 'house')),
];
