/** Boats that are right, and small changes of them, that the pairs begin with. */
import { pluggedIn, withMachines } from '../../ac/testing';
import {
  blankBar,
  type Bank,
  blankCruise,
  blankDevice,
  blankFound,
  blankTie,
  blankSource,
  type Circuit,
  type Design,
  type BankTie,
  type BatteryCable,
  type Load,
  type SmallLead,
  type Source,
} from '../../design';
import { driven, quietBoat, sourceInto } from '../../energy/testing';
import { blankBatteryCable, proposeMainSide, usualLead } from '../../propose';
import { bareBoat, withLoad } from '../../design/testing';

export const amps = (rating: number, change: Partial<Load> = {}): Partial<Load> => ({
  ratingBy: 'A',
  rating,
  behaviour: 'current',
  placeId: 'saloon',
  supply: 'house switch',
  ...change,
});
export const thing = (
  load: Partial<Load> = amps(5),
  circuit: Partial<Circuit> = {},
  lengthM = 4,
  school: 'metric' | 'awg' = 'metric',
): Design => withLoad(bareBoat(school), load, lengthM, circuit);
export const size = (s: string, school: 'metric' | 'awg' = 'metric') => ({ school, size: s });
export const pin = (change: Partial<Circuit['pin']> = {}): Circuit['pin'] => ({
  size: null,
  legs: 1,
  family: null,
  ratingA: null,
  ownDevices: false,
  ...change,
});
export const found = (change: Partial<NonNullable<Circuit['found']>> = {}): Circuit['found'] => ({
  ...blankFound('metric'),
  size: { school: 'metric', size: '2.5' },
  sizeKnown: true,
  decision: 'keep',
  reason: 'sound',
  kind: 'tinned strands',
  keepProtection: true,
  family: 'blade',
  ratingA: 10,
  ...change,
});
export const C = 'circuits.c-x';
export const house = (d: Design, change: Partial<Design['house']>): Design => ({ ...d, house: { ...d.house, ...change } });
export const place = (d: Design, id: string, change: Partial<Design['places'][number]>): Design => ({
  ...d,
  places: d.places.map((p) => (p.id === id ? { ...p, ...change } : p)),
});
export const strong = (d: Design, shortCircuitA: number): Design => ({ ...d, banks: d.banks.map((b) => ({ ...b, shortCircuitA })) });

export const onPanel = (load: Partial<Load> = amps(2), circuit: Partial<Circuit> = {}): Design =>
  thing(load, { from: { kind: 'panel', id: 'panel' }, ...circuit }, 3);
export const weakPanel = (blockAh: number): Design => {
  const d = onPanel();
  return {
    ...d,
    circuits: d.circuits.map((c) => (c.id === 'c-main' || c.id === 'c-feed' ? { ...c, pin: pin({ size: size('16') }) } : c)),
    banks: d.banks.map((b) => ({ ...b, blockAh })),
    panels: d.panels.map((p) => (p.id === 'panel' ? { ...p, family: 'blade' as const } : p)),
  };
};

export const alive = (load: Partial<Load>, circuit: Partial<Circuit> = {}): Design =>
  thing({ ...load, supply: 'always live' }, { from: { kind: 'bank', id: 'house' }, supply: 'always live', ...circuit });
export const switched = (d: Design): Design => ({
  ...d,
  circuits: d.circuits.map((c) => (c.id === 'c-main' ? { ...c, devices: [blankDevice('s', 'battery switch')] } : c)),
});

export const boat = (sources: readonly Source[], change: Partial<Design> = {}): Design => ({ ...quietBoat(), sources, ...change });
export const bank = (id: string, change: Partial<Bank> = {}): Bank => ({ ...(quietBoat().banks[0] as Bank), id, name: id, ...change });
export const two = (tie: Partial<BankTie> = {}, sources: readonly Source[] = []): Design =>
  boat(sources, {
    banks: [bank('house'), bank('start', { job: 'start' })],
    joins: [{ ...blankTie('j', 'relay', 12), firstId: 'house', secondId: 'start', ...tie }],
  });
export const alternator = (change: Partial<NonNullable<Source['alternator']>> = {}, more_: Partial<Source> = {}): Source => {
  const blank = sourceInto('alternator');
  return { ...blank, id: 's', alternator: blank.alternator && { ...blank.alternator, ...change }, ...more_ };
};
/** An alternator with its excitation and one more small lead, as they are usually laid. */
export const leads = (purpose: 'sense' | 'temperature', change: Partial<SmallLead> = {}): Design => {
  const s = alternator({ tacho: false });
  const source: Source = {
    ...s,
    regulator: { ...s.regulator, sense: 'the bank', sensor: purpose === 'temperature' ? 'on the bank' : 'in the device' },
  };
  const d = boat([source], { banks: [bank('house'), bank('start', { job: 'start', tempC: 45 })] });
  const lay = (id: string, p: SmallLead['purpose'], more_: Partial<SmallLead> = {}) => ({
    ...usualLead(d, id, p, source),
    lengthM: 3,
    ...more_,
  });
  const laid = [lay('ex', 'excitation'), lay('se', 'sense'), lay('te', 'temperature')].filter(
    (l) => purpose === 'temperature' || l.id !== 'te',
  );
  return { ...d, smallLeads: laid.map((l) => (l.purpose === purpose ? { ...l, ...change } : l)) };
};
/** An alternator with a suppressor of which all is known. */
export const suppressed = (): Design =>
  boat([alternator({ tacho: false, suppressor: true, suppressorPart: { tripV: 18, fuseA: 20, underMainLug: true, lampSeen: true } })]);
