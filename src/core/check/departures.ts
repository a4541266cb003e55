/** Findings somebody answers for: accepted, or said not to apply; open again when what they go by has changed. */
import { type AboutKind, asDecided, type Departure, type Design, type Finding } from '../design';
import { ruleOf } from './table';

const LIST_OF: Readonly<Partial<Record<AboutKind, keyof Design>>> = {
  place: 'places',
  circuit: 'circuits',
  load: 'loads',
  panel: 'panels',
  bank: 'banks',
  source: 'sources',
  gauge: 'gauges',
  join: 'joins',
  living: 'living',
  cruise: 'cruises',
  lead: 'leads',
  bar: 'bars',
  study: 'studies',
  'AC source': 'acSources',
  'AC panel': 'acPanels',
  'AC load': 'acLoads',
  'AC circuit': 'acCircuits',
};

const at = (value: unknown, path: readonly string[]): unknown => {
  const [step, ...rest] = path;
  if (step === undefined || value === null || typeof value !== 'object') return value;
  if (Array.isArray(value)) return (value as readonly unknown[]).map((v) => at(v, path));
  return at((value as Readonly<Record<string, unknown>>)[step], rest);
};

/** Text in 13 hexadecimal figures: alike for alike, for telling that something moved, not for secrets. */
function digest(text: string): string {
  let [a, b] = [0xdeadbeef, 0x41c6ce57];
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i);
    a = Math.imul(a ^ c, 2654435761);
    b = Math.imul(b ^ c, 1597334677);
  }
  a = Math.imul(a ^ (a >>> 16), 2246822507) ^ Math.imul(b ^ (b >>> 13), 3266489909);
  b = Math.imul(b ^ (b >>> 16), 2246822507) ^ Math.imul(a ^ (a >>> 13), 3266489909);
  return (4294967296 * (2097151 & b) + (a >>> 0)).toString(16).padStart(14, '0');
}

/** A row without what says nothing of how it is. */
const bare = ({ name: _, note: _n, ...row }: Readonly<Record<string, unknown>>): unknown => row;

/**
 * What a finding goes by, as a short text: its words with their figures; the fields its rule reads by name; and of the thing it is about its own row.
 * A rule that reads a whole list of others tells of it in its figures: that one of them is renamed, or another moves without moving a figure, is
 * nothing to it.
 * @param design as decided.
 */
export function factsOf(design: Design, finding: Pick<Finding, 'rule' | 'about' | 'title' | 'why'>): string {
  const list = LIST_OF[finding.about.kind];
  const facts = (ruleOf(finding)?.reads ?? []).map((read) => {
    const [head = '', ...rest] = read.split('.');
    const whole = (design as unknown as Readonly<Record<string, unknown>>)[head];
    if (!Array.isArray(whole)) return at(whole, rest);
    const rows = whole as readonly Readonly<Record<string, unknown>>[];
    if (head !== list) return rest.length === 0 ? null : at(rows, rest);
    const own = rows.filter((r) => r.id === finding.about.id);
    return rest.length === 0 ? own.map(bare) : at(own, rest);
  });
  return digest(JSON.stringify([finding.title, finding.why, facts]));
}

/** A departure put on record for a finding, with what it goes by today. */
export const departureFor = (design: Design, finding: Finding, words: Omit<Departure, 'findingId' | 'facts'>): Departure => ({
  ...words,
  findingId: finding.id,
  facts: factsOf(asDecided(design), finding),
});

/** Findings with what somebody has accepted; where the facts have changed since, it is open again and says so. */
export function withDepartures(design: Design, findings: readonly Finding[]): readonly Finding[] {
  if (design.departures.length === 0) return findings;
  const known = new Map(design.departures.map((d) => [d.findingId, d]));
  return findings.map((f) => {
    const d = known.get(f.id);
    if (!d) return f;
    const words = { by: d.acceptedBy, why: d.why, ...(d.kind === 'does not apply' ? { notHere: true } : {}) };
    return d.facts === '' || d.facts === factsOf(design, f) ? { ...f, accepted: words } : { ...f, lapsed: { ...words, on: d.on } };
  });
}
