/** Rules on studies and machines. */
import { bareBoat, withLoad } from '../../design/testing';
import { blankDevice, type Design } from '../../design';
import { amps, bar, size, pin, found, C, led, machines, thing, wired, studied, heavy, windlassCase } from './boats';
import { type Pair, pair } from './pair';

const barred: Design = { ...led, bars: led.bars.map((b) => ({ ...b, ratedA: 1000, studs: 24 })) };

/** A generator with its starter, and a control coil on a circuit with a stop button. */
const started: Design = (() => {
  const d = withLoad(
    bareBoat('metric'),
    {
      id: 'sol',
      name: 'Generator start solenoid',
      ratingBy: 'A',
      rating: 10,
      behaviour: 'current',
      placeId: 'engine',
      supply: 'always live',
    },
    3,
    { pin: pin({ size: size('1.5') }), devices: [blankDevice('stop', 'stop button')] },
  );
  const starter = { bankId: 'house', amps: 140, pathMohm: 1.5 };
  return {
    ...machines,
    banks: d.banks,
    panels: d.panels,
    circuits: d.circuits,
    loads: d.loads,
    acSources: machines.acSources.map((s) => (s.generator ? { ...s, generator: { ...s.generator, startLoadId: 'sol', starter } } : s)),
  };
})();

export const LATE: readonly Pair[] = [
  pair('collapse', heavy, 'loads.x.rating', 9000, 'study'),
  pair('study-volts', studied, 'loads.x.minV', 12),
  pair('bus-amps', barred, `bars.${bar('negative bus')}.ratedA`, 5),
  pair('bus-crowded', barred, `bars.${bar('negative bus')}.studs`, 1),
  pair('bus-stud', barred, `bars.${bar('negative bus')}.stud`, 'M4'),
  pair('bus-unrated', barred, `bars.${bar('negative bus')}.ratedA`, null),
  pair('case-earth', led, `leads.${windlassCase}.size`, size('0.75')),
  pair(
    'ac-dc-unfused',
    {
      ...wired,
      circuits: wired.circuits.map((c) =>
        c.id === 'c-x' ? { ...c, found: found({ size: size('120'), family: 'class-T', ratingA: 200 }) } : c,
      ),
    },
    `${C}.found.ratingA`,
    null,
  ),
  pair('ac-dc-disconnect', wired, `${C}.devices`, []),
  pair('ac-dc-cable', wired, `${C}.pin`, pin({ size: size('4') })),
  pair('ac-dc-fuse', wired, `${C}.pin`, pin({ family: 'maxi-blade', ratingA: 40 })),
  pair('ac-case', wired, 'acSources.inv.inverter.caseSize', null),
  pair('ac-case-thin', wired, 'acSources.inv.inverter.caseSize', size('1')),
  pair('ac-low-volts', { ...wired, loads: wired.loads.map((l) => ({ ...l, minV: 10 })) }, 'loads.row.minV', 12.4),
  pair('ac-start', wired, 'acLoads.tv.surgeVa', 9000),
  pair('ac-dip', machines, 'acLoads.kettle.surgeVa', 60000),
  pair('ac-remote-start', started, `${C}.taps.t-x.tapedM`, 30),
  pair('ac-hold-in', started, 'acSources.gen.generator.holdInV', 12.5),
  pair('ac-starter-unknown', started, 'acSources.gen.generator.starter.amps', null),
  pair('ac-start-lockout', started, `${C}.devices`, []),
  pair('unsure', thing(amps(5, { mark: 'measured' }), { pin: pin({ size: size('2.5') }) }, 10.5), 'loads.x.mark', 'typical'),
];
