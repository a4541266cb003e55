/** Rules on the studies of the whole network, and on a positive that touches a case. */
import { type Design, setOp, type Study, rowOf } from '../../design';
import type { BusBar, CaseFault, StudyAnswer, WorstLoad } from '../../network';
import { round3, sizeName } from '../../quantity';
import { type Rule, SOURCES } from '../rule';

export interface StudyFacts {
  readonly design: Design;
  readonly answers: readonly { readonly study: Study; readonly answer: StudyAnswer }[];
  readonly loads: readonly WorstLoad[];
  readonly cases: readonly CaseFault[];
  readonly bars: readonly BusBar[];
}

const seconds = (s: number): string => (s < 0.01 ? 'less than 0.01 s' : `${s.toPrecision(2)} s`);
const cureOf = ({ answers }: Pick<StudyFacts, 'answers'>, l: WorstLoad) => {
  const cure = answers.find((a) => a.study.id === l.studyId)?.answer.cure;
  return cure?.loadId === l.id ? cure : null;
};

export const STUDY_RULES: readonly Rule<StudyFacts>[] = [
  {
    id: 'collapse',
    about: 'study',
    severity: 'stop',
    reads: ['studies', 'banks', 'circuits', 'leads', 'loads'],
    when: 'in a study the supply cannot carry what is on at any volts',
    why: 'The volts collapse.',
    todo: 'A larger or better charged bank, the engine, fewer loads at once, or heavier mains.',
    hazard: 'stranded',
    confirm: 'a meter',
    source: SOURCES.practice,
    find: ({ design, answers }) =>
      answers.flatMap(({ study, answer: { collapse } }) =>
        collapse
          ? [
              {
                id: study.id,
                title: `the volts collapse: ${Math.round(100 * collapse.fraction)} % of it can be carried`,
                why: `${rowOf(design.loads, collapse.loadId)?.name ?? 'A load'} is worst off.`,
              },
            ]
          : [],
      ),
  },
  {
    id: 'study-volts',
    about: 'circuit',
    severity: 'fix',
    reads: ['studies', 'loads.minV', 'circuits', 'banks', 'leads'],
    when: 'in a study a load gets fewer volts than it needs',
    why: 'It drops out, restarts or stalls just then.',
    todo: 'See the study for what pulls it down: Wiring, studies.',
    hazard: 'none',
    confirm: 'a meter',
    source: SOURCES.practice,
    find: (facts) =>
      facts.loads.flatMap((l) => {
        if (Number.isNaN(l.volts) || !l.falls) return [];
        const cure = cureOf(facts, l);
        const starts = rowOf(facts.design.studies, l.studyId)?.loads[l.id] === 'start';
        // The finding is headed by its circuit, which often has the load's name.
        const alone = rowOf(facts.design.circuits, l.circuitId)?.name === l.name;
        return [
          {
            id: l.id,
            about: l.circuitId === null ? ({ kind: 'study', id: l.studyId } as const) : ({ kind: 'circuit', id: l.circuitId } as const),
            severity: l.minIsMakers ? ('fix' as const) : ('note' as const),
            title: `${alone ? '' : `${l.name} `}falls to ${l.volts.toFixed(2)} V in “${l.study}”`,
            why: `${l.minIsMakers ? 'Its maker asks for' : 'By the house rule it needs'} ${l.minV.toFixed(2)} V: it drops out, restarts or stalls just then.`,
            ...(l.circuitId === null ? {} : { cause: `${starts ? 'fails-surge' : 'path-drop'}:${l.circuitId}` }),
            ...(cure ? { todo: `Circuit ${cure.name} in ${sizeName(facts.design.boat.ruleSet, cure.size)}, or less in use at once.` } : {}),
          },
        ];
      }),
  },
  {
    id: 'case-earth',
    about: 'lead',
    severity: 'stop',
    reads: ['leads', 'circuits', 'loads'],
    when: 'a positive on a case does not open its device before the earth lead burns, or at all',
    why: 'A fault to the case stays until somebody touches it.',
    todo: 'Lead it to the negative bus.',
    hazard: 'fire',
    confirm: 'a meter',
    source: SOURCES.dc,
    find: ({ design, cases }) =>
      cases.flatMap(({ leadId, loadId, amps, opensS, bearsS, verdict }) => {
        if (verdict === 'clears') return [];
        const name = rowOf(design.loads, loadId)?.name ?? 'its load';
        const severity = verdict === 'the earth burns first' ? ('stop' as const) : ('fix' as const);
        return amps > 0
          ? [
              {
                id: leadId,
                severity,
                title: `a positive on the case of ${name}: ${verdict}`,
                why: `${round3(amps)} A flow; the device opens ${Number.isFinite(opensS) ? `within ${opensS.toPrecision(2)} s` : 'perhaps never'}, the earth lead withstands it ${Number.isFinite(bearsS) ? seconds(bearsS) : 'for good'}.`,
                todo: 'A heavier or shorter earth lead, no more than one size below the positive; or a smaller device.',
              },
            ]
          : [{ id: leadId, severity, title: `the case of ${name} has no way back to the battery` }];
      }),
    cure: (design, { about }) => {
      const lead = rowOf(design.leads, about.id);
      return lead?.size ? [setOp(design, ['leads', about.id, 'size'], null)] : null;
    },
  },
];
