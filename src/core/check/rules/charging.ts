/** Rules on sources, their settings, and the days and cruises they charge through. */
import { arrayFigures, fitLines, pulleyRatio, type SettingName, SETTINGS, settingsMatrix } from '../../charging';
import { type Bank, BOUNDS, type Cruise, type Living, setOp, type Source, rowOf } from '../../design';
import { bankRestV, bankSource } from '../../bank';
import { type Rule, type Said, SOURCES, type Told, when } from '../rule';
import type { ChargingParts } from './reads';

export type ChargingRule = Rule<ChargingParts>;
type Row = Omit<ChargingRule, 'find' | 'about' | 'source'> & { readonly source?: string };

const sourceOf = (design: ChargingParts, id: string) => rowOf(design.sources, id);

/** A rule asked of every source. */
const source = (row: Row, told: (s: Source, design: ChargingParts) => readonly Said[]): ChargingRule => ({
  source: SOURCES.maker,
  ...row,
  about: 'source',
  find: (design) => design.sources.flatMap((s) => told(s, design).map((t) => ({ ...t, id: s.id }))),
});
const living = (row: Row, told: (l: Living) => readonly Said[]): ChargingRule => ({
  source: SOURCES.data,
  ...row,
  about: 'living',
  find: (design) => design.living.flatMap((l) => told(l).map((t) => ({ ...t, id: l.id }))),
});
const cruise = (row: Row, told: (c: Cruise, design: ChargingParts) => readonly Said[]): ChargingRule => ({
  source: SOURCES.data,
  ...row,
  about: 'cruise',
  find: (design) => design.cruises.flatMap((c) => told(c, design).map((t) => ({ ...t, id: c.id }))),
});

const bankOf = (s: Source, design: ChargingParts): Bank | undefined => rowOf(design.banks, s.bankId);
const daysOf = (c: Cruise): number => c.repeat * c.legs.reduce((sum, l) => sum + l.days, 0);
/** Sets a field of the regulator to what the battery wants. */
const regulate =
  (change: (s: Source, bank: Bank) => Partial<Source['regulator']>): NonNullable<ChargingRule['cure']> =>
  (design, { about }) => {
    const s = sourceOf(design, about.id);
    const bank = s && bankOf(s, design);
    return s && bank
      ? Object.entries(change(s, bank)).map(([key, value]) => setOp(design, ['sources', s.id, 'regulator', key], value))
      : null;
  };
const rounded = (volts: number): number => Math.round(10 * volts) / 10;

const DAYS: readonly ChargingRule[] = [
  living(
    {
      id: 'span',
      severity: 'fix',
      reads: ['living.day'],
      when: 'a stretch of the day ends before it begins',
      why: 'It counts for nothing.',
      todo: 'Set its end after its beginning; over midnight, enter two.',
      hazard: 'none',
      confirm: 'nothing',
    },
    (l) =>
      l.day.flatMap((s) =>
        when(s.toH <= s.fromH, () => ({ suffix: `-${s.id}`, title: `${s.what} lasts no time, or ends before it begins` })),
      ),
  ),
  living(
    {
      id: 'overlap',
      severity: 'note',
      reads: ['living.day'],
      when: 'two stretches of one kind overlap',
      why: 'Where two stretches overlap the larger counts.',
      todo: 'Draw them apart.',
      hazard: 'none',
      confirm: 'nothing',
    },
    (l) =>
      [...new Set(l.day.map((s) => s.what))].flatMap((what) => {
        const spans = l.day.filter((s) => s.what === what && s.toH > s.fromH).sort((a, b) => a.fromH - b.fromH);
        const overlaps = spans.some((s, i) => i > 0 && s.fromH < (spans[i - 1]?.toH ?? 0) - 1e-9);
        return when(overlaps, () => ({ suffix: `-${what}`, title: `${what} overlaps itself` }));
      }),
  ),
  cruise(
    {
      id: 'cruise-long',
      severity: 'note',
      reads: ['cruises'],
      when: `a cruise is longer than ${BOUNDS.cruiseDays} days`,
      why: `The first ${BOUNDS.cruiseDays} are calculated.`,
      todo: 'Shorten its legs or repeats.',
      hazard: 'none',
      confirm: 'nothing',
    },
    (c) => when(daysOf(c) > BOUNDS.cruiseDays, () => ({ title: `has ${daysOf(c)} days` })),
  ),
  cruise(
    {
      id: 'cruise-empty',
      severity: 'note',
      reads: ['cruises'],
      when: 'a cruise has no days',
      why: 'There is nothing to calculate.',
      todo: 'Give its legs days in a way of living.',
      hazard: 'none',
      confirm: 'nothing',
    },
    (c) => when(daysOf(c) === 0, () => ({ title: 'has no days' })),
  ),
  cruise(
    {
      id: 'cruise-gone',
      severity: 'fix',
      reads: ['cruises', 'living'],
      when: 'a cruise has days in a way of living that was removed',
      why: 'They are left out.',
      todo: 'Choose another way of living for them.',
      hazard: 'none',
      confirm: 'nothing',
    },
    (c, design) =>
      when(
        c.legs.some((l) => !design.living.some((w) => w.id === l.livingId)),
        () => ({ title: 'has days in a way of living that is gone' }),
      ),
  ),
];

