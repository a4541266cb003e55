/** Finish charging at sea or alongside: both schools' arguments, and this boat's own figures. */
import { type Design, rowOf } from '../design';
import { round3 } from '../quantity';
import { fillTimes } from './fill';
import { FULL_SOC } from './books';
import type { CruiseResult, DayResult } from './cruise';

export interface School {
  readonly school: string;
  readonly argument: string;
  /** What the figures of this boat say to it. */
  readonly here: string;
}

export function finishing(design: Design, run: CruiseResult): School[] {
  const fills = fillTimes(design);
  const name = (kind: string) => fills.find((f) => rowOf(design.sources, f.sourceId)?.kind === kind);
  const alternator = name('alternator');
  const shore = name('shore charger');
  const gap = run.banks[run.scene.house]?.longestSinceFullDays ?? 0;
  const lead = run.scene.banks[run.scene.house]?.chemistry.leadAcid ?? true;
  const { house } = run.scene;
  // A day that only begins full, and runs down, does not get full.
  const gets = (d: DayResult) => d.reaches[2] != null && (d.reaches[2] > 0 || (d.endSoc[house] ?? 0) >= FULL_SOC);
  const fullAt = new Set(run.days.filter(gets).map((d) => d.name));
  const [to80, , toFull] = alternator?.hours ?? [];
  return [
    {
      school: 'Finish alongside',
      argument:
        'A simple alternator brings the bank to four fifths quickly; the long, slow last fifth is left to a programmable charger on shore power.',
      here:
        (shore
          ? `Here ${shore.name} fills it from the bottom of its window in ${shore.hours[2] == null ? 'more than two days' : `${round3(shore.hours[2])} h`}. `
          : 'Here there is no shore charger. ') +
        `On this cruise the longest spell without full is ${round3(gap)} days${lead ? (gap > 7 ? ', more than the week lead-acid bears' : ', within the week lead-acid bears') : '; iron phosphate does not mind'}.`,
    },
    {
      school: 'Finish at sea',
      argument:
        'A regulated alternator, sun and wind carry the absorption through, so that the boat needs no dock; it costs gear, engine hours, or space for panels.',
      here:
        (alternator && to80 != null
          ? `Here ${alternator.name} takes ${round3(to80)} h to 80 %${toFull == null ? ' and does not get it full in two days' : ` and ${round3(toFull)} h to full`} of engine. `
          : 'Here no alternator charges the house bank. ') +
        (fullAt.size > 0 ? `It gets full ${[...fullAt].join(', ')}.` : 'On no day of this cruise does it get full.'),
    },
  ];
}
