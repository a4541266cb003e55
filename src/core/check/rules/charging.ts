/** Rules on sources of every kind and their settings, and all rules on charging in their order. */
import { type SettingName, SETTINGS, settingsMatrix } from '../../charging';
import { furtherOutputs, machineOfOutput, setOp } from '../../design';
import { bankRestV, bankSource } from '../../bank';
import { SOURCES, type Told, when } from '../rule';
import { bankOf, type ChargingRule, regulate, rounded, source, sourceOf } from './chargingRule';
import { ALTERNATOR_RULES } from './alternators';
import { DAY_RULES } from './days';
import { SUN_AND_WIND_RULES } from './sunAndWind';

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
      id: 'outputs-untold',
      severity: 'note',
      reads: ['sources.charger.outputs', 'sources.outputOf'],
      when: 'a charger has more terminals for batteries than outputs that are entered',
      why: 'Nobody can say whether another battery is charged, and whether its lead has a fuse.',
      todo: 'Charging: "another output" for each that is used, or the number of terminals used.',
      hazard: 'none',
      confirm: 'eyes',
      source: SOURCES.data,
    },
    (s, { sources }) => {
      const free = s.outputOf === null && s.charger ? s.charger.outputs - 1 - furtherOutputs(sources, s.id).length : 0;
      return when(free > 0, () => ({ title: `where ${free} of its ${s.charger?.outputs ?? 0} outputs lead is not entered` }));
    },
  ),
  source(
    {
      id: 'outputs-many',
      severity: 'fix',
      reads: ['sources.charger.outputs', 'sources.outputOf'],
      when: 'more outputs of a charger are used than it has terminals',
      why: 'Two batteries on one terminal are one battery: the better one is drained into the other.',
      todo: 'Correct the number of terminals, or join the batteries by what parts them again.',
      hazard: 'damage',
      confirm: 'eyes',
      source: SOURCES.data,
    },
    (s, { sources }) => {
      const used = 1 + furtherOutputs(sources, s.id).length;
      return when(s.charger !== null && s.outputOf === null && used > s.charger.outputs, () => ({
        title: `has ${s.charger?.outputs ?? 0} terminals for batteries, ${used} outputs are entered`,
      }));
    },
  ),
  source(
    {
      id: 'output-apart',
      severity: 'fix',
      reads: ['sources.outputOf'],
      when: 'a source is an output of a charger that is gone',
      why: 'It has no AC side and no negative: nothing is known of what feeds it.',
      todo: 'Remove it, or make it a machine of its own.',
      hazard: 'none',
      confirm: 'nothing',
      source: SOURCES.data,
      cure: (design, { about }) => [setOp(design, ['sources', about.id, 'outputOf'], null)],
    },
    (s, { sources }) => when(s.outputOf !== null && machineOfOutput(sources, s) === s, () => ({ title: 'is an output of what is gone' })),
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

/** Sets what the column says, where a figure of the regulator sets it right: how much a machine gives is its own. */
const setAs =
  (name: SettingName): NonNullable<ChargingRule['cure']> =>
  (design, { about }) => {
    const edit = settingsMatrix(design)
      .find((row) => row.source.id === about.id)
      ?.settings.find((s) => s.name === name)?.edit;
    return edit ? Object.entries(edit).map(([key, value]) => setOp(design, ['sources', about.id, 'regulator', key], value)) : null;
  };

/** One rule for each column of the settings matrix. */
const settings = (name: SettingName): ChargingRule => ({
  id: `set-${name.replaceAll(' ', '-')}`,
  about: 'source',
  severity: 'stop',
  reads: ['sources.regulator', 'banks.sheet', 'banks.bms', 'banks.tempC', 'banks.placeId', 'places.ambientC'],
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
  ...(name === 'largest current' ? {} : { cure: setAs(name) }),
});

export const CHARGING_RULES: readonly ChargingRule[] = [...DAY_RULES, ...COMMON, ...ALTERNATOR_RULES, ...SUN_AND_WIND_RULES];
export const SETTING_RULES: readonly ChargingRule[] = SETTINGS.map(settings);
