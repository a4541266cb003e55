/** The one table of rules, set by set: a set is asked of one kind of facts. */
import type { Rule, RuleRow } from './rule';
import { BUS_RULES } from './rules/busBars';
import { AC_BOND_RULES } from './rules/acBonds';
import { MACHINE_RULES } from './rules/acMachines';
import { AC_CABLE_RULES } from './rules/acCables';
import { AC_RUN_RULES } from './rules/acRuns';
import { AC_START_RULES } from './rules/acStarts';
import { AC_SOURCE_RULES } from './rules/acSources';
import { MOUNTING_RULES } from './rules/bankMounting';
import { BANK_RULES, TIE_RULES } from './rules/banks';
import { CHARGING_RULES, SETTING_RULES } from './rules/charging';
import { FAILED_RULES } from './rules/circuitFailures';
import { CLEAN_POWER_RULES } from './rules/cleanPower';
import { CIRCUIT_RULES } from './rules/circuits';
import { CIRCUIT_VOLTS_RULES } from './rules/circuitVolts';
import { DESIGN_RULES } from './rules/design';
import { END_RULES } from './rules/ends';
import { AC_MARKED_RULES } from './rules/acMarked';
import { FOUND_COLOUR_RULES } from './rules/foundColours';
import { FOUND_RULES } from './rules/found';
import { MACHINE_ROW_RULES } from './rules/machines';
import { MAIN_SIDE_RULES } from './rules/mainSide';
import { GAUGE_RULES } from './rules/gauges';
import { ISOLATED_RULES, ISOLATED_TIED_RULES } from './rules/isolated';
import { EMERGENCY_RULES, JOINED_RULES } from './rules/joined';
import { LASTING_RULES } from './rules/lasting';
import { MAKER_RULES } from './rules/makers';
import { MOUNTED_RULES } from './rules/mounted';
import { MOTOR_RULES } from './rules/motors';
import { SAFETY_RULES } from './rules/safety';
import { ODDS_RULES } from './rules/odds';
import { SMALL_LEAD_RULES } from './rules/smallLeads';
import { SOCKET_RULES } from './rules/sockets';
import { LINK_RULES } from './rules/links';
import { STRING_RULES } from './rules/strings';
import { STANDING_RULES } from './rules/standing';
import { STUDY_RULES } from './rules/studies';
import { VAPOUR_RULES } from './rules/vapour';
import { COMPASS_RULES, WAY_RULES } from './rules/ways';
import { ASKING_RULES } from './rules/unknown';

export const RULES = {
  design: [
    ...DESIGN_RULES,
    ...MACHINE_ROW_RULES,
    ...SAFETY_RULES,
    ...VAPOUR_RULES,
    ...SOCKET_RULES,
    ...CLEAN_POWER_RULES,
    ...COMPASS_RULES,
    ...FOUND_COLOUR_RULES,
    ...AC_MARKED_RULES,
    ...STRING_RULES,
    ...LINK_RULES,
    ...ASKING_RULES,
  ],
  equipment: [...STANDING_RULES, ...MOUNTING_RULES, ...MOUNTED_RULES],
  circuits: [...CIRCUIT_RULES, ...END_RULES, ...MOTOR_RULES, ...FOUND_RULES, ...WAY_RULES, ...MAKER_RULES],
  'circuit failures': FAILED_RULES,
  'circuit volts': CIRCUIT_VOLTS_RULES,
  charging: [
    ...CHARGING_RULES,
    ...TIE_RULES,
    ...JOINED_RULES,
    ...ISOLATED_RULES,
    ...SMALL_LEAD_RULES,
    ...GAUGE_RULES,
    ...SETTING_RULES,
    ...BANK_RULES,
  ],
  lasting: LASTING_RULES,
  'main side': [...MAIN_SIDE_RULES, ...EMERGENCY_RULES, ...ISOLATED_TIED_RULES],
  AC: [...AC_SOURCE_RULES, ...AC_BOND_RULES, ...AC_CABLE_RULES],
  'AC runs': [...AC_RUN_RULES, ...AC_START_RULES],
  studies: [...STUDY_RULES, ...BUS_RULES],
  'AC machines': MACHINE_RULES,
  odds: ODDS_RULES,
} as const;

export type RuleSet = keyof typeof RULES;
export const RULE_SET_NAMES = Object.keys(RULES) as readonly RuleSet[];

type AnyRule = Rule<never>;
const all = (set: RuleSet): readonly AnyRule[] => RULES[set];

/** Rows as they are written down, with the set each belongs to. */
export const ruleRows = (): readonly (RuleRow & { readonly set: RuleSet })[] =>
  RULE_SET_NAMES.flatMap((set) => all(set).map(({ find: _, cure, ...row }) => ({ ...row, set, curable: cure !== undefined })));

/** Names of a set's rules. */
export const ruleIds = (set: RuleSet): ReadonlySet<string> => new Set(all(set).map((r) => r.id));

/** The row behind a finding. The study of a collapse and the collapse of a circuit are two rows of one name: what it is about tells them apart. */
export function ruleOf(finding: { readonly rule: string; readonly about: { readonly kind: string } }): AnyRule | undefined {
  const rows = RULE_SET_NAMES.flatMap(all).filter((r) => r.id === finding.rule);
  return rows.find((r) => r.about === finding.about.kind) ?? rows[0];
}
