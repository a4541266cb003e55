export { AC_CABLES, AC_LEGS, AC_RESTS, AC_SERVICES, AC_SOURCE_KINDS, EARTHINGS, ISOLATIONS, LEAKAGES, SERVICE_V, TRANSFERS } from './ac';
export { AC_APPLIANCES, acLoadFrom } from './acAppliances';
export { type Appliance, APPLIANCES, loadFrom } from './appliances';
export { placesAlongOps, ruleSetOps } from './alongOps';
export { onceFor } from './once';
export { LINK_WAYS, type LinkWay, type Slope, SLOPE_UNITS } from './bankSheet';
export {
  blankBank,
  usualBankPlace,
  blankCircuit,
  blankDesign,
  blankDevice,
  blankFault,
  blankFound,
  blankLoad,
  blankBar,
  blankPanel,
  blankPlace,
  blankRoute,
  defaultHouse,
  UNPINNED,
} from './blank';
export { blankAcCircuit, blankAcLoad, blankAcPanel, blankAcSource } from './blankAc';
export { blankCruise, blankTie, blankLiving, blankSource, blankSpan, engineFor } from './blankCharging';
export { BOAT_KIND_IDS, BOAT_KINDS, type BoatKindId, designOfKind } from './boatKinds';
export { BOUNDS } from './bounds';
export {
  type Card,
  CARD_FIELDS,
  type CardFile,
  CardFileSchema,
  cardFrom,
  cardOps,
  CARDS_FORMAT,
  CardSchema,
  loadsBehind,
  withCard,
} from './cards';
export {
  BELTS,
  EXCITATION,
  TIE_KINDS,
  MOUNTINGS,
  PULLEYS,
  ROTATIONS,
  SELECTOR_POSITIONS,
  SENSE_AT,
  SENSORS,
  SOURCE_KINDS,
  SPAN_KINDS,
  UNKNOWN_FIT,
  WHENS,
} from './charging';
export { cleanText, parseClean } from './clean';
export { asDecided, asFoundDesign, sourcesAboard } from './decided';
export { anotherOutput, furtherOutputs, machineOfOutput, outputA } from './outputs';
export { diffOps } from './diff';
export { type Delta, deltaOf, listDelta, type ListDelta, withDelta, withListDelta } from './delta';
export { addOp, applyEdit, type Conflict, dropOp, dropOps, type Edit, EditSchema, inverseOps, type Op, setOp, valueAt } from './edit';
export {
  parseDuty,
  parseFaults,
  parseRange,
  parseSize,
  parseThrough,
  parseWhen,
  parseWire,
  showDuty,
  showFaults,
  showRange,
  showThrough,
  showWhen,
  showWire,
} from './entries';
export { id, name } from './fields';
export { nameOf } from './nameOf';
export { type NextStep, nextSteps } from './nextSteps';
export { blankGauge, type Gauge, GAUGE_KINDS, GAUGES, type GaugeSettings } from './gauge';
export {
  BACKINGS,
  BEHIND,
  blankFace,
  blankMount,
  type Body,
  type Face,
  FACE_LIES,
  FACES,
  type Mount,
  MOUNT_KINDS,
  type MountKind,
  mountId,
  MOUNTS,
} from './mounting';
export { type Article, ArticleSchema } from './article';
export { type StoreLength, StoreLengthSchema } from './storeLength';
export { type BoatRecord, type KeptRecord, lastMarks, MOST_RECORDS, RECORD_KINDS, RECORDS_AT_ONCE, RecordSchema } from './record';
export type { About, AboutKind, Finding, Severity } from './finding';
export { houseDifferences, type HouseSet, HouseSetSchema } from './houseSets';
export { BAR_KINDS, RAILS, sideOfTie, type TieSide } from './mainSide';
export {
  addRows,
  idsFor,
  moveTap,
  removeLoads,
  removePanel,
  removeSource,
  takeCandidate,
  rowCount,
  shiftedTap,
  tapApart,
  tapHungOn,
  withoutTaps,
  withRows,
  type Rows,
} from './operations';
export { addOptionOps, asOption, onTable, partsOf, switchOps } from './options';
export { brokenReferences, readDesign, readDesignText, type ReadProblem, type ReadResult } from './read';
export {
  type AcCircuit,
  type AcLoad,
  type AcPanel,
  type AcRules,
  type AcSource,
  type Along,
  ALONGS,
  type Bank,
  BANK_JOBS,
  type Bar,
  BEHAVIOURS,
  type Boat,
  CHEMISTRY_IDS,
  type Circuit,
  CONNECTIONS,
  type Cruise,
  DECISIONS,
  type Departure,
  type Design,
  DesignSchema,
  ENCLOSURES,
  EXTENDING,
  type Found,
  type FoundFault,
  FOUND_KINDS,
  type HouseRules,
  HULLS,
  type InlineDevice,
  INSULATIONS,
  type BankTie,
  type BatteryCable,
  type BatteryCableEnd,
  type Living,
  type Load,
  LOAD_GROUPS,
  type Panel,
  type Photo,
  type Place,
  type Plan,
  type Work,
  type Point,
  RESEARCH,
  type Route,
  type Source,
  type SmallLead,
  type Span,
  type Study,
  SUPPLY_CLASSES,
  type Tap,
  VERSION,
  WAY_KINDS,
  type When,
  type WireRule,
} from './schema';
export { equal, share } from './share';
export type { StudyUse } from './study';
export { type BoatState, BoatStateSchema, type BoatSummary } from './summary';
export { rowOf } from './rowOf';
export { type Part, partsRead, type Reads } from './reads';
export { alike, type MachineFigure, machineFigures, rowFollows } from './machineFigures';
export { inACase, joinMachines, untiedChargers, untiedInverters, untiedSources } from './machines';
export {
  addAcSourceOps,
  addInverterChargerOps,
  addLoadsOps,
  addSourceOps,
  andTheirRows,
  chargerRow,
  dcSideOf,
  inverterOf,
  machineOf,
  ofWholeMachines,
  removeMachines,
  sameCaseOps,
} from './machineRows';
export { enclosureOf, IP_CODES, parseIp, waterFigure } from './enclosure';
export { kindByName, kindOf, standsAtItsWork, type LoadKind, LOAD_KINDS } from './loadKind';
export { parseSocket, showSocket, type Socket, UNKNOWN_SOCKET } from './socket';
export { madeUp, SMALL_ENDS, SMALL_PURPOSES, type SmallPurpose } from './smallLead';
export { startBankOf } from './startBank';
export { blocksV, madeForV, nominalVOf } from './volts';
