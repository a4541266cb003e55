/**
 * Potentials of metals under water, joined as they lie, against silver chloride in sea water, mV: less negative and they are eaten, more and
 * paint, light metal or wood is. After EN 12473 and small-craft practice; typical, to be verified.
 */
export const UNDERWATER_METALS = ['bronze or copper', 'stainless steel', 'steel or iron', 'aluminium', 'lead'] as const;
export type UnderwaterMetal = (typeof UNDERWATER_METALS)[number];

export interface PotentialLimits {
  readonly leastMv: number;
  readonly mostMv: number;
  readonly why: string;
}

const POTENTIALS: Readonly<Record<UnderwaterMetal, readonly [leastMv: number, mostMv: number]>> = {
  'bronze or copper': [-1100, -450],
  'stainless steel': [-1100, -500],
  'steel or iron': [-1100, -850],
  aluminium: [-1150, -950],
  lead: [-1100, -550],
};
/** About fastenings in wood that is held below this, lye forms and softens it, mV. */
const WOOD_LEAST_MV = -600;

export type Hull = 'glass fibre' | 'wood' | 'steel' | 'aluminium';

/** What the hull itself is of, where it is metal. */
export const metalOfHull = (hull: Hull): UnderwaterMetal | null =>
  hull === 'steel' ? 'steel or iron' : hull === 'aluminium' ? 'aluminium' : null;

/** @param metal of what is read; null: not said, the hull's, else bronze. */
export function potentialLimits(hull: Hull, metal: UnderwaterMetal | null): PotentialLimits {
  const of = metal ?? metalOfHull(hull) ?? 'bronze or copper';
  const [least, mostMv] = POTENTIALS[of];
  const wood = hull === 'wood' && least < WOOD_LEAST_MV && mostMv > WOOD_LEAST_MV;
  return {
    leastMv: wood ? WOOD_LEAST_MV : least,
    mostMv,
    why: `${of} in sea water against silver chloride${wood ? ', in a wooden hull: more negative softens the wood about it' : ''}, typical; verify`,
  };
}
