/** Ways out of what is found on a battery cable. */
import type { Analysis } from '../analysis';
import { type BatteryCable, type Design, type Op, setOp } from '../../design';
import { sizeName } from '../../quantity';
import { CONDUCTORS, DC_FAMILIES, FAMILY_ORDER } from '../../rules';
import type { Series } from './try';

/** Ways out of what is found on a battery cable: heavier, another device, everything left to the program. */
export function ofLead(design: Design, lead: BatteryCable, analysis: Analysis): Series[] {
  const result = analysis.leads.find((l) => l.id === lead.id);
  const set = (key: 'size' | 'family' | 'ratingA', to: unknown): Op => setOp(design, ['leads', lead.id, key], to);
  const device = result?.device?.own.protection;
  const larger = DC_FAMILIES.find((f) => f.id === device?.familyId)?.ratingsA.filter((r) => r > (device?.ratingA ?? 0)) ?? [];
  return [
    lead.size === null && lead.family === null && lead.ratingA === null
      ? []
      : [{ id: 'free', say: 'size and device left to the program', ops: [set('size', null), set('family', null), set('ratingA', null)] }],
    CONDUCTORS[design.boat.ruleSet]
      .filter((s) => s.areaMm2 > (result?.conductor.areaMm2 ?? Infinity) + 1e-9)
      .map((s) => ({
        id: `own-${s.size}`,
        say: `${sizeName(s.school, s.size)} in it`,
        ops: [set('size', { school: s.school, size: s.size })],
      })),
    ...FAMILY_ORDER.bank
      .flatMap((id) => DC_FAMILIES.find((f) => f.id === id) ?? [])
      .filter((f) => device !== undefined && f.id !== device.familyId)
      .map((f): Series => [
        {
          id: `family-${f.id}`,
          say: `a ${f.name} instead of the ${device?.familyName ?? 'device'}`,
          ops: [set('family', f.id), set('ratingA', null)],
        },
      ]),
    larger.slice(0, 2).map((r) => ({ id: `rating-${r}`, say: `${r} A instead of ${device?.ratingA ?? 0} A`, ops: [set('ratingA', r)] })),
  ];
}
