/** Small leads worked out: how long, how thick, what is lost in them, and which their sources want (docs/methods.md, "Small leads"). */
import { ampacityA, conductorOhm, derate } from '../conductor';
import { bankTempC, cellsOf, chemistryOf } from '../bank';
import { type Design, madeUp, rowOf, type SmallLead, type SmallPurpose, type Source } from '../design';
import { AMBIENT_C, type Conductor, CONDUCTORS, findConductor, RULE_SETS } from '../rules';
import { panelPoint, pathM, placePoint } from '../topology';

export type SmallLeadParts = Pick<Design, 'banks' | 'boat' | 'house' | 'panels' | 'places' | 'sources' | 'smallLeads'>;

export interface SmallLeadResult {
  readonly lead: SmallLead;
  readonly source: Source | undefined;
  readonly lengthM: number;
  readonly taped: boolean;
  /** null: its maker's own cable. */
  readonly conductor: Conductor | null;
  /** What it bears in the hotter of its two places, A; Infinity of a maker's own. */
  readonly izA: number;
  readonly amps: number;
  /** In the one conductor, warm, V. */
  readonly dropV: number;
}

/** Amps of a purpose where nobody gives them: typical, ours. A lamp of 3 W excites; an external regulator's feed carries the field. */
const TYPICAL_A: Readonly<Record<SmallPurpose, number>> = {
  sense: 0.02,
  excitation: 0.25,
  'charge lamp': 0.25,
  tachometer: 0.02,
  temperature: 0,
  data: 0.1,
  'gauge supply': 0.05,
};
const FIELD_A = 5;

const placeOf = (design: SmallLeadParts, { to }: SmallLead): string | null => {
  if (!to) return null;
  if (to.kind === 'place') return to.id;
  return (to.kind === 'bank' ? rowOf(design.banks, to.id) : rowOf(design.panels, to.id))?.placeId ?? null;
};

export function smallLeadResult(design: SmallLeadParts, lead: SmallLead): SmallLeadResult {
  const { ruleSet } = design.boat;
  const source = rowOf(design.sources, lead.sourceId);
  const near = source?.placeId ?? null;
  const far = placeOf(design, lead);
  const panel = lead.to?.kind === 'panel' ? rowOf(design.panels, lead.to.id) : undefined;
  const farPoint = panel ? panelPoint(design, panel) : placePoint(design, far);
  const estimatedM = pathM(placePoint(design, near), farPoint, design.house.slackM);
  const lengthM = lead.lengthM ?? estimatedM;
  const typicalA = lead.purpose === 'excitation' && source?.alternator?.excitation === 'external' ? FIELD_A : TYPICAL_A[lead.purpose];
  const amps = lead.amps ?? typicalA;
  const least = findConductor(ruleSet, RULE_SETS[ruleSet].mechanicalMin.single) ?? CONDUCTORS[ruleSet][0];
  const conductor = madeUp(lead.purpose) ? null : ((lead.size && findConductor(lead.size.school, lead.size.size)) ?? least ?? null);
  const places = [near, far].flatMap((id) => rowOf(design.places, id) ?? []);
  const around = places.length > 0 ? places : [{ ambientC: AMBIENT_C, engineSpace: false, wet: false }];
  const laying = { insulationC: design.house.insulationC, bundled: 2, enclosure: 'open' as const };
  const izA = conductor ? Math.min(...around.map((p) => ampacityA(conductor, derate(ruleSet, laying, p)))) : Infinity;
  const warmC = Math.max(...around.map((p) => p.ambientC));
  return {
    lead,
    source,
    lengthM,
    taped: lead.lengthM !== null,
    conductor,
    izA,
    amps,
    dropV: conductor ? amps * conductorOhm(conductor.r20OhmPerKm, lengthM, warmC) : 0,
  };
}

export const smallLeadResults = (design: SmallLeadParts): SmallLeadResult[] => design.smallLeads.map((l) => smallLeadResult(design, l));

/** Purposes a source wants a lead for, as it is regulated. */
export function wantedLeads({ alternator, regulator }: Source): SmallPurpose[] {
  const threeWire = alternator !== null && alternator.excitation !== 'one-wire';
  return [
    ...(threeWire && regulator.sense === 'the bank' ? (['sense'] as const) : []),
    ...(threeWire ? (['excitation'] as const) : []),
    ...(alternator?.tacho ? (['tachometer'] as const) : []),
    ...(regulator.sensor === 'on the bank' ? (['temperature'] as const) : []),
  ];
}

/** A charge lamp excites as well. */
const serves = (is: SmallPurpose, wanted: SmallPurpose): boolean => is === wanted || (is === 'charge lamp' && wanted === 'excitation');

/** Those it wants and that are not entered. */
export const missingLeads = ({ smallLeads }: Pick<Design, 'smallLeads'>, source: Source): SmallPurpose[] =>
  wantedLeads(source).filter((p) => !smallLeads.some((l) => l.sourceId === source.id && serves(l.purpose, p)));

/** What the sense lead itself takes: the regulator reads so much less than the bank has, V; 0 without one. */
export function senseDropV(design: SmallLeadParts, source: Source): number {
  const lead = design.smallLeads.find((l) => l.sourceId === source.id && l.purpose === 'sense');
  return lead && source.regulator.sense === 'the bank' ? smallLeadResult(design, lead).dropV : 0;
}

export interface Elsewhere {
  /** Bank the lead ends at, and the one the source charges. */
  readonly at: string;
  readonly charges: string;
  /** Of a temperature lead: setpoint there over what the charged bank wants, V; null: of a sense lead. */
  readonly offV: number | null;
}

/** A sense or temperature lead that ends at another bank than its source charges; null: it does not. */
export function endsElsewhere(design: SmallLeadParts, { lead, source }: SmallLeadResult): Elsewhere | null {
  if ((lead.purpose !== 'sense' && lead.purpose !== 'temperature') || lead.to?.kind !== 'bank' || !source?.bankId) return null;
  const [at, charged] = [rowOf(design.banks, lead.to.id), rowOf(design.banks, source.bankId)];
  if (!at || !charged || at.id === charged.id) return null;
  const chemistry = chemistryOf(charged);
  const slopeV = (chemistry.slopeMvPerCCell * cellsOf(charged, chemistry).bank) / 1000;
  const offV = lead.purpose === 'temperature' ? slopeV * (bankTempC(design, at) - bankTempC(design, charged)) : null;
  return { at: at.name, charges: charged.name, offV };
}
