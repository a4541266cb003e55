/** Rules on the design as a whole. */
import {
  blankBar,
  blankDevice,
  blankFace,
  blankMount,
  type Circuit,
  type Design,
  type Face,
  type Load,
  UNKNOWN_SOCKET,
} from '../../design';
import { sourceInto } from '../../energy/testing';
import { amps, thing, size, pin, C, place, strong, weakPanel, alive, switched } from './boats';
import { more, type Pair, pair } from './pair';

/** The panel as a part of the main bus with a feed of its own that is always live, and a circuit on it. */
function parted(): Design {
  const base = thing(amps(2, { supply: 'always live' }), { from: { kind: 'panel', id: 'panel' } });
  return {
    ...base,
    panels: base.panels.map((p) => (p.id === 'panel' ? { ...p, partOfId: 'main', placeId: 'saloon', family: null } : p)),
    circuits: base.circuits.map((c) => (c.id === 'c-feed' ? { ...c, supply: 'always live', from: { kind: 'bank', id: 'house' } } : c)),
  };
}

/** A radio and a pump on one panel, the pump with a small start. */
export function shared(pump: Partial<Load> = {}, radio_: Partial<Load> = {}): Design {
  const base = thing(amps(2, { group: 'electronics', ...radio_ }), { from: { kind: 'panel', id: 'panel' } });
  const radio = base.loads[0];
  const run = base.circuits.find((c) => c.id === 'c-x');
  if (!radio || !run) return base;
  return {
    ...base,
    loads: [radio, { ...radio, id: 'pump', name: 'Pump', group: 'pump', rating: 5, surgeA: 8, surgeS: 0.5, ...pump }],
    circuits: [
      ...base.circuits,
      { ...run, id: 'c-pump', name: 'Pump', taps: run.taps.map((t) => ({ ...t, id: 't-pump', serves: { kind: 'load', id: 'pump' } })) },
    ],
  };
}

/** The bank looked at, and well. */
function seen(): Design {
  const base = thing();
  return { ...base, banks: base.banks.map((b) => ({ ...b, mounting: { held: true, covered: true, vented: true } })) };
}

/** A panel of 10 A that charges through a socket made for it. */
const fed = (): Design => {
  const base = thing(
    amps(5, {
      kind: 'socket',
      socket: { inA: 10, contactsA: 15, liveHalf: 'socket', oneWay: true, feeder: 'panel', inH: 5, inWhen: 'by day' },
    }),
    { supply: 'always live' },
  );
  return { ...base, sources: [{ ...sourceInto('solar', { id: 'sun', ratedA: 10, loadId: 'x', pathMohm: null }) }] };
};

/** A socket of which all is known, and into which nothing may feed. */
const socket = (): Design =>
  thing(amps(5, { kind: 'socket', socket: { ...UNKNOWN_SOCKET, inA: 0, contactsA: 15, liveHalf: 'socket', oneWay: true } }));

/** A panel on a face that is measured, known and free. */
export function mounted(face: Partial<Face> = {}): Design {
  const base = thing();
  return {
    ...base,
    mounts: [
      { ...blankMount('panel', 'panel'), faceId: 'f' },
      { ...blankMount('panel', 'main'), faceId: null },
    ],
    panels: base.panels.map((p) => ({ ...p, placeId: 'chart' })),
    places: base.places.map((p) =>
      p.id === 'chart'
        ? {
            ...p,
            faces: [
              {
                ...blankFace('f', 'Bulkhead'),
                widthMm: 700,
                heightMm: 600,
                behindMm: 200,
                backing: 'solid',
                behind: 'open space',
                reach: true,
                ...face,
              },
            ],
          }
        : p,
    ),
  };
}

