import { ALTERNATOR_CHECK } from './alternator';
import { INVERTER_CHECK } from './inverter';
import { SHORE_CHECK } from './shore';

export type { Question, QuickAnswer, QuickCheck, QuickLine, Typed } from './question';
/** The three a practitioner does on any boat. */
export const QUICK_CHECKS = [INVERTER_CHECK, SHORE_CHECK, ALTERNATOR_CHECK] as const;
