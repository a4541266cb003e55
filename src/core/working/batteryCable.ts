/** The working of a lead of the main side: what it carries, what each test asks for, what it loses (docs/methods.md, "Main side"). */
import type { Analysis } from '../analysis';
import type { Design } from '../design';
import { endName } from '../topology';
import { round3, show, sizeName, type Units } from '../quantity';
import { COMES_FIRST } from './circuit';
import type { Working, WorkingLine } from './types';

/** undefined for a lead that is not there. */
export function batteryCableWorking(design: Design, analysis: Analysis, leadId: string, units: Units): Working | undefined {
  const at = design.leads.findIndex((l) => l.id === leadId);
  const [lead, r] = [design.leads[at], analysis.leads[at]];
  if (!lead || !r) return undefined;
  const { conductor, carries } = r;
  const size = sizeName(conductor.school, conductor.size);
  const ends = [lead.from, lead.to].map((e) => endName(design, lead, e) ?? 'nothing').join(' to ');
  const milli = (ohm: number) => `${round3(1000 * ohm)} mΩ`;
  const line = (label: string, value: number, text: string, extra: Partial<WorkingLine> = {}): WorkingLine => ({
    label,
    value,
    kind: 'none',
    text,
    ...extra,
  });
  return {
    title: lead.name,
    neighbours: [],
    margins: [],
    cautions: [
      ...(lead.rail === 'positive' && !lead.fused && !carries.cranks ? ['Nothing protects it.'] : []),
      ...(lead.rail === 'positive' ? [`Battery negative off first and on last; nothing metal on hands. ${COMES_FIRST}`] : []),
    ],
    sections: [
      {
        title: 'What it carries',
        lines: [
          line('from, to', 0, ends),
          line(carries.why, carries.amps, show(carries.amps, 'A', units)),
          line('length', r.lengthM, show(r.lengthM, 'm', units), {
            mark: r.taped ? 'measured' : 'estimated',
            source: r.taped ? 'taped' : 'from where its ends stand, slack at both',
          }),
        ],
      },
      {
        title: 'What each test asks for',
        lines: r.rungs.map((x) =>
          line(x.by, x.areaMm2 ?? Infinity, x.size === null ? 'no size in the table' : sizeName(units.ruleSet, x.size), {
            source: x.why,
            breaks: r.failing.includes(x.by),
          }),
        ),
      },
      {
        title: r.pinned ? 'Pinned' : 'Chosen',
        lines: [
          line(r.pinned ? 'size, pinned' : `size, governed by ${r.governs}`, conductor.areaMm2, size),
          line('good for', r.izA, show(r.izA, 'A', units), { source: `derated at ${show(r.ambientC, 'C', units)}` }),
          line('copper and two joints', r.copperOhm, milli(r.copperOhm), {
            formula: `${show(conductor.r20OhmPerKm, 'ohmPerKm', units)} × ${show(r.lengthM, 'm', units)} at ${show(r.ambientC, 'C', units)} + 2 × 0.03 mΩ`,
          }),
          ...(r.inlineOhm > 0
            ? [
                line('what is in line', r.inlineOhm, milli(r.inlineOhm), {
                  mark: 'typical' as const,
                  source: lead.through.map((d) => d.kind).join(', '),
                }),
              ]
            : []),
          line('loses', r.dropV, `${round3(r.dropV)} V`, { formula: `${round3(carries.amps)} A × ${milli(r.copperOhm + r.inlineOhm)}` }),
          ...(r.device
            ? [
                line(
                  'its device',
                  r.device.own.protection.ratingA,
                  `${round3(r.device.own.protection.ratingA)} A ${r.device.own.protection.familyName}`,
                  { source: `a short here is ${round3(r.device.own.protection.faultA)} A at most` },
                ),
              ]
            : []),
        ],
      },
    ],
  };
}
