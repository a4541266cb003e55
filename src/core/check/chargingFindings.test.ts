import { type Bank, blankBank, blankTie, blankSource, type Design, type BankTie, type Source } from '../design';
import { driven, quietBoat, sourceInto } from '../energy/testing';
import { analyse } from '../analysis';

const KINDS = ['bank', 'source', 'join', 'living', 'cruise'];
const chargingFindings = (design: Design) => analyse(design).findings.filter((f) => KINDS.includes(f.about.kind));

const boat = (sources: readonly Source[], change: Partial<Design> = {}): Design => ({ ...quietBoat(), sources, ...change });
const bank = (id: string, change: Partial<Bank> = {}): Bank => ({ ...blankBank(id, 12, null), tempC: 25, ...change });
const two = (tie: Partial<BankTie>, second: Partial<Bank> = {}, sources: readonly Source[] = []): Design =>
  boat(sources, {
    banks: [bank('house'), bank('start', { job: 'start', ...second })],
    joins: [{ ...blankTie('j', 'relay', 12), firstId: 'house', secondId: 'start', ...tie }],
  });
const regulated = (source: Source, change: Partial<Source['regulator']>): Source => ({
  ...source,
  regulator: { ...source.regulator, ...change },
});
const alternator = (change: Partial<NonNullable<Source['alternator']>> = {}, source: Partial<Source> = {}): Source => {
  const blank = sourceInto('alternator');
  return { ...blank, alternator: blank.alternator && { ...blank.alternator, ...change }, ...source };
};
const dcdc = (change: Partial<Source>): Source => ({ ...blankSource('d', 'DC–DC', 12, 'start'), fromBankId: 'house', ...change });
const solar = (change: Partial<NonNullable<Source['solar']>>): Source => {
  const blank = sourceInto('solar');
  return { ...blank, solar: blank.solar && { ...blank.solar, ...change } };
};
const bms = { overV: 14.8, underV: 11, lowChargeC: 0, toleranceV: 0, warns: true };
const petrol = (d: Design): Design => ({ ...d, engine: { ...d.engine, fuel: 'petrol' } });
const selector = (change: Partial<BankTie>, suppressor: boolean): Design =>
  two({ kind: 'selector', ratedA: 300, ...change }, {}, [alternator({ suppressor }, { joinId: 'j' })]);

