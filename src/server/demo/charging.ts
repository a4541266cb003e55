/** What charges the demonstration boats, how they are lived in, and the options weighed. Invented, figures our own. */
import {
  type Bank,
  blankBank,
  blankCruise,
  blankTie,
  blankSource,
  blankSpan,
  type Design,
  type Living,
  partsOf,
  type Source,
  UNKNOWN_FIT,
} from '@/core/design';

const span = blankSpan;

const ways =
  (days: Readonly<Record<string, Living['day']>>) =>
  (l: Living): Living => ({ ...l, day: days[l.id] ?? l.day });

const start = (id: string, design: Design, change: Partial<Bank>): Bank => ({
  ...blankBank(id, design.boat.systemV, 'engine'),
  name: 'Start battery',
  job: 'start',
  blockAh: 80,
  strings: 1,
  cca: 760,
  tempC: 35,
  ...change,
});

const solar = (id: string, design: Design, change: Partial<NonNullable<Source['solar']>>): Source => {
  const s = blankSource(id, 'solar', design.boat.systemV, 'house');
  return { ...s, solar: s.solar && { ...s.solar, ...change } };
};

const alternator = (
  id: string,
  design: Design,
  ratedA: number,
  change: Partial<Source>,
  machine: Partial<NonNullable<Source['alternator']>>,
): Source => {
  const s = blankSource(id, 'alternator', design.boat.systemV, 'house');
  const by = ratedA / s.ratedA;
  return {
    ...s,
    ratedA,
    ...change,
    alternator: s.alternator && {
      ...s.alternator,
      curve: s.alternator.curve.map((p) => ({ ...p, amps: Math.round(p.amps * by) })),
      ...machine,
    },
  };
};

/** Marram: a coastal sloop, AGM, a relay to the start battery; weighed against iron phosphate with a regulated alternator. */
export function marramCharging(design: Design): Design {
  const living = design.living.map(
    ways({
      anchor: [span('sun', 'sun', 6.5, 19.5, 4.8), span('e1', 'engine', 8, 10, 1800), span('e2', 'engine', 18, 19, 1800)],
      passage: [span('sun', 'sun', 6.5, 19.5, 3.6), span('e1', 'engine', 9, 12, 1900), span('e2', 'engine', 20, 22, 1900)],
      motoring: [span('sun', 'sun', 6.5, 19.5, 3.6), span('e1', 'engine', 9, 16, 2100)],
    }),
  );
  const alt = alternator(
    'alt',
    design,
    90,
    { name: 'Alternator', mark: "maker's", massKg: 5.4 },
    {
      fit: {
        ...UNKNOWN_FIT,
        mounting: 'dual foot',
        pivotMm: 79,
        pulley: 'V 10 mm',
        rotation: 'either',
        bodyMm: 145,
        longMm: 205,
        fan: 'either',
        nutNm: 70,
      },
    },
  );
  const shore = blankSource('shore', 'shore charger', design.boat.systemV, 'house');
  const charger: Source = {
    ...shore,
    name: 'Shore charger',
    placeId: 'lazarette',
    massKg: 4.1,
    regulator: { ...shore.regulator, sensor: 'on the bank' },
  };
  const relay = { ...blankTie('vsr', 'relay', design.boat.systemV), firstId: 'house', secondId: 'start' };
  const a: Design = {
    ...design,
    living,
    banks: [...design.banks, start('start', design, {})],
    sources: [alt, charger, solar('sun', design, { parallel: 3, wp: 110, seriesFuseA: null })],
    joins: [relay],
    engine: {
      ...design.engine,
      startBankId: 'start',
      fit: {
        ...UNKNOWN_FIT,
        mounting: 'dual foot',
        pivotMm: 79,
        pulley: 'V 10 mm',
        rotation: 'clockwise',
        bodyMm: 150,
        longMm: 230,
        nearMm: 190,
        farMm: 235,
        beltMm: 815,
      },
    },
    cruises: [
      {
        ...blankCruise('summer', 'A fortnight of summer'),
        legs: [
          { id: 'l1', livingId: 'anchor', days: 2 },
          { id: 'l2', livingId: 'motoring', days: 1 },
          { id: 'l3', livingId: 'anchor', days: 2 },
          { id: 'l4', livingId: 'passage', days: 1 },
          { id: 'l5', livingId: 'alongside', days: 1 },
        ],
        repeat: 2,
      },
    ],
    plan: { ...design.plan, cruiseId: 'summer', season: { ...design.plan.season, runs: 1000 } },
  };
  const lfp: Bank = {
    ...blankBank('house', design.boat.systemV, 'batteries'),
    name: 'House bank, iron phosphate',
    chemistry: 'lfp',
    blockAh: 200,
    strings: 2,
    bms: { overV: 14.8, underV: 10.8, lowChargeC: 0, toleranceV: 0.05, warns: true },
    price: null,
  };
  const regulated: Source = {
    ...alt,
    name: 'Alternator, regulated',
    ratedA: 120,
    regulator: {
      ...alt.regulator,
      staged: true,
      absorptionV: 14.1,
      floatV: 13.4,
      sense: 'the bank',
      sensor: 'on the bank',
      slope: { value: 0, unit: 'mV/°C cell' },
    },
    alternator: alt.alternator && {
      ...alt.alternator,
      excitation: 'external',
      belt: 'multi-rib',
      fieldLimited: true,
      suppressor: true,
      curve: alt.alternator.curve.map((p) => ({ ...p, amps: Math.round((p.amps * 120) / 90) })),
      fit: { ...alt.alternator.fit, pulley: 'multi-rib' },
    },
  };
  const dcdc = { ...blankSource('dcdc', 'DC–DC', design.boat.systemV, 'start'), fromBankId: 'house', ratedA: 20 };
  const b = partsOf({
    ...a,
    banks: [lfp, ...a.banks.slice(1)],
    sources: [
      regulated,
      {
        ...charger,
        regulator: { ...charger.regulator, absorptionV: 14.1, floatV: 13.5, sensor: 'none', slope: { value: 0, unit: 'mV/°C cell' } },
      },
      solar('sun', design, { parallel: 4, wp: 110 }),
      dcdc,
    ],
    joins: [],
  });
  return {
    ...a,
    options: [
      { id: 'optA', name: 'A, as planned', note: '', parts: null },
      { id: 'optB', name: 'B, iron phosphate', note: '', parts: b },
    ],
  };
}

