/** House rules as named sets of a firm, and how a boat's differ from her rule set's. */
import * as v from 'valibot';
import { defaultHouse } from './blank';
import { type HouseRules, HouseSchema } from './schema';
import { id, name } from './fields';
import { equal } from './share';
import type { School } from '../rules';

export const HouseSetSchema = v.object({ id, name, school: v.picklist(['awg', 'metric']), house: HouseSchema });
export type HouseSet = v.InferOutput<typeof HouseSetSchema>;

export const HOUSE_WORDS: Readonly<Record<keyof HouseRules, string>> = {
  protectionOverLoad: 'device over load, ×',
  protectionOverLoadMost: 'device over load, at most, ×',
  continuousAmpacity: 'ampacity over loads of 3 h and more, ×',
  roundUpToNext: 'next standard rating up to 1.5 × ampacity',
  thermalInHeat: 'thermal devices at 80 % in a hot place',
  bundleDc: 'DC conductors count as bundled',
  criticalDropPct: 'drop of critical loads, %',
  generalDropPct: 'drop of general loads, %',
  feederDropPct: 'drop of a feeder on its own, %',
  surgeVoltsPct: 'least volts at a start, % of nominal',
  strictDrop: 'critical loads held to their limit over the whole path',
  worstCaseCopper: 'worst-case copper, × 1.10',
  functionColours: 'colours by function',
  negative: 'colour of the DC negative',
  minElectronics: 'least size for electronics',
  insulationC: 'insulation rating, °C',
  crossLinked: 'cross-linked insulation',
  terminalC: 'terminals good for, °C',
  postC: 'battery posts good for, °C',
  upsizeForTerminals: 'terminal heat sizes the conductor',
  slackM: 'slack at each end, m',
  openSlackM: 'more slack at a panel that opens, m',
  joint: 'how ends are made',
  seal: 'how ends are sealed',
  terminals: 'terminals of light conductors',
  largestCrimp: 'largest size the firm’s tools crimp',
  wastePct: 'waste when ordering, %',
  spareFillPct: 'of a conduit kept free, %',
  drawLines: 'a cord left in every conduit',
  diversity: 'diversity of feeders',
  studySoc: 'state of charge of the study',
  lowVoltsPct: 'lowest bank volts, % of nominal',
};

export interface HouseDifference {
  readonly key: keyof HouseRules;
  readonly what: string;
  readonly own: string;
  readonly ruleSet: string;
}

const shown = (value: HouseRules[keyof HouseRules]): string => {
  if (value === null) return "the rule set's";
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  return typeof value === 'object' ? `${value.size} ${value.school === 'awg' ? 'AWG' : 'mm²'}` : String(value);
};

/** House rules that are not the rule set's own, with both values. */
export function houseDifferences(house: HouseRules, school: School): HouseDifference[] {
  const standard = defaultHouse(school);
  return (Object.keys(HOUSE_WORDS) as (keyof HouseRules)[])
    .filter((key) => !equal(house[key], standard[key]))
    .map((key) => ({ key, what: HOUSE_WORDS[key], own: shown(house[key]), ruleSet: shown(standard[key]) }));
}