/** Draws from the first bank that it does not charge. */
const fromAnother: ChargingRule['cure'] = (design, { about }) => {
  const other = design.banks.find((b) => b.id !== sourceOf(design, about.id)?.bankId);
  return other ? [setOp(design, ['sources', about.id, 'fromBankId'], other.id)] : null;
};

const COMMON: readonly ChargingRule[] = [
  source(
    {
      id: 'no-sink',
      severity: 'fix',
      reads: ['sources.bankId', 'sources.joinId'],
      when: 'a source charges no bank',
      why: 'It makes nothing.',
      todo: 'Say under Charging which bank it charges.',
      hazard: 'none',
      confirm: 'nothing',
      source: SOURCES.data,
      cure: (design, { about }) => {
        const bank = design.banks.find((b) => b.job === 'house') ?? design.banks[0];
        return bank ? [setOp(design, ['sources', about.id, 'bankId'], bank.id)] : null;
      },
    },
    (s, design) => when(!bankOf(s, design) && s.joinId === null, () => ({ title: 'charges no bank' })),
  ),
  source(
    {
      id: 'low-setpoint',
      severity: 'stop',
      reads: ['sources.regulator.absorptionV', 'banks'],
      when: 'absorption is below the volts of the full bank at rest',
      why: 'It never charges the bank.',
      todo: "Set it as the battery's maker says.",
      hazard: 'none',
      confirm: 'a meter',
      cure: regulate((_, bank) => ({ absorptionV: rounded(bankSource(bank).chargingV) })),
    },
    (s, design) => {
      const bank = bankOf(s, design);
      const b = bank && bankSource(bank);
      const rest = b ? bankRestV(b, 1) : 0;
      return when(b !== undefined && s.regulator.absorptionV <= rest, () => ({
        title: `absorption ${s.regulator.absorptionV} V is below the full bank's ${rest.toFixed(2)} V at rest`,
        todo: `Set it to ${b?.chargingV.toFixed(1) ?? ''} V, or as the battery's maker says.`,
      }));
    },
  ),
  source(
    {
      id: 'low-float',
      severity: 'fix',
      reads: ['sources.regulator.floatV', 'banks'],
      when: 'float is below the volts of a full lead-acid bank at rest',
      why: 'The bank runs down while it floats.',
      todo: 'Raise float as the battery’s maker says.',
      hazard: 'none',
      confirm: 'a meter',
      cure: regulate((_, bank) => ({ floatV: rounded((bankSource(bank).chemistry.floatV * bank.blockV * bank.series) / 12) })),
    },
    (s, design) => {
      const bank = bankOf(s, design);
      const b = bank && bankSource(bank);
      const rest = b ? bankRestV(b, 1) : 0;
      const { absorptionV, floatV, staged } = s.regulator;
      return when(b !== undefined && absorptionV > rest && staged && b.chemistry.leadAcid && floatV <= rest, () => ({
        title: `float ${floatV} V is below the full bank's ${rest.toFixed(2)} V at rest`,
      }));
    },
  ),
  source(
    {
      id: 'dump-bms',
      severity: 'stop',
      reads: ['banks.bms', 'banks.chemistry', 'sources.alternator.suppressor'],
      when: 'a BMS may open over an alternator without a suppressor',
      why: 'Load dump: the alternator destroys its diodes and the electronics on its line.',
      todo: 'A suppressor at the alternator itself, the regulator set below the BMS, and a BMS that warns first.',
      hazard: 'damage',
      confirm: 'eyes',
      source: SOURCES.practice,
      cure: (design, { about }) => [setOp(design, ['sources', about.id, 'alternator', 'suppressor'], true)],
    },
    (s, design) =>
      when(
        (bankOf(s, design)?.bms != null || bankOf(s, design)?.chemistry === 'lfp') && s.kind === 'alternator' && !s.alternator?.suppressor,
        () => ({
          title: 'nothing protects it when the BMS opens',
        }),
      ),
  ),
  source(
    {
      id: 'no-input',
      severity: 'fix',
      reads: ['sources.fromBankId'],
      when: 'a DC–DC charger draws from no bank',
      why: 'It gives nothing.',
      todo: 'Say which bank it draws from.',
      hazard: 'none',
      confirm: 'nothing',
      source: SOURCES.data,
      cure: fromAnother,
    },
    (s, design) => when(s.kind === 'DC–DC' && !design.banks.some((b) => b.id === s.fromBankId), () => ({ title: 'draws from no bank' })),
  ),
  source(
    {
      id: 'own-input',
      severity: 'fix',
      reads: ['sources.fromBankId', 'sources.bankId'],
      when: 'a DC–DC charger draws from the bank it charges',
      why: 'It gives nothing and warms itself.',
      todo: 'Choose two different banks.',
      hazard: 'none',
      confirm: 'nothing',
      source: SOURCES.data,
      cure: fromAnother,
    },
    (s, design) =>
      when(s.kind === 'DC–DC' && s.fromBankId === s.bankId && design.banks.some((b) => b.id === s.fromBankId), () => ({
        title: 'draws from the bank it charges',
      })),
  ),
  source(
    {
      id: 'dcdc-volts',
      severity: 'fix',
      reads: ['sources.dcdc'],
      when: 'a DC–DC charger stops at higher input volts than it starts at',
      why: 'It switches on and off without end.',
      todo: 'Set the stop below the start.',
      hazard: 'none',
      confirm: 'nothing',
      cure: (design, { about }) => {
        const { dcdc } = sourceOf(design, about.id) ?? {};
        return dcdc ? [setOp(design, ['sources', about.id, 'dcdc', 'stopV'], rounded(dcdc.startV - 0.5))] : null;
      },
    },
    (s) =>
      when(s.kind === 'DC–DC' && s.dcdc !== null && s.dcdc.stopV >= s.dcdc.startV, () => ({
        title: 'stops at higher volts than it starts at',
      })),
  ),
];

