export { dcdcInputA } from './dcdc';
export { ALTERNATOR_EFFICIENCY, alternatorAt, beltA, cutInRpm, FUEL_L_PER_KWH, labelCurve, monotone, pulleyRatio } from './alternator';
export { acVolts, chargerAcA, chargerAmps, chargingV } from './charger';
export { compensatedV } from './compensation';
export { sheetLines } from './programming';
export { setpointV } from './setpoint';
export {
  ABSORPTION_RIGHT_V,
  BMS_ROOM_V,
  FLOAT_RIGHT_V,
  FROM_C,
  highestV,
  senseErrorV,
  type Setting,
  type SettingName,
  SETTINGS,
  settingsMatrix,
  type SettingsRow,
  TO_C,
} from './settings';
export {
  endsElsewhere,
  missingLeads,
  senseDropV,
  smallLeadResult,
  smallLeadResults,
  type SmallLeadParts,
  type SmallLeadResult,
} from './smallLeads';
export { arrayFigures } from './solar';
export { beltLengthMm, beltRangeMm } from './belt';
export { type OldLead, oldLeads } from './oldLeads';
export { fitLines, swapLines } from './swap';
