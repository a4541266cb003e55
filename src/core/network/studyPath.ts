/** Where the volts of a load go in a study, from its bank at rest to its own ends (docs/methods.md, M6). */
import { asDecided, type Design, rowOf, startBankOf, type Study } from '../design';
import { bankPost, panelBar, servingOf, upFrom } from '../topology';
import type { StudyAnswer } from './study';
import { feedNode, headNode, returnNode, STARTER } from './system';

export interface StudyStep {
  readonly what: 'the bank itself' | 'the main side' | 'its device' | 'its cable' | 'the feeder';
  /** The circuit it is lost in; null: before any. */
  readonly circuitId: string | null;
  /** Lost, V; below zero: gained, as from what charges. */
  readonly volts: number;
}

export interface StudyPath {
  readonly bankId: string;
  readonly restV: number;
  /** From the bank on; rest less all of them is what the load has. */
  readonly steps: readonly StudyStep[];
  readonly volts: number;
}

/** null for a load that is not in the study, or is dead in it. @param answer of the same design and study. */
export function studyPath(whole: Design, study: Study, answer: StudyAnswer, loadId: string): StudyPath | null {
  const design = asDecided(whole);
  const load = rowOf(answer.loads, loadId);
  if (!load || Number.isNaN(load.volts)) return null;
  const across = (plus: string, minus: string): number => (answer.nodes[plus] ?? NaN) - (answer.nodes[minus] ?? NaN);
  if (loadId === STARTER) {
    const bank = rowOf(answer.banks, startBankOf(design)?.id ?? design.banks[0]?.id);
    if (!bank) return null;
    return {
      bankId: bank.id,
      restV: bank.restV,
      steps: [
        { what: 'the bank itself', circuitId: null, volts: bank.restV - bank.postsV },
        { what: 'the main side', circuitId: null, volts: bank.postsV - load.volts },
      ],
      volts: load.volts,
    };
  }
  // From the bank to the load.
  const path = upFrom(design.circuits, servingOf(design.circuits).loads.get(loadId)?.id).reverse();
  const [first] = path;
  if (!first) return null;
  const hands = { open: new Set(study.open), joins: study.positions ?? {} };
  const feed = (c: typeof first) => feedNode(design, c, study.engineRpm, hands);
  const bank = answer.banks.find((b) => bankPost(b.id, '+') === feed(first)) ?? rowOf(answer.banks, first.from.id) ?? answer.banks[0];
  if (!bank) return null;
  const steps: StudyStep[] = [
    { what: 'the bank itself', circuitId: null, volts: bank.restV - bank.postsV },
    { what: 'the main side', circuitId: null, volts: bank.postsV - across(feed(first), returnNode(design, first)) },
  ];
  path.forEach((c, i) => {
    const next = path[i + 1];
    const begins = across(feed(c), returnNode(design, c));
    const ends = next ? across(panelBar(next.from.id, '+'), panelBar(next.from.id, '-')) : load.volts;
    const device = (answer.nodes[feed(c)] ?? NaN) - (answer.nodes[headNode(c)] ?? NaN);
    steps.push({ what: 'its device', circuitId: c.id, volts: device });
    steps.push({ what: next ? 'the feeder' : 'its cable', circuitId: c.id, volts: begins - ends - device });
  });
  return { bankId: bank.id, restV: bank.restV, steps, volts: load.volts };
}
