/** Belts an alternator's arm takes (docs/methods.md, "Mounting"). */
import type { Design } from '../design';
import type { Alternator } from './alternator';

/** Open length of a belt round two pulleys, mm: both straight spans and the arcs, close enough where the pulleys do not differ by much. */
export const beltLengthMm = (centreMm: number, firstMm: number, secondMm: number): number =>
  2 * centreMm + (Math.PI / 2) * (firstMm + secondMm) + (firstMm - secondMm) ** 2 / (4 * centreMm);

/** Belts this arm takes, mm: it goes on in the nearest position and is tight before the farthest; three quarters of the way is left for stretch. */
export function beltRangeMm(engine: Design['engine'], a: Alternator): readonly [number, number] | null {
  const { nearMm, farMm } = engine.fit;
  if (nearMm === null || farMm === null || a.enginePulleyMm === null || a.pulleyMm === null || farMm <= nearMm) return null;
  const at = (mm: number) => beltLengthMm(mm, a.enginePulleyMm ?? 0, a.pulleyMm ?? 0);
  return [at(nearMm), at(nearMm + (farMm - nearMm) / 4)];
}
