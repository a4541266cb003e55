/** The worst of all studies: for every load its lowest volts, for every lead its largest current, and what that gives cause to say (docs/methods.md, M6). */
import type { Finding } from '../check/findings';
import { withDepartures } from '../check/findings';
import { asDecided } from '../design/decided';
import type { Design } from '../design/schema';
import { ohmsOf } from '../circuitResult';
import { CONDUCTORS } from '../rules/conductors';
import { sizeName } from '../quantity';
import { caseFaults, type CaseFault } from '../mainSide/caseFaults';
import { runStudy, type StudyAnswer, type StudyLoad } from './study';
import type { Analysed } from './system';

export interface WorstLoad extends StudyLoad {
  readonly studyId: string;
  readonly study: string;
  readonly circuitId: string | null;
  /** Smallest size of its own circuit that would keep it at its least volts there, all else as it is; null: none in the table. */
  readonly wants: string | null;
}

export interface Worst {
  /** The least room first. */
  readonly loads: readonly WorstLoad[];
  /** By lead: largest current in any study, A, and where. */
  readonly leads: Readonly<Record<string, { readonly amps: number; readonly study: string }>>;
  readonly cases: readonly CaseFault[];
  readonly findings: readonly Finding[];
}

const room = (l: StudyLoad): number => (Number.isNaN(l.volts) ? Infinity : l.volts - l.minV);

/** @param analysed results of this process, not copies. Without studies, nothing. */
export function worstOfStudies(whole: Design, analysed: Analysed): Worst {
  const design = asDecided(whole);
  const answers = design.studies.map((study) => ({ study, answer: runStudy(design, analysed, study) }));
  const worst = new Map<string, WorstLoad>();
  const leads: Record<string, { amps: number; study: string }> = {};
  const circuitOf = new Map(
    design.circuits.flatMap((c) => c.taps.flatMap((t) => (t.serves.kind === 'load' ? [[t.serves.id, c.id] as const] : []))),
  );
  for (const { study, answer } of answers) {
    for (const l of answer.loads) {
      const known = worst.get(l.id);
      if (known && room(known) <= room(l)) continue;
      const circuitId = circuitOf.get(l.id) ?? null;
      worst.set(l.id, { ...l, studyId: study.id, study: study.name, circuitId, wants: null });
    }
    for (const l of answer.leads) if (l.amps > (leads[l.leadId]?.amps ?? 0)) leads[l.leadId] = { amps: l.amps, study: study.name };
  }
  const loads = [...worst.values()].sort((a, b) => room(a) - room(b)).map((l) => ({ ...l, wants: wantedSize(design, analysed, l) }));
  const cases = caseFaults(design, analysed);
  return {
    loads,
    leads,
    cases,
    findings: withDepartures(design, [...findingsOf(design, answers, loads), ...cases.flatMap((c) => caseFinding(design, c))]),
  };
}

/** At the current it draws there: its own run's share of the loss lessened or raised with the size. */
function wantedSize(design: Design, { circuits }: Analysed, l: WorstLoad): string | null {
  const result = circuits.find((r) => r.id === l.circuitId);
  const circuit = design.circuits.find((c) => c.id === l.circuitId);
  const ohms = result && ohmsOf(result);
  if (!result || !circuit || !ohms || Number.isNaN(l.volts)) return null;
  let at = circuit.taps.findIndex((t) => t.serves.id === l.id);
  let copper = 0;
  for (const seen = new Set<number>(); at >= 0 && !seen.has(at);) {
    seen.add(at);
    copper += ohms.segments[at] ?? 0;
    const { parent } = circuit.taps[at] ?? {};
    at = circuit.taps.findIndex((t) => t.id === parent);
  }
  const { conductor, candidate } = result.own.state;
  const fits = CONDUCTORS[design.boat.ruleSet].find((c) => {
    const other = (copper * c.r20OhmPerKm * candidate.legs) / conductor.r20OhmPerKm;
    return l.volts + l.amps * (copper - other) >= l.minV - 1e-9;
  });
  return fits?.size ?? null;
}

function findingsOf(
  design: Design,
  answers: readonly { readonly study: Design['studies'][number]; readonly answer: StudyAnswer }[],
  loads: readonly WorstLoad[],
): Finding[] {
  const out: Finding[] = [];
  /** The finding is headed by its circuit, which often has the load's name. */
  const alone = (l: WorstLoad) => design.circuits.find((c) => c.id === l.circuitId)?.name === l.name;
  for (const { study, answer } of answers)
    if (answer.collapse)
      out.push({
        id: `collapse:${study.id}`,
        severity: 'stop',
        about: { kind: 'study', id: study.id },
        title: `the volts collapse: ${Math.round(100 * answer.collapse.fraction)} % of it can be carried`,
        why: `${design.loads.find((l) => l.id === answer.collapse?.loadId)?.name ?? 'A load'} stands worst.`,
        todo: 'A larger or better charged bank, the engine, fewer loads at once, or heavier mains.',
      });
  for (const l of loads) {
    if (Number.isNaN(l.volts) || !l.falls) continue;
    const cure = answers.find((a) => a.study.id === l.studyId)?.answer.cure;
    out.push({
      id: `study-volts:${l.id}`,
      severity: l.minIsMakers ? 'fix' : 'note',
      about: l.circuitId === null ? { kind: 'study', id: l.studyId } : { kind: 'circuit', id: l.circuitId },
      title: `${alone(l) ? '' : `${l.name} `}falls to ${l.volts.toFixed(2)} V in “${l.study}”`,
      why: `${l.minIsMakers ? 'Its maker asks for' : 'By the house rule it needs'} ${l.minV.toFixed(2)} V: it drops out, restarts or stalls just then.`,
      todo:
        cure?.loadId === l.id
          ? `Circuit ${cure.name} in ${sizeName(design.boat.ruleSet, cure.size)}, or less in use at once.`
          : 'See the study for what pulls it down: Wiring, studies.',
    });
  }
  return out;
}

function caseFinding(design: Design, { leadId, loadId, amps, opensS, bearsS, verdict }: CaseFault): Finding[] {
  if (verdict === 'clears') return [];
  const name = design.loads.find((l) => l.id === loadId)?.name ?? 'its load';
  const bears = bearsS < 0.01 ? 'less than 0.01 s' : `${bearsS.toPrecision(2)} s`;
  return [
    {
      id: `case-earth:${leadId}`,
      severity: verdict === 'the earth burns first' ? 'stop' : 'fix',
      about: { kind: 'lead', id: leadId },
      title: amps > 0 ? `a positive on the case of ${name}: ${verdict}` : `the case of ${name} has no way back to the battery`,
      why:
        amps > 0
          ? `${Math.round(amps)} A flow; the device opens ${Number.isFinite(opensS) ? `within ${opensS.toPrecision(2)} s` : 'perhaps never'}, the earth lead bears it ${bears}.`
          : 'A fault to the case stands until somebody touches it.',
      todo:
        amps > 0
          ? 'A heavier or shorter earth lead, no more than one size below the positive; or a smaller device.'
          : 'Lead it to the negative bus.',
    },
  ];
}
