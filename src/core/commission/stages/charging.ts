/** Stage 4: what charges. */
import { bankSource } from '../../bank';
import { alternatorAt, compensatedV } from '../../charging';
import { type Design, rowOf, type Source } from '../../design';
import { show } from '../../quantity';
import { bandOf, clamp, even, meter } from '../band';
import { type Conditions, degrees, line, type TestLine } from '../line';

export function charging(design: Design, given: Conditions): TestLine[] {
  return design.sources
    .filter((s) => s.outputOf === null)
    .flatMap((s) => {
      const bank = rowOf(design.banks, s.bankId);
      const times = bank ? bankSource(bank).nominalV / 12 : design.boat.systemV / 12;
      const volts = compensatedV(s.regulator.absorptionV, s, bank, given.ambientC);
      const alternator = s.kind === 'alternator';
      return [
        ...(s.kind === 'solar' && s.solar
          ? [
              line(4, {
                id: `array.${s.id}`,
                what: `open volts of ${s.name}`,
                state: 'array disconnected from its controller',
                probes: 'positive to negative of the array',
                unit: 'V' as const,
                band: bandOf(s.solar.vocV * s.solar.series, [
                  even('temperature', (Math.abs(s.solar.vocPctPerC) / 100) * 20 * s.solar.vocV * s.solar.series),
                  even('its maker', 0.05 * s.solar.vocV * s.solar.series),
                ]),
                limit: { least: null, most: s.solar.controllerV },
                working: `${s.solar.series} in series of ${s.solar.vocV} V`,
                hazard: 'An array is live whenever there is light: it cannot be switched off, only covered.',
                outside: 'Crossed polarity kills the controller: prove it before it is plugged.',
              }),
            ]
          : []),
        line(4, {
          id: `absorbs.${s.id}`,
          what: `absorption volts of ${s.name}`,
          state: alternator ? 'engine at cruising speed, after half an hour, machine warm' : 'after bulk, amps falling',
          probes: bank ? `at the posts of ${bank.name}` : 'at its bank',
          unit: 'V',
          band: bandOf(volts, [even('regulator', 0.1 * times), meter(volts, 0.01)]),
          working: `set to ${s.regulator.absorptionV.toFixed(2)} V${volts !== s.regulator.absorptionV ? `, ${volts.toFixed(2)} V at ${show(given.ambientC, 'C', design.boat)}` : ''}`,
          hazard: alternator ? 'Belt and fan: sleeves and hair. Never open its cable while it turns.' : '',
          outside: 'Sensed elsewhere than thought, a sensor missing, or set otherwise.',
        }),
        ...(alternator && s.alternator
          ? alternatorLines(design, s, s.alternator)
          : [
              line(4, {
                id: `gives.${s.id}`,
                what: `largest amps of ${s.name}`,
                state: s.kind === 'solar' ? 'full sun, bank not full' : 'bank at 60 % or less',
                probes: 'clamp round its positive',
                unit: 'A' as const,
                band: bandOf(s.ratedA, [
                  even(s.kind === 'solar' ? 'sun' : 'its curve', (s.kind === 'solar' ? 0.5 : 0.15) * s.ratedA),
                  even('clamp', clamp(s.ratedA)),
                ]),
                working: `${s.ratedA} A as rated`,
                outside: 'Its input, its settings; or the bank takes no more: read its volts too.',
              }),
            ]),
        ...regulatorLines(design, s, bank?.name ?? 'its bank', given),
        ...(s.dcdc ? converterLines(s, s.dcdc) : []),
      ];
    });
}

/** Engine speeds an alternator is tried at. */
const SPEEDS = [
  ['idle', 800],
  ['cruising', 1800],
  ['fast', 2600],
] as const;
/** Two sigma of a curve between its points, and of what heat takes. Ours. */
const CURVE = 0.2;

function alternatorLines(design: Design, s: Source, a: NonNullable<Source['alternator']>): TestLine[] {
  const volts = design.boat.systemV;
  return [
    line(4, {
      id: `first.${s.id}`,
      what: `first start of ${s.name}: lamp goes out, belt runs true, no smell, amps come up slowly`,
      state: 'new machine, first start; its main cable and its load-dump part on',
      probes: 'eyes, ears and nose; a clamp round its positive',
      unit: 'seen',
      hazard: 'Belt and fan: sleeves and hair. Its cable is never opened while it turns.',
      outside: 'Stop the engine; lamp lit: excitation; squeal: belt or too many amps for it.',
    }),
    ...SPEEDS.map(([name, rpm]) => {
      const { hotA, labelA } = alternatorAt(a, volts, rpm, 0, Infinity);
      return line(4, {
        id: `speed.${name}.${s.id}`,
        what: `amps of ${s.name} at ${rpm} rpm of the engine, hot`,
        state: 'bank at 60 % or less, half an hour in; volts at its post and at the bank written beside',
        probes: 'clamp round its positive',
        unit: 'A',
        band: bandOf(hotA, [even('its curve and heat', CURVE * Math.max(hotA, 0.2 * s.ratedA)), even('clamp', clamp(hotA))]),
        working: `${labelA.toFixed(0)} A by its curve, hot ${hotA.toFixed(0)} A`,
        hazard: 'Belt and fan: sleeves and hair.',
        outside: 'Less at every speed: field or a diode; less when hot only: air; less at low speed: pulleys.',
      });
    }),
    ...(a.tacho
      ? [
          line(4, {
            id: `tacho.${s.id}`,
            what: `rev counter against a hand-held one, ${s.name}`,
            state: 'engine at cruising speed',
            probes: 'optical rev counter on the crank pulley',
            unit: 'seen',
            outside: 'Set for its poles and pulleys anew.',
          }),
        ]
      : []),
  ];
}