const FIT_IDS = ['petrol-engine-space'] as const;

const ALTERNATORS: readonly ChargingRule[] = [
  source(
    {
      id: 'curve',
      severity: 'fix',
      reads: ['sources.alternator.curve'],
      when: 'an alternator’s curve has fewer than three points',
      why: 'Between so few points the output is a guess.',
      todo: 'Enter at least three from its maker: rpm and amps.',
      hazard: 'none',
      confirm: 'a meter',
    },
    (s) => {
      const n = s.alternator?.curve.length ?? 3;
      return when(s.kind === 'alternator' && s.alternator !== null && n < 3, () => ({
        severity: n === 0 ? 'fix' : 'note',
        title: `its curve has ${n} point${n === 1 ? '' : 's'}`,
        why: n === 0 ? 'Nothing is known of what it gives.' : 'Between so few points the output is a guess.',
      }));
    },
  ),
  source(
    {
      id: 'fit',
      severity: 'stop',
      reads: ['sources.alternator.fit', 'engine.fit', 'engine.fuel'],
      when: 'an alternator does not fit its engine: mounting, pulley, rotation, speed, or petrol vapour',
      why: 'If it does not match, the job stops on the day.',
      todo: 'Choose another, or the parts that make it fit.',
      hazard: 'explosion',
      confirm: 'eyes',
      cure: (design, { about, id }) =>
        FIT_IDS.some((x) => id.startsWith(`fit-${x}`))
          ? [setOp(design, ['sources', about.id, 'alternator', 'ignitionProtected'], true)]
          : null,
    },
    (s, design) => {
      const { alternator } = s;
      if (s.kind !== 'alternator' || !alternator) return [];
      const top = design.engine.maxRpm * pulleyRatio(alternator);
      return fitLines(design, s).flatMap((line) =>
        when(line.verdict === 'does not fit', () => ({
          suffix: `-${line.what.replaceAll(/[^a-z]+/g, '-')}`,
          severity: line.what === 'petrol engine space' ? 'stop' : 'fix',
          title: `${line.what}: ${line.engine} on the engine, ${line.alternator} on the alternator`,
          ...(line.what.startsWith('highest') ? { why: `It would turn ${Math.round(top)} rpm.` } : {}),
        })),
      );
    },
  ),
  source(
    {
      id: 'dump-selector',
      severity: 'fix',
      reads: ['joins.fieldDisconnect', 'sources.alternator.suppressor', 'sources.joinId'],
      when: 'a selector without a field disconnect may open an alternator without a suppressor',
      why: 'Through OFF the alternator loses its load: diodes and electronics are destroyed.',
      todo: 'A field disconnect on the switch, a suppressor at the alternator, and the caution on the switch.',
      hazard: 'damage',
      confirm: 'eyes',
      source: SOURCES.practice,
      cure: (design, { about }) => [setOp(design, ['sources', about.id, 'alternator', 'suppressor'], true)],
    },
    (s, design) => {
      const selector = design.joins.find((j) => j.id === s.joinId && j.kind === 'selector');
      return when(
        s.kind === 'alternator' && s.alternator !== null && selector !== undefined && !selector.fieldDisconnect && !s.alternator.suppressor,
        () => ({ title: `${selector?.name ?? ''} can open its circuit with the engine running` }),
      );
    },
  ),
  source(
    {
      id: 'external-fixed',
      severity: 'note',
      reads: ['sources.alternator.excitation', 'sources.regulator.staged'],
      when: 'an externally regulated alternator is entered with one voltage',
      why: 'Its regulator could do stages.',
      todo: 'Enter its stages as programmed.',
      hazard: 'none',
      confirm: 'eyes',
      cure: regulate(() => ({ staged: true })),
    },
    (s) =>
      when(s.kind === 'alternator' && s.alternator?.excitation === 'external' && !s.regulator.staged, () => ({
        title: 'externally regulated with one fixed voltage',
      })),
  ),
];

