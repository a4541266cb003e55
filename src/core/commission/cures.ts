/** What putting the suspects of a path right gives back at the load, and what it takes (docs/methods-work, M16). */
import { round3 } from '../quantity';
import { DEVICE_MIN, END_MIN, IN_PLACE, ISOLATE_MIN, makingOf, PULL_MIN_PER_M, STRIP_MIN_PER_M, TEST_MIN } from '../rules';
import type { Diagnosis } from './diagnose';
import type { Element } from './path';

export interface PathCure {
  readonly elementId: string;
  readonly what: string;
  /** That it is among what is wrong, 0 to 1. */
  readonly probability: number;
  /** Given back at the load if it is, at the same amps, mV. */
  readonly gainMv: number;
  /** New cable, m; null: none. */
  readonly metres: number | null;
  /** Of one practised pair of hands: dead and proved, done, read again. Typical. */
  readonly minutes: number;
}

/** While nothing stands out nothing is taken apart: the next reading is cheaper. */
const LEAST_PROBABILITY = 0.2;
/** Less is not worth a word. */
const LEAST_GAIN_MV = 5;
const MOST = 6;

function workOn({ kind, what, lengthM, ends }: Element): Pick<PathCure, 'what' | 'metres' | 'minutes'> {
  const about = ISOLATE_MIN + 2 * END_MIN + TEST_MIN['heavy path part'];
  if (kind === 'joints') {
    const anew = ends ? `, ${round3(2 * IN_PLACE * makingOf(ends.school, ends.size).minutes)} min more for both ends` : '';
    return { what: `part, clean and torque ${what}; crimp anew if a crimp is to blame${anew}`, metres: null, minutes: about };
  }
  if (kind === 'device')
    return { what: `clean the contacts of the ${what}, or another in its place`, metres: null, minutes: about + DEVICE_MIN };
  const metres = lengthM ?? 0;
  return { what: `another ${what}`, metres, minutes: about + metres * (PULL_MIN_PER_M.open + STRIP_MIN_PER_M) };
}

/** Cures of what the readings leave under suspicion: those that give most for their minutes first. @param amps the load draws, A. */
export function curesOf(path: readonly Element[], { suspects }: Pick<Diagnosis, 'suspects'>, amps: number): readonly PathCure[] {
  return path
    .flatMap((element): PathCure[] => {
      let [probability, mohm] = [0, 0];
      for (const s of suspects) {
        const at = s.elements.indexOf(element.id);
        if (at < 0) continue;
        probability += s.probability;
        mohm += s.probability * (s.extraMohm[at] ?? 0);
      }
      const gainMv = probability > 0 ? (mohm / probability) * amps : 0;
      if (probability < LEAST_PROBABILITY || gainMv < LEAST_GAIN_MV) return [];
      return [{ elementId: element.id, probability, gainMv, ...workOn(element) }];
    })
    .sort((a, b) => (b.probability * b.gainMv) / b.minutes - (a.probability * a.gainMv) / a.minutes)
    .slice(0, MOST);
}
