/** The worst of all studies: for every load its lowest volts, for every lead its largest current,(docs/methods.md, M6). */
import { asDecided, type Design, type Study, rowOf } from '../design';
import { CONDUCTORS } from '../rules';
import { type BusBar, busBars } from './busBars';
import { type CaseFault, caseFaults } from './caseFaults';
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
  readonly bars: readonly BusBar[];
  /** Each study with its answer. */
  readonly answers: readonly { readonly study: Study; readonly answer: StudyAnswer }[];
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
  return { loads, leads, cases: caseFaults(design, analysed), bars: busBars(design, analysed, answers), answers };
}

/** At the current it draws there: its own run's share of the loss lessened or raised with the size. */
function wantedSize(design: Design, { circuits }: Analysed, l: WorstLoad): string | null {
  const result = rowOf(circuits, l.circuitId);
  const circuit = rowOf(design.circuits, l.circuitId);
  if (!result || !circuit || Number.isNaN(l.volts)) return null;
  let at = circuit.taps.findIndex((t) => t.serves.id === l.id);
  let copper = 0;
  for (const seen = new Set<number>(); at >= 0 && !seen.has(at);) {
    seen.add(at);
    copper += result.warmOhm.segments[at] ?? 0;
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
