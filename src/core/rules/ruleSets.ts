/** Rule sets of the two schools and the house rules that may override them. Data, not code. */
import type { School } from './conductors';

/** Copper at the tables' hottest over copper at 20 degC, where the worst case is asked for. */
export const WORST_COPPER = 1.1;

export interface RuleSet {
  readonly school: School;
  readonly name: string;
  /** Distance from source within which protection must stand, m. */
  readonly protectionWithinM: { readonly bare: number; readonly sheathedFromBattery: number; readonly sheathedElsewhere: number };
  readonly mechanicalMin: { readonly single: string; readonly sheathed: string };
  /** Conventional fusing current must stay below this multiple of ampacity; null: the school has no such rule. */
  readonly fusingCurrentFactor: number | null;
  readonly interruptingTable: boolean;
  /** Factor on the copper's resistance at 20 degC, where the house rules say nothing. */
  readonly worstCaseCopper: number;
  readonly source: string;
}

export const RULE_SETS: Readonly<Record<School, RuleSet>> = {
  awg: {
    school: 'awg',
    name: 'AWG, North American small craft',
    protectionWithinM: { bare: 0.18, sheathedFromBattery: 1.83, sheathedElsewhere: 1.02 },
    mechanicalMin: { single: '16', sheathed: '18' },
    fusingCurrentFactor: null,
    interruptingTable: true,
    worstCaseCopper: WORST_COPPER,
    source: 'North American small-craft practice (ABYC E-11); verify against the edition in force',
  },
  metric: {
    school: 'metric',
    name: 'mm², ISO small craft',
    protectionWithinM: { bare: 0.2, sheathedFromBattery: 1.8, sheathedElsewhere: 1.8 },
    mechanicalMin: { single: '1', sheathed: '0.75' },
    fusingCurrentFactor: 1.45,
    interruptingTable: false,
    worstCaseCopper: 1,
    source: 'ISO small-craft practice (ISO 13297); verify against the edition in force',
  },
};

/** Families of a bus, where a panel's feeder starts, in order. */
const FEEDER = ['blade', 'panel-breaker', 'maxi-blade', 'strip-SF30', 'strip-SF51', 'strip-link', 'class-T', 'surface-breaker', 'nh00-gG'];
const SMALL = 'cartridge-10x38';

/** Which families the application tries, in order, where the place does not fix one: the first that suits is taken. bus: of loads, small ones too. */
/** A short is known no better than the bank's resistance: what a typical one refuses by less than this part, its maker's figure may allow (M5). */
export const NEARLY = 1.5;
export const FAMILY_ORDER: Readonly<Record<'bank' | 'feeder' | 'bus', readonly string[]>> = {
  bank: ['terminal-cube', 'strip-SF51', 'strip-link', 'class-T', 'surface-breaker', 'nh00-gG', SMALL],
  feeder: [...FEEDER, SMALL],
  bus: [...FEEDER.slice(0, 2), SMALL, ...FEEDER.slice(2)],
};