export const WHOLE: readonly Pair[] = [
  pair('no-bank', thing(), 'banks', []),
  pair('bank-volts', thing(), 'banks.house.series', 2),
  pair('loop', thing(), 'circuits.c-feed.from', { kind: 'panel', id: 'panel' }),
  more('twice', thing(), 'circuits', { ...(thing().circuits.find((c) => c.id === 'c-x') as Circuit), id: 'c-y' }),
  pair('no-rating', thing(), 'loads.x.rating', 0),
  pair('no-circuit', thing(), `${C}.taps`, []),
  pair('no-place', thing(), 'loads.x.placeId', null),
  pair('electronics-place', thing(amps(5, { group: 'electronics' })), 'places.saloon.wet', true),
  pair('electronics-place', place(thing(amps(5, { group: 'electronics', ip: '67' })), 'saloon', { wet: true }), 'loads.x.ip', '20'),
  pair('ways', thing(), 'panels.main.ways', 1),
  pair('part-of', parted(), 'panels.panel.placeId', 'fore'),
  pair('way-class', parted(), 'circuits.c-feed.supply', 'house switch'),
  pair('way-class', parted(), `${C}.from`, { kind: 'panel', id: 'main' }),
  pair('no-feeder', thing(), 'circuits.c-main.taps', []),
  pair('panel-family', weakPanel(10), 'banks.house.blockAh', 1500),
  pair(
    'sending-end',
    strong(thing(amps(2), { pin: pin({ size: size('1'), family: 'panel-breaker', ratingA: 5 }) }), 400),
    'banks.house.shortCircuitA',
    6000,
  ),
  pair('panel-total', thing(amps(90)), 'panels.main.maxTotalA', 60),
  pair('guard-live', alive(amps(4, { group: 'pump', kind: 'bilge pump' })), 'loads.x.supply', 'house switch'),
  pair('guard-live', alive(amps(1, { kind: 'gas alarm' })), `${C}.supply`, 'panel breaker'),
  pair('battery-switch', switched(thing()), 'circuits.c-main.devices', []),
  pair('disconnect', alive(amps(90), { devices: [blankDevice('d', 'isolator')] }), `${C}.devices`, []),
  pair('starter-bare', alive(amps(90, { duty: { onS: 10, restS: 30, repeats: 3 } })), 'loads.x.kind', 'starter'),
  pair('thin-parallel', thing(), `${C}.pin`, pin({ size: size('2.5'), legs: 2 })),
  pair('not-made', thing(), `${C}.pin`, pin({ family: 'terminal-cube', ratingA: 400 })),
  pair('uncharged', { ...thing(), sources: [sourceInto('wind')] }, 'sources', []),
  pair(
    'string-fuse-size',
    {
      ...thing(amps(100)),
      banks: thing().banks.map((b) => ({ ...b, chemistry: 'lfp' as const, strings: 2, shortCircuitA: 5000, stringFuseA: 150 })),
    },
    'banks.house.stringFuseA',
    40,
  ),
  pair(
    'string-fuses',
    { ...thing(), banks: thing().banks.map((b) => ({ ...b, chemistry: 'lfp' as const, stringFuseA: 150 })) },
    'banks.house.stringFuseA',
    null,
  ),
  pair('socket-live', socket(), 'loads.x.socket.liveHalf', 'plug'),
  pair('socket-one-way', socket(), 'loads.x.socket.oneWay', false),
  pair('socket-contacts', socket(), 'loads.x.socket.contactsA', 3),
  pair('socket-in', socket(), 'loads.x.socket.inA', 20),
  pair('socket-uncounted', fed(), 'sources', []),
  pair('socket-unlike', fed(), 'loads.x.socket.feeder', 'charger'),
  pair('socket-unlike', fed(), 'sources.sun.ratedA', 12),
  pair('socket-unknown', socket(), 'loads.x.socket', null),
  pair('petrol-space', { ...thing(), engine: { ...thing().engine, fuel: 'diesel' } }, 'engine.fuel', 'petrol'),
  pair(
    'no-blower',
    place({ ...thing(), engine: { ...thing().engine, fuel: 'diesel' } }, 'engine', { vapour: true }),
    'engine.fuel',
    'petrol',
  ),
  pair('ripple', shared({ kind: 'inverter', rating: 0.5, surgeA: null }), 'loads.pump.rating', 8),
  pair('compass', thing(amps(15, { placeId: 'fore' })), 'places.fore.compass', true),
  pair('way-hazard', thing(), 'places.saloon.moving', true),
  pair('start-sag', shared({ minV: null }, { minV: 10 }), 'loads.pump.surgeA', 25),
  pair('mount-refused', mounted(), 'places.chart.faces.f.behindMm', 90),
  pair('mount-unasked', mounted(), 'places.chart.faces.f.behind', 'unknown'),
  pair('mount-crowded', mounted({ widthMm: 420, heightMm: 520 }), 'mounts.mp-main.faceId', 'f'),
  pair('mount-unknown', mounted(), 'mounts.mp-panel.faceId', null),
  pair(
    'source-place',
    { ...thing(), sources: [sourceInto('shore charger', { id: 'ashore', placeId: 'saloon' })] },
    'places.saloon.drips',
    true,
  ),
  pair(
    'source-place',
    { ...thing(), sources: [sourceInto('shore charger', { id: 'ashore', placeId: 'saloon' })] },
    'sources.ashore.placeId',
    'engine',
  ),
  pair('panel-place', thing(), 'places.chart.wet', true),
  pair('panel-place', thing(), 'panels.panel.placeId', 'engine'),
  pair('bar-place', { ...thing(), bars: [blankBar('bus', 'Negative bus', 'negative bus', 'saloon')] }, 'places.saloon.wet', true),
  pair('bank-wet', thing(), 'places.saloon.wet', true),
  pair('bank-held', seen(), 'banks.house.mounting.held', false),
  pair('bank-covered', seen(), 'banks.house.mounting.covered', false),
  pair('bank-vented', seen(), 'banks.house.mounting.vented', false),
  pair('bank-mounting-unknown', seen(), 'banks.house.mounting.vented', null),
  pair('bank-temp', thing(), 'banks.house.tempC', 60),
  pair('bank-temp', place(thing(), 'saloon', { ambientC: 30 }), 'places.saloon.ambientC', 60),
  pair(
    'vapour-load',
    place(thing(amps(5, { placeId: 'fore', ignitionProtected: true })), 'fore', { vapour: true }),
    'loads.x.ignitionProtected',
    false,
  ),
  pair('vapour-bank', thing(), 'places.saloon.vapour', true),
  pair('metal-hull', thing(), 'boat.hull', 'steel'),
];
