/** What a reading is worth before it is taken (docs/methods.md, M16). */

/** Bits left open over weights that need not add up to one. */
export const open = (weights: readonly number[]): number => {
  const sum = weights.reduce((n, w) => n + w, 0) || 1;
  return weights.reduce((n, w) => (w > 0 ? n - (w / sum) * Math.log2(w / sum) : n), 0);
};

/** Bits a reading is worth: how much less is left open, on the mean over what may be true, once it is known to its spread. */
export function worth(predicted: readonly { readonly p: number; readonly mv: number }[], sigma: number): number {
  const total = predicted.reduce((n, x) => n + x.p, 0) || 1;
  const after = predicted.reduce(
    (n, truth) => n + (truth.p / total) * open(predicted.map((x) => x.p * Math.exp(-(((truth.mv - x.mv) / sigma) ** 2) / 4))),
    0,
  );
  return Math.max(0, open(predicted.map((x) => x.p)) - after);
}
