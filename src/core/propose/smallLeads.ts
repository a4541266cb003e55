/** The small leads that sources want and that nobody has entered. */
import { missingLeads } from '../charging';
import { BOUNDS, type Design, type SmallLead, type SmallPurpose, type Source } from '../design';

/** Fuse at the tap of what carries milliamps, and of a lead that feeds a field, A: typical, ours; the machine's maker rules. */
const TAP_FUSE_A = 3;
const FIELD_FUSE_A = 10;

const WORDS: Readonly<Record<SmallPurpose, string>> = {
  sense: 'Sense lead',
  excitation: 'Excitation',
  'charge lamp': 'Charge lamp',
  tachometer: 'Tachometer lead',
  temperature: 'Temperature sensor',
  data: 'Data cable',
  'gauge supply': 'Gauge supply',
};

export const blankSmallLead = (id: string, purpose: SmallPurpose, sourceId: string | null, owner = ''): SmallLead => ({
  id,
  name: owner ? `${WORDS[purpose]} of ${owner}` : WORDS[purpose],
  purpose,
  sourceId,
  to: null,
  fuseA: null,
  diode: false,
  size: null,
  lengthM: null,
  mostM: null,
  amps: null,
  note: '',
});

/** Fuse at the tap of a lead, A. */
export const tapFuseA = (purpose: SmallPurpose, source: Source | undefined): number =>
  purpose === 'excitation' && source?.alternator?.excitation === 'external' ? FIELD_FUSE_A : TAP_FUSE_A;

/** A lead as it is usually laid: sensing taps the bank with its own fuse, excitation comes from a panel through a diode. */
export function usualLead(design: Pick<Design, 'panels'>, id: string, purpose: SmallPurpose, source: Source): SmallLead {
  const blank = blankSmallLead(id, purpose, source.id, source.name);
  const bank = source.bankId === null ? null : ({ kind: 'bank', id: source.bankId } as const);
  const [panel] = design.panels.filter((p) => p.kind === 'panel');
  const atPanel = panel ? ({ kind: 'panel', id: panel.id } as const) : null;
  if (purpose === 'sense') return { ...blank, to: bank, fuseA: tapFuseA(purpose, source) };
  if (purpose === 'temperature') return { ...blank, to: bank };
  if (purpose === 'excitation') return { ...blank, to: atPanel, fuseA: tapFuseA(purpose, source), diode: true };
  return { ...blank, to: atPanel };
}

export function proposeSmallLeads(design: Design, freshId: (prefix: string) => string): { readonly smallLeads: readonly SmallLead[] } {
  const smallLeads = design.sources.flatMap((s) => missingLeads(design, s).map((p) => usualLead(design, freshId('small'), p, s)));
  return { smallLeads: smallLeads.slice(0, Math.max(0, BOUNDS.smallLeads - design.smallLeads.length)) };
}