export const kind = (k: Source['kind'], change: Partial<Source> = {}): Source => ({ ...sourceInto(k), id: 's', ...change });
export const dcdc = (): Source => ({ ...blankSource('s', 'DC–DC', 12, 'start'), fromBankId: 'house' });
export const bms = { overV: 14.8, underV: 11, lowChargeC: 0, toleranceV: 0, warns: true };
export const day = (spans: Parameters<typeof driven>[2]): Design => driven(quietBoat(), [], spans);
export const cruising = (days: number, livingId = 'day'): Design => ({
  ...quietBoat(),
  cruises: [{ ...blankCruise('k', 'Cruise'), legs: [{ id: 'l', livingId, days }] }],
});
export const charger = (): Design => {
  const s = kind('shore charger');
  return boat([{ ...s, regulator: { ...s.regulator, sensor: 'on the bank' } }]);
};
export const cold: Design = (() => {
  const d = boat([alternator()], { banks: [bank('house', { job: 'start', cca: 800 })] });
  return { ...d, engine: { ...d.engine, startBankId: 'house', crankA: 150, starts: 3 } };
})();

/** A boat with the main side the application proposes, one heavy load with a case. */
export const led: Design = (() => {
  let n = 0;
  const d = withLoad(bareBoat('metric'), amps(80, { name: 'Windlass', group: 'heavy' }), 4);
  const banks = [...d.banks, { ...(d.banks[0] as Bank), id: 'start', name: 'Start', job: 'start' as const, strings: 1 }];
  const boat_: Design = { ...d, banks, engine: { ...d.engine, startBankId: 'start' } };
  return { ...boat_, ...proposeMainSide(boat_, (prefix) => `${prefix}${++n}`) };
})();
/** A bank for one job in the bow, its negative on a bar of its own and from there on the common one. */
export const ownBar = (): Design => {
  let n = 0;
  const d = bareBoat('metric');
  const bow: Bank = { ...(d.banks[0] as Bank), id: 'bow', name: 'Bow', job: 'own', placeId: 'bow' };
  const two_: Design = { ...d, banks: [...d.banks, bow] };
  return { ...two_, ...proposeMainSide(two_, (prefix) => `${prefix}${++n}`) };
};
export const bar = (k: string): string => led.bars.find((b) => b.kind === k)?.id ?? '';
export const leadId = (name: RegExp): string => led.leads.find((l) => name.test(l.name))?.id ?? '';
export const lead = (
  rail: BatteryCable['rail'],
  from: BatteryCable['from'],
  to: BatteryCable['to'],
  change: Partial<BatteryCable> = {},
): BatteryCable => ({
  ...blankBatteryCable('z', 'Lead', rail, from, to),
  ...change,
});
export const end = (k: BatteryCable['from']['kind'], id: string): BatteryCable['from'] => ({ kind: k, id });
export const withLeads = (...leads: BatteryCable[]): Design => ({ ...led, leads: [...led.leads, ...leads] });
export const charging: Design = {
  ...led,
  bars: [...led.bars, blankBar('cb', 'Charging bus', 'positive bus', 'saloon')],
  leads: [
    ...led.leads,
    { ...lead('positive', end('bank', 'house'), end('bar', 'cb')), id: 'feed', ratingA: 200, family: 'class-T', size: size('70') },
    { ...lead('positive', end('bar', 'cb'), end('source', 'sun')), id: 'on', size: size('6'), fused: true },
  ],
  sources: [{ ...blankSource('sun', 'solar', 12, 'house') }],
};

/** Out and back by its own cables. */
export const charged: Design = {
  ...charging,
  leads: [...charging.leads, { ...lead('negative', end('source', 'sun'), end('bank', 'house')), id: 'back', size: size('16') }],
};

export const ac = pluggedIn();
export const awg = pluggedIn('awg');
export const machines = withMachines(ac);
export const run = (d: Design, id: string, change: Partial<Design['acCircuits'][number]>): Design => ({
  ...d,
  acCircuits: d.acCircuits.map((c) => (c.id === id ? { ...c, ...change } : c)),
});
const wiredAt = (systemV: 12 | 24): Design => {
  const d = withLoad(
    bareBoat('metric', systemV),
    { id: 'row', name: 'Inverter', group: 'heavy', rating: 800, behaviour: 'power', placeId: 'saloon', supply: 'house switch' },
    2,
    {
      devices: [{ ...blankDevice('iso', 'isolator'), ratingA: 300, placeId: 'saloon' }],
    },
  );
  const m = withMachines(pluggedIn());
  const inverter = m.acSources.find((s) => s.id === 'inv');
  return {
    ...m,
    boat: d.boat,
    banks: d.banks.map((b) => ({ ...b, blockAh: 400 })),
    panels: d.panels,
    circuits: d.circuits,
    loads: d.loads,
    acSources: m.acSources.map((s) =>
      s.id === 'inv' && inverter?.inverter
        ? {
            ...s,
            placeId: 'saloon',
            inverter: {
              ...inverter.inverter,
              va: 800,
              precharge: true,
              loadId: 'row',
              caseSize: size('120'),
              surges: [{ id: 's1', s: 5, va: 1600 }],
            },
          }
        : s,
    ),
  };
};
export const wired = wiredAt(12);
export const wired24 = wiredAt(24);

export const studied: Design = {
  ...thing(amps(20, { minV: 10 }), { pin: pin({ size: size('4') }) }, 6),
  studies: [{ id: 'night', name: 'A night', soc: 0.5, engineRpm: 0, shore: false, cranking: false, loads: { x: 'on' } }],
};
export const heavy: Design = { ...thing(amps(5, { behaviour: 'power', ratingBy: 'W', rating: 60 }), {}, 12), studies: studied.studies };
export const windlassCase = leadId(/case$/);
