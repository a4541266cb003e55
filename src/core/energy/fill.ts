/** How long each source takes to fill the bank, and where more would help: output, battery or sun (docs/methods.md, M10). */
import { alternatorAt, chargerAmps } from '../charging';
import { type Design, type Source, rowOf, nominalVOf } from '../design';
import { bankSource } from '../bank';
import { runDays } from './cruise';
import { houseIndex, sceneOf } from './scene';

export interface Fill {
  readonly sourceId: string;
  readonly name: string;
  /** From where it begins, this source alone and no load: hours to 80, 95, 100 %; null: not within two days. */
  readonly hours: readonly (number | null)[];
  /** What the source can give, what the bank takes at the bottom of its window, A. */
  readonly givesA: number;
  readonly takesA: number;
  readonly advice: string;
}

const LEVELS = [0.8, 0.95, 0.995] as const;

/**
 * @param rpm engine speed alternators are taken at. @param bankId the bank that is filled; missing: the house bank.
 * @param fromSoc where it begins, 0..1; missing: the bottom of its window
 */
export function fillTimes(design: Design, rpm: number = design.engine.cruiseRpm, bankId?: string, fromSoc?: number): Fill[] {
  const house = bankId === undefined ? design.banks[houseIndex(design.banks)] : rowOf(design.banks, bankId);
  if (!house) return [];
  const bank = bankSource(house);
  const low = fromSoc ?? bank.chemistry.windowLowSoc;
  const takesA = bank.chemistry.maxChargeC * bank.capacityAh;
  return design.sources
    .filter((s) => s.bankId === house.id && s.kind !== 'solar' && s.kind !== 'wind')
    .map((source): Fill => {
      const what = source.kind === 'alternator' ? 'engine' : source.kind === 'portable' ? 'generator' : 'shore';
      const level = source.kind === 'alternator' ? rpm : 0;
      const day = { id: 'fill', name: 'fill', houseSwitch: 'on' as const, day: [{ id: 's', what, fromH: 0, toH: 24, level } as const] };
      const alone: Design = {
        ...design,
        loads: [],
        joins: [],
        living: [day],
        banks: [house],
        sources: [{ ...source, joinId: null, insteadOfId: null }],
      };
      const scene = sceneOf(alone, { stepMin: 5 });
      const run = runDays(scene, [0, 0], low, 'fill');
      const hours = LEVELS.map((l) => {
        for (let t = 0; t < run.trace.soc.length; t++) if ((run.trace.soc[t] ?? 0) >= l) return (t + 1) * scene.stepH;
        return null;
      });
      const givesA = source.alternator
        ? alternatorAt(source.alternator, nominalVOf(design, source.bankId), rpm, 0, Infinity).beltA
        : source.kind === 'DC–DC'
          ? source.ratedA
          : chargerAmps(design, source, Infinity);
      return { sourceId: source.id, name: source.name, hours, givesA, takesA, advice: adviceOf(source, givesA, takesA, hours) };
    });
}

function adviceOf(source: Source, givesA: number, takesA: number, hours: readonly (number | null)[]): string {
  const [to80, , toFull] = hours;
  const belted = source.alternator !== null && source.ratedA * source.alternator.hotFactor > givesA * 1.1;
  if (givesA < takesA / 3)
    return belted
      ? 'the bank would take far more: heat, speed or belt hold the output back, so look at pulleys and regulator before a bigger frame'
      : 'the bank would take far more: a bigger output shortens the hours almost in proportion';
  if (givesA > takesA) return 'it gives more than the bank takes: more battery makes use of it, a bigger source does not';
  if (to80 != null && toFull != null && toFull > 2.5 * to80)
    return 'most of the hours go into the last fifth, which the bank takes slowly whatever the source: finish with sun or shore power';
  return 'bank and source suit each other';
}
