export { leastBehindBreaker, leastEarth } from './acBreakers';
export { DROP_PCT, TOTAL_DROP_PCT } from './acDrop';
export { acceptanceC, coldAcceptance, TAIL_PCT } from './acceptance';
export { CHEMISTRIES, type Chemistry, CHEMISTRY_SOURCE, type ChemistryId, restV } from './chemistries';
export { AC_COLOURS, EARTH_COLOUR, colourMeaning, type ColourMeaning, positiveColour, type Service, smallColour } from './colours';
export { conditionOf, CONDITIONS } from './conditions';
export {
  AWG_SOURCE,
  type Conductor,
  conductorOfArea,
  AC_JACKET,
  CONDUCTORS,
  findConductor,
  INSULATION_RATINGS,
  METRIC_SOURCE,
  type School,
  underSchool,
} from './conductors';
export { bundleFactor, DERATING_SOURCE, type Enclosure, ENCLOSURE_FACTOR, ENGINE_SPACE, MIN_ENGINE_SPACE_RATING_C } from './derating';
export { AC_FAMILIES, type CurvePoint, DC_FAMILIES, type Family, findFamily, terminalRow } from './devices';
export { type EndRow, ENDS, endTakes, largestAtEnd, studFor } from './ends';
export { BUS_RATINGS_A, BUS_STUDS, OWN_STUD_MM2 } from './busBars';
export { DEVICE_KINDS, type DeviceKind, deviceDropV, deviceOhm, INLINE } from './inline';
export { interruptingMinimumA } from './interrupting';
export { FAMILY_ORDER, NEARLY, RULE_SETS, type RuleSet, WORST_COPPER } from './ruleSets';
export * from './bodies';
export * from './workMinutes';
export { shrinkFor, studName, STUDS, terminalFor, TERMINALS } from './terminals';
export { IN_PLACE, MAKING, type MakingRow, makingOf, pinMm } from './making';
export { JOINTS, type JointSchool, jointSchool, SEALS, type SealSchool, sealSchool, TERMINAL_STYLES } from './makingSchools';
export {
  AMBIENT_C,
  BATTERY_C,
  BREAKER_V,
  CRANK_PCT,
  FUSE_V,
  SMALL_BREAKER_V,
  GIVES_UP_PART,
  HOLD_IN_PART,
  JOINT_OHM,
  PULL_IN_PART,
  RIPPLE,
  SEGMENT_JOINTS_OHM,
  TYPICAL_PATH_OHM,
} from './typical';
export { type Hull, metalOfHull, type PotentialLimits, potentialLimits, UNDERWATER_METALS, type UnderwaterMetal } from './potentials';