const figuresOf = (s: Source, design: ChargingParts) => s.solar && arrayFigures(s.solar, (14 * design.boat.systemV) / 12);

const SUN_AND_WIND: readonly ChargingRule[] = [
  source(
    {
      id: 'cold-volts',
      severity: 'stop',
      reads: ['sources.solar'],
      when: 'the open volts of an array on the coldest morning reach what its controller takes',
      why: 'It is destroyed at sunrise.',
      todo: 'Fewer in series, or a controller for more volts.',
      hazard: 'fire',
      confirm: 'a meter',
      cure: (design, { about }) => {
        const s = sourceOf(design, about.id);
        const f = s && figuresOf(s, design);
        const most = s?.solar && f ? Math.floor((s.solar.series * (s.solar.controllerV - 0.1)) / f.coldVocV) : 0;
        return most >= 1 ? [setOp(design, ['sources', about.id, 'solar', 'series'], most)] : null;
      },
    },
    (s, design) => {
      const f = figuresOf(s, design);
      return when(s.solar !== null && f !== null && f.coldVocV >= s.solar.controllerV, () => ({
        title: `${f?.coldVocV.toFixed(1) ?? ''} V on a morning of ${s.solar?.coldC ?? 0} °C, the controller takes ${s.solar?.controllerV ?? 0} V`,
      }));
    },
  ),
  source(
    {
      id: 'string-fuse',
      severity: 'fix',
      reads: ['sources.solar.parallel', 'sources.solar.seriesFuseA', 'sources.solar.maxFuseA'],
      when: 'strings in parallel can feed a faulty one with more than its panels bear, without a fuse each: beyond their maker’s fuse, else from three on',
      why: 'The others feed a faulty one: fire.',
      todo: "A fuse in each string, of the panel maker's rating.",
      hazard: 'fire',
      confirm: 'eyes',
      source: SOURCES.dc,
      cure: (design, { about }) => {
        const s = sourceOf(design, about.id);
        const f = s && figuresOf(s, design);
        return f?.stringFuseA != null ? [setOp(design, ['sources', about.id, 'solar', 'seriesFuseA'], Math.ceil(f.stringFuseA))] : null;
      },
    },
    (s, design) => {
      const f = figuresOf(s, design);
      return when(s.solar !== null && f?.stringFuseA != null && s.solar.seriesFuseA === null, () => ({
        title: `${s.solar?.parallel ?? 0} strings in parallel without a fuse each`,
        todo: `A fuse of ${Math.ceil(f?.stringFuseA ?? 0)} A or the panel maker's in each string.`,
      }));
    },
  ),
  source(
    {
      id: 'string-fuse-over',
      severity: 'fix',
      reads: ['sources.solar.seriesFuseA', 'sources.solar.maxFuseA'],
      when: 'the fuse of a string is larger than the panel’s maker allows',
      why: 'The panel burns before the fuse opens.',
      todo: 'The largest its maker allows, or fewer strings in parallel.',
      hazard: 'fire',
      confirm: 'eyes',
      source: SOURCES.maker,
      cure: (design, { about }) => {
        const max = sourceOf(design, about.id)?.solar?.maxFuseA;
        return max == null ? null : [setOp(design, ['sources', about.id, 'solar', 'seriesFuseA'], max)];
      },
    },
    ({ solar }) =>
      when(solar !== null && solar.maxFuseA !== null && (solar.seriesFuseA ?? 0) > solar.maxFuseA, () => ({
        title: `string fuses of ${solar?.seriesFuseA ?? 0} A, the panel takes ${solar?.maxFuseA ?? 0} A at most`,
      })),
  ),
  source(
    {
      id: 'solar-volts',
      severity: 'fix',
      reads: ['sources.solar.vmpV', 'sources.solar.series', 'banks'],
      when: 'an array works at too few volts to charge its bank',
      why: 'The controller needs some volts above the bank.',
      todo: 'More panels in series.',
      hazard: 'none',
      confirm: 'a meter',
      cure: (design, { about }) => {
        const s = sourceOf(design, about.id);
        const f = s && figuresOf(s, design);
        return s?.solar && f ? [setOp(design, ['sources', about.id, 'solar', 'series'], s.solar.series + 1)] : null;
      },
    },
    (s, design) => {
      const f = figuresOf(s, design);
      const bank = bankOf(s, design);
      const needs = bank ? bankSource(bank).chargingV : design.boat.systemV;
      return when(f !== null && f.vmpV <= needs, () => ({ title: `works at ${f?.vmpV.toFixed(1) ?? ''} V, too little to charge` }));
    },
  ),
  source(
    {
      id: 'brake',
      severity: 'fix',
      reads: ['sources.wind.brake'],
      when: 'a wind generator has no brake',
      why: 'It cannot be stopped in a gale, nor worked on.',
      todo: 'Fit a brake switch that shorts it only as its maker allows.',
      hazard: 'damage',
      confirm: 'eyes',
      cure: (design, { about }) => [setOp(design, ['sources', about.id, 'wind', 'brake'], true)],
    },
    (s) => when(s.wind !== null && !s.wind.brake, () => ({ title: 'has no brake' })),
  ),
];

