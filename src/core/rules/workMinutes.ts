/** Minutes of one practised pair of hands, medians. Typical; a firm's own hours differ, and its log corrects them. */

/** Kinds of work that are learned of together. */
export const WORK_KINDS = [
  'ends',
  'land and torque',
  'pull',
  'support',
  'holes and glands',
  'devices and panels',
  'machines',
  'strip-out',
  'survey and drawings',
  'access',
  'temporary feeds',
  'tests',
  'photographs and labels',
  'isolate and prove',
  'tidy',
  'faults found',
] as const;
export type WorkKind = (typeof WORK_KINDS)[number];

/** A metre of run. open: everything pulled together. */
export const PULL_MIN_PER_M = { open: 2, conduit: 3, insulated: 2, 'engine space': 6 } as const;
/** As hours are estimated: behind joinery, in the bilge and up a mast it is slower than cures are compared by. */
export const PULL = { open: 2, conduit: 3, joinery: 5, 'engine space': 6, bilge: 6, mast: 10 } as const;
/** Landed and torqued. */
export const END_MIN = 3;
export const DEVICE_MIN = 15;
/** Cut out and hung. */
export const PANEL_MIN = 120;
export const CLIP_MIN = 1;
/** From support to support, m. */
export const CLIP_EVERY_M = 0.45;
export const HOLE_MIN = 20;
export const GLAND_MIN = 15;
export const BUS_BAR_MIN = 20;
export const SHUNT_MIN = 120;
export const MACHINE_MIN = 150;
export const INLET_MIN = 120;
export const ALTERNATOR_MIN = 180;
export const STRIP_MIN_PER_M = 1.5;
export const STRIP_MIN = 10;
export const SURVEY_MIN = 10;
export const DRAWING_MIN = 5;
export const ACCESS_MIN = 15;
export const TEMPORARY_MIN = 30;
export const TEST_MIN = { 'DC circuit': 5, 'heavy path part': 6, 'AC circuit': 15 } as const;
export const PHOTOGRAPH_MIN = 10;
export const ISOLATE_MIN = 20;
export const TIDY_MIN = 45;
/** Share of all else. */
export const FAULTS_SHARE = 0.05;

/** Spread of the logarithm of minutes: of a kind on its own, and of the whole job. */
export const SPREAD_OF_KIND = 0.35;
export const SPREAD_OF_JOB = 0.25;
