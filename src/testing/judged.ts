/** What no practitioner would sign in a boat that was proposed whole, in words; empty: nothing. */
import { analyse } from '@/core';
import { chosenTogether, cured, cureOf, findingsAfresh } from '@/core/analysis';
import { applyEdit, type Design, type Finding } from '@/core/design';
import { CONDUCTORS, endTakes } from '@/core/rules';
import { withProposals } from './usualBoat';

const LIGHT_A = 15;
/** 16 mm2 and 6 AWG. */
const HEAVY_MM2 = 16.1;

/** Light loads on heavy cable, unless heat, its device, its maker or a far short asks for it. */
function heavyCables(design: Design): string[] {
  const feeds = new Set(design.circuits.filter((c) => c.taps.some((t) => t.serves.kind === 'panel')).map((c) => c.id));
  return analyse(design).circuits.flatMap((c) => {
    const { ladder, state } = c.own;
    const least = ladder.rungs.filter((r) => r.applies && ['ampacity', 'protection', 'maker', 'fault'].includes(r.id));
    const asked = Math.max(...least.map((r) => CONDUCTORS[ladder.school].find((s) => s.size === r.smallest)?.areaMm2 ?? 0));
    const heavy = !feeds.has(c.id) && c.workingA <= LIGHT_A && state.areaMm2 > HEAVY_MM2 && asked <= HEAVY_MM2;
    return heavy ? [`${c.name}: ${c.workingA.toFixed(1)} A on ${c.own.ladder.chosen.size}`] : [];
  });
}

/** Conflicts of devices that nothing tells. */
function untold(design: Design): string[] {
  const { circuits, findings } = analyse(design);
  const told = (id: string) => findings.some((f) => f.severity !== 'note' && (f.id.endsWith(`:${id}`) || f.rule === 'panel-family'));
  return circuits.flatMap((c) => (c.own.protection.conflict !== null && !told(c.id) ? [`${c.name}: ${c.own.protection.conflict}`] : []));
}

/** Battery cables on studs that do not take them, and circuits whose ends do not take the cable, with no stop that says so. */
function ends(design: Design): string[] {
  const { leads, findings } = analyse(design);
  const told = new Set(findings.filter((f) => f.severity === 'stop').map((f) => f.about.id));
  return design.leads.flatMap((lead, i) => {
    const conductor = leads[i]?.conductor;
    const fits = !conductor || [lead.fromStud, lead.toStud].every((stud) => endTakes(stud, conductor.school, conductor.areaMm2));
    return fits || told.has(lead.id) ? [] : [`${lead.name}: ${conductor.size} on ${lead.fromStud}, ${lead.toStud}`];
  });
}

/** What sizing shared parts together leaves: whole paths that do not hold, or something more to change when asked again. */
function together(design: Design): string[] {
  const sized = applyEdit(design, { ops: [...chosenTogether(design).ops] });
  if (!sized.ok) return ['sizes chosen together do not apply'];
  const missed = analyse(sized.design).findings.filter((f) => f.rule === 'path-drop');
  const again = chosenTogether(sized.design).ops.length;
  return [...missed.map((f) => `after sizing together: ${f.id}`), ...(again > 0 ? [`sized together again, ${again} more change`] : [])];
}

/** Cures that neither take their finding away nor say what remains. */
function cures(design: Design, most: number): string[] {
  const findings: readonly Finding[] = findingsAfresh(design, false);
  return findings
    .filter((f) => cureOf(design, f))
    .slice(0, most)
    .flatMap((f) => {
      const answer = cured(design, findings, f);
      return answer && (answer.gone || answer.brings.length > 0) ? [] : [`its cure leaves ${f.id}`];
    });
}

function twice(design: Design): string[] {
  let n = 0;
  const again = withProposals(design, (prefix) => `${prefix}again${++n}`);
  return JSON.stringify(again) === JSON.stringify(design) ? [] : ['proposed again it changes'];
}

/** @param mostCures as many of its cures are tried. */
export const objections = (design: Design, mostCures: number): readonly string[] => [
  ...heavyCables(design),
  ...untold(design),
  ...ends(design),
  ...together(design),
  ...cures(design, mostCures),
  ...twice(design),
];
