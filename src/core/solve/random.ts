/** Seeded random figures: the same seed and stream give the same figures on any machine and in any worker. */

export interface Random {
  /** Evenly in 0..1. */
  readonly even: () => number;
  /** Mean 0, spread 1. */
  readonly normal: () => number;
}

/** Mulberry-style 32-bit generator of one stream. @param stream one cruise of many; streams do not overlap in practice. */
export function random(seed: number, stream: number): Random {
  let a = (Math.imul(seed ^ 0x9e3779b9, 0x85ebca6b) ^ Math.imul(stream + 0x632be59b, 0xc2b2ae35)) >>> 0;
  const even = () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  let spare: number | null = null;
  const normal = () => {
    if (spare !== null) {
      const out = spare;
      spare = null;
      return out;
    }
    const r = Math.sqrt(-2 * Math.log(1 - even()));
    const angle = 2 * Math.PI * even();
    spare = r * Math.sin(angle);
    return r * Math.cos(angle);
  };
  return { even, normal };
}