/** What it goes through, and what its sensor reads. */
function regulatorLines(design: Design, s: Source, bank: string, given: Conditions): TestLine[] {
  const { unit, at, by } = degrees(design);
  return [
    line(4, {
      id: `stages.${s.id}`,
      what: `${s.name} ${s.regulator.staged ? 'goes from bulk to absorption to float' : 'holds its one voltage as its amps fall'}: minutes, amps, volts and lamps written down`,
      state: 'from a bank at 60 % until it is full',
      probes: 'its lamps, a clamp, the posts',
      unit: 'seen',
      working: s.regulator.staged
        ? `absorption ${s.regulator.absorptionV} V, float ${s.regulator.floatV} V${s.regulator.tailA === null ? '' : `, until ${s.regulator.tailA} A`}, ${s.regulator.maxMin} min at the most`
        : `${s.regulator.absorptionV} V`,
      outside: 'It stays in a stage: sense, sensor, settings; a bank that never fills.',
    }),
    ...(s.regulator.sensor === 'on the bank'
      ? [
          line(4, {
            id: `sensor.${s.id}`,
            what: `what the temperature sensor of ${s.name} reads`,
            state: 'bank at rest',
            probes: `the regulator’s own menu, against a thermometer on ${bank}`,
            unit,
            band: bandOf(at(given.ambientC), [even('bank against air', by(5)), even('sensor', by(2))]),
            working: 'as warm as its bank',
            outside: 'Loose, on another battery, or its lead is cut: charging volts are wrong by what it reads wrong.',
          }),
        ]
      : []),
  ];
}

const converterLines = (s: Source, { startV, stopV }: NonNullable<Source['dcdc']>): TestLine[] =>
  (
    [
      ['on', startV, 'rising'],
      ['off', stopV, 'falling'],
    ] as const
  ).map(([does, volts, way]) =>
    line(4, {
      id: `dcdc.${does}.${s.id}`,
      what: `${s.name} goes ${does} at the bank it takes from`,
      state: `volts of that bank ${way} slowly`,
      probes: 'at the converter’s input terminals',
      unit: 'V',
      band: bandOf(volts, [even('its maker', 0.1 * (volts / 12.8)), meter(volts, 0.01)]),
      working: `set to ${volts} V`,
      outside: 'It runs the start bank flat, or never runs: settings, and volts lost before it.',
    }),
  );

/** Each bank charged for the first time, and its resistance with a known load. */
export function banksCharged(design: Design): TestLine[] {
  return design.banks.flatMap((b) => {
    const { ohm, nominalV } = bankSource(b);
    const amps = Math.max(5, Math.round(b.blockAh * b.strings * 0.1));
    const mohm = 1000 * ohm;
    const [up, down] = b.sheet.mohm === null ? [TYPICAL_UP, TYPICAL_DOWN] : [SHEET_SPREAD, SHEET_SPREAD];
    return [
      line(4, {
        id: `firstfull.${b.id}`,
        what: `first full charge of ${b.name}: date codes, hours, amps at the end written down`,
        state: 'from as delivered until its amps have fallen',
        probes: 'gauge or clamp, posts',
        unit: 'seen',
        outside: 'A block that stays behind is sent back now, not next year.',
      }),
      line(4, {
        id: `bankohm.${b.id}`,
        what: `fall of ${b.name} at its posts as a load goes on`,
        state: `rested, ${nominalV} V loads off; then about ${amps} A for ten seconds, read before and during`,
        probes: `post to post of ${b.name}: before less during`,
        unit: 'mV',
        working: `${mohm.toFixed(2)} mΩ, ${b.sheet.mohm === null ? 'typical' : 'its sheet or measured'}`,
        outside: 'Much more: a weak block or a bad link; link by link, then block by block.',
        drop: {
          atA: amps,
          elements: [
            {
              id: b.id,
              what: `${b.name} itself`,
              kind: 'device',
              mohm,
              up: up * mohm,
              down: down * mohm,
              from: 'its negative post',
              to: 'its positive post',
              circuitId: '',
              lengthM: null,
              shared: null,
            },
          ],
        },
        band: null,
      }),
    ];
  });
}
/** Two sigma of a bank's resistance: typical of its kind, and its sheet's or measured. */
const TYPICAL_UP = 1;
const TYPICAL_DOWN = 0.5;
const SHEET_SPREAD = 0.3;