const SETTING_WHEN: Readonly<Record<SettingName, string>> = {
  absorption: 'absorption volts are not the battery maker’s',
  'time and tail': 'absorption ends too early or too late for the battery',
  float: 'float volts are not the battery maker’s',
  equalise: 'equalising is on where the battery must not have it, or off where it wants it',
  slope: 'the temperature slope is not the battery’s',
  sensor: 'a setpoint follows the temperature without a sensor on the bank',
  'largest current': 'the sources together give more than the battery takes',
  BMS: 'a setpoint is too near to where the BMS opens',
};

/** One rule for each column of the settings matrix. */
const settings = (name: SettingName): ChargingRule => ({
  id: `set-${name.replaceAll(' ', '-')}`,
  about: 'source',
  severity: 'stop',
  reads: ['sources.regulator', 'banks.sheet', 'banks.bms'],
  when: SETTING_WHEN[name],
  why: 'One source set wrong spoils the bank.',
  todo: "Set it as the battery's maker says.",
  hazard: 'damage',
  confirm: 'a meter',
  source: SOURCES.maker,
  find: (design) =>
    settingsMatrix(design).flatMap((row) =>
      row.settings.flatMap((s): readonly Told[] =>
        when(s.name === name && (s.verdict === 'stop' || s.verdict === 'fix'), () => ({
          id: row.source.id,
          severity: s.verdict === 'stop' ? 'stop' : 'fix',
          title: `${s.name}: ${s.now}, ${row.bank.name} wants ${s.wanted}`,
          todo: `${s.change.charAt(0).toUpperCase()}${s.change.slice(1)}.`,
        })),
      ),
    ),
});

export const CHARGING_RULES: readonly ChargingRule[] = [...DAYS, ...COMMON, ...ALTERNATORS, ...SUN_AND_WIND];
export const SETTING_RULES: readonly ChargingRule[] = SETTINGS.map(settings);