/** Halcyon Drift: 24 V iron phosphate, a regulated alternator, sun on the arch, a DC–DC to the start batteries. */
export function halcyonCharging(design: Design): Design {
  const alt = alternator(
    'alt',
    design,
    100,
    {
      name: 'Second alternator, 24 V',
      loadId: design.loads.find((l) => l.name.startsWith('Alternator'))?.id ?? null,
      mark: "maker's",
      regulator: {
        ...blankSource('x', 'alternator', 24, null).regulator,
        staged: true,
        absorptionV: 28.4,
        floatV: 27,
        sense: 'the bank',
        slope: { value: 0, unit: 'mV/°C cell' },
        sensor: 'on the bank',
      },
    },
    {
      belt: 'multi-rib',
      excitation: 'external',
      fieldLimited: true,
      suppressor: true,
      suppressorPart: { tripV: 36, fuseA: 20, underMainLug: true, lampSeen: true },
      ratio: 2.4,
    },
  );
  const shore = blankSource('shore', 'shore charger', 24, 'house');
  const flat = { ...shore.regulator, absorptionV: 28.4, floatV: 27, slope: { value: 0, unit: 'mV/°C cell' as const } };
  const living = design.living.map(
    ways({
      anchor: [
        span('sun', 'sun', 6, 18, 5.2),
        span('wind', 'wind', 0, 24, 6),
        span('e1', 'engine', 8, 9.5, 1500),
        span('g1', 'generator', 18, 19, 0),
      ],
      passage: [
        span('sun', 'sun', 6, 18, 4.6),
        span('wind', 'wind', 0, 24, 8),
        span('e1', 'engine', 7, 9, 1700),
        span('e2', 'engine', 19, 20.5, 1700),
      ],
    }),
  );
  return {
    ...design,
    living,
    banks: [
      ...design.banks.map((b) => ({ ...b, bms: { overV: 29.6, underV: 21, lowChargeC: 0, toleranceV: 0.1, warns: true } })),
      start('start', design, { series: 2, cca: 680 }),
    ],
    sources: [
      alt,
      {
        ...shore,
        ratedA: 60,
        placeId: 'lazarette',
        loadId: design.loads.find((l) => l.name === 'Shore charger')?.id ?? null,
        regulator: flat,
      },
      {
        ...solar('sun', design, { wp: 200, series: 2, parallel: 3, seriesFuseA: 15, controllerV: 100, controllerA: 50, vocV: 24.1 }),
        regulator: flat,
      },
      { ...blankSource('dcdc', 'DC–DC', 24, 'start'), fromBankId: 'house', ratedA: 10 },
    ],
    engine: { ...design.engine, startBankId: 'start', kw: 55, crankPathMohm: 1.2 },
    cruises: [
      {
        ...blankCruise('ocean', 'Island to island'),
        legs: [
          { id: 'l1', livingId: 'passage', days: 6 },
          { id: 'l2', livingId: 'anchor', days: 12 },
        ],
        repeat: 2,
      },
    ],
    plan: { ...design.plan, cruiseId: 'ocean' },
  };
}