/** What is wrong, the boat with it, the boat with it put right, and the finding. */
const CASES: readonly (readonly [string, Design, Design, string])[] = [
  ['charges no bank', boat([sourceInto('wind', { bankId: null })]), boat([sourceInto('wind')]), 'no-sink:s-wind'],
  [
    'absorption below rest',
    boat([regulated(sourceInto('shore charger'), { absorptionV: 12.4 })]),
    boat([regulated(sourceInto('shore charger'), { absorptionV: 14.4 })]),
    'low-setpoint:s-shore charger',
  ],
  [
    'float below rest',
    boat([regulated(sourceInto('shore charger'), { floatV: 12.5 })]),
    boat([regulated(sourceInto('shore charger'), { floatV: 13.5 })]),
    'low-float:s-shore charger',
  ],
  [
    'a BMS may open over an alternator without a suppressor',
    { ...quietBoat({ bms }), sources: [alternator({ suppressor: false })] },
    { ...quietBoat({ bms }), sources: [alternator({ suppressor: true })] },
    'dump-bms:s-alternator',
  ],
  ['a DC–DC without input', two({}, {}, [dcdc({ fromBankId: null })]), two({}, {}, [dcdc({})]), 'no-input:d'],
  ['a DC–DC into its own input', two({}, {}, [dcdc({ bankId: 'house' })]), two({}, {}, [dcdc({})]), 'own-input:d'],
  [
    'a DC–DC that stops above where it starts',
    two({}, {}, [dcdc({ dcdc: { startV: 13, stopV: 13.3, efficiency: 0.9 } as Source['dcdc'] })]),
    two({}, {}, [dcdc({ dcdc: { startV: 13.3, stopV: 12.8, efficiency: 0.9 } as Source['dcdc'] })]),
    'dcdc-volts:d',
  ],
  [
    'a curve of two points',
    boat([alternator({ curve: alternator().alternator?.curve.slice(0, 2) ?? [] })]),
    boat([alternator()]),
    'curve:s-alternator',
  ],
  [
    'an alternator that may spark in petrol vapour',
    petrol(boat([alternator({ ignitionProtected: false })])),
    petrol(boat([alternator({ ignitionProtected: true })])),
    'fit-petrol-engine-space:s-alternator',
  ],
  [
    'a selector that may dump its alternator',
    selector({ fieldDisconnect: false }, false),
    selector({ fieldDisconnect: true }, false),
    'dump-selector:s-alternator',
  ],
  [
    'the same, with a suppressor',
    selector({ fieldDisconnect: false }, false),
    selector({ fieldDisconnect: false }, true),
    'dump-selector:s-alternator',
  ],
  [
    'an external regulator told with one voltage',
    boat([regulated(alternator({ excitation: 'external' }), { staged: false })]),
    boat([regulated(alternator({ excitation: 'external' }), { staged: true })]),
    'external-fixed:s-alternator',
  ],
  [
    'an array that is too high on a cold morning',
    boat([solar({ series: 4, coldC: -10 })]),
    boat([solar({ series: 1, coldC: -10 })]),
    'cold-volts:s-solar',
  ],
  [
    'three strings without fuses',
    boat([solar({ parallel: 3, seriesFuseA: null })]),
    boat([solar({ parallel: 3, seriesFuseA: 15 })]),
    'string-fuse:s-solar',
  ],
  ['an array of too few volts', boat([solar({ vmpV: 12 })]), boat([solar({ vmpV: 18 })]), 'solar-volts:s-solar'],
  [
    'a wind generator without a brake',
    boat([{ ...sourceInto('wind'), wind: { ...(sourceInto('wind').wind ?? { curve: [] }), brake: false } as Source['wind'] }]),
    boat([{ ...sourceInto('wind'), wind: { ...(sourceInto('wind').wind ?? { curve: [] }), brake: true } as Source['wind'] }]),
    'brake:s-wind',
  ],
  ['a join of one bank with itself', two({ secondId: 'house' }), two({}), 'join-ends:j'],
  ['a relay that opens above where it closes', two({ openV: 13.6, closeV: 13.2 }), two({ openV: 12.8, closeV: 13.3 }), 'relay-volts:j'],
  ['unlike chemistries tied', two({}, { chemistry: 'lfp' }), two({}), 'mixed:j'],
  ['unlike volts tied', two({}, { series: 2 }), two({}), 'join-volts:j'],
  [
    'more through a join than it bears',
    two({ kind: 'splitter', ratedA: 50 }, {}, [alternator({}, { joinId: 'j', ratedA: 90 })]),
    two({ kind: 'splitter', ratedA: 120 }, {}, [alternator({}, { joinId: 'j', ratedA: 90 })]),
    'join-rating:j',
  ],
  ['a BMS whose limits are crossed', quietBoat({ bms: { ...bms, underV: 15 } }), quietBoat({ bms }), 'bms-volts:house'],
  [
    'a BMS that opens unannounced',
    quietBoat({ chemistry: 'lfp', bms: { ...bms, warns: false } }),
    quietBoat({ chemistry: 'lfp', bms }),
    'bms-warns:house',
  ],
  [
    'strings that share badly',
    quietBoat({ strings: 4, links: { way: 'one end', size: '16', lengthM: 0.5, measured: true } }),
    quietBoat({ strings: 4, links: { way: 'bus bars', size: '16', lengthM: 0.5, measured: true } }),
    'sharing:house',
  ],
  [
    'engine hours that overlap',
    driven(
      quietBoat(),
      [],
      [
        ['engine', 8, 10, 1500],
        ['engine', 9, 11, 1500],
      ],
    ),
    driven(
      quietBoat(),
      [],
      [
        ['engine', 8, 9, 1500],
        ['engine', 9, 11, 1500],
      ],
    ),
    'overlap-engine:day',
  ],
];

const ids = (d: Design) => chargingFindings(d).map((f) => f.id);

test.each(CASES)('%s', (_, wrong, right, id) => {
  expect(ids(wrong)).toContain(id);
  expect(ids(right)).not.toContain(id);
});

test('every finding says why it matters and what to do, and names a thing that is there', () => {
  for (const [, design] of CASES)
    for (const f of chargingFindings(design)) {
      expect(f.title.length).toBeGreaterThan(3);
      expect(f.why).toMatch(/\.$/);
      expect(f.todo).toMatch(/\.$/);
      const rows = [...design.banks, ...design.sources, ...design.joins, ...design.living, ...design.cruises];
      expect(rows.map((r) => r.id)).toContain(f.about.id);
    }
});

test('no finding stands twice', () => {
  for (const [, design] of CASES) {
    const all = ids(design);
    expect(new Set(all).size).toBe(all.length);
  }
});
