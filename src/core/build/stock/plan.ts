/**
 * Cutting stock: which piece is cut from which length, for the least new copper, then the fewest short offcuts
 * (docs/methods.md, "Reels"). Lengths in whole mm. A piece is never spliced.
 */

/** Lost at each cut, mm. */
export const KERF_MM = 5;
/** A shorter rest is of little use, mm. */
export const SHORT_MM = 500;

export interface Wanted {
  readonly id: string;
  readonly mm: number;
}

/** A length in the store: an offcut, or what is left on a reel. */
export interface InStore {
  readonly id: string;
  readonly mm: number;
}

/** How it is sold: from the drum in steps, or in whole reels. */
export type Sold = { readonly by: 'step'; readonly mm: number } | { readonly by: 'reel'; readonly mm: number };

export interface CutFrom {
  /** Id in the store; null: bought. */
  readonly from: string | null;
  readonly mm: number;
  readonly pieces: readonly string[];
  readonly leftMm: number;
}

export interface CutPlan {
  readonly lengths: readonly CutFrom[];
  readonly newMm: number;
  /** No plan needs less new copper. */
  readonly leastMm: number;
  readonly shortOffcuts: number;
  /** Neither less new copper nor, with as much, fewer short offcuts are possible. */
  readonly proved: boolean;
}

export interface StockAsked {
  readonly wanted: readonly Wanted[];
  readonly store: readonly InStore[];
  readonly sold: Sold;
}

const taken = (mm: number): number => mm + KERF_MM;
/** Room for cuts in a length: the last piece may end where it ends. */
const room = (mm: number): number => mm + KERF_MM;
const isShort = (leftMm: number): boolean => leftMm > 0 && leftMm < SHORT_MM;
const ceilTo = (mm: number, step: number): number => Math.ceil(mm / step - 1e-9) * step;

/** What bought pieces ask for, mm: from the drum as one length, or in so many reels. */
function bought(ids: readonly Wanted[], sold: Sold): CutFrom[] {
  if (ids.length === 0) return [];
  if (sold.by === 'step') {
    const sum = ids.reduce((all, p) => all + taken(p.mm), 0) - KERF_MM;
    const mm = ceilTo(sum, sold.mm);
    return [{ from: null, mm, pieces: ids.map((p) => p.id), leftMm: Math.max(0, mm - sum - KERF_MM) }];
  }
  const reels: { left: number; pieces: string[] }[] = [];
  for (const p of [...ids].sort((a, b) => b.mm - a.mm)) {
    const fits = reels.filter((r) => r.left >= taken(p.mm)).sort((a, b) => a.left - b.left)[0];
    const into = fits ?? { left: room(sold.mm), pieces: [] };
    if (!fits) reels.push(into);
    into.left -= taken(p.mm);
    into.pieces.push(p.id);
  }
  return reels.map((r) => ({ from: null, mm: sold.mm, pieces: r.pieces, leftMm: Math.max(0, r.left - KERF_MM) }));
}

/** Pieces no length sold is long enough for; they must come from the drum. */
export const tooLong = ({ wanted, sold, store }: StockAsked): readonly Wanted[] =>
  sold.by === 'step' ? [] : wanted.filter((p) => p.mm > sold.mm && !store.some((s) => s.mm >= p.mm));

/** The least any plan needs: all that is wanted, less all that the store could hold of it. */
export function leastNew({ wanted, store, sold }: StockAsked): number {
  const all = wanted.reduce((sum, p) => sum + taken(p.mm), 0);
  const smallest = Math.min(...wanted.map((p) => taken(p.mm)));
  const held = store.reduce((sum, s) => (room(s.mm) >= smallest ? sum + room(s.mm) : sum), 0);
  const rest = Math.max(0, all - held);
  if (rest === 0) return 0;
  return sold.by === 'step' ? ceilTo(rest - KERF_MM, sold.mm) : ceilTo(rest / room(sold.mm), 1) * sold.mm;
}

const closed = (lengths: readonly CutFrom[], leastMm: number, sold: Sold): CutPlan => {
  const newMm = lengths.reduce((sum, l) => sum + (l.from === null ? l.mm : 0), 0);
  // From the drum no more is taken than is asked for: what is left of a step is no offcut to count.
  const shortOffcuts = lengths.filter((l) => (l.from !== null || sold.by === 'reel') && isShort(l.leftMm)).length;
  return { lengths, newMm, leastMm, shortOffcuts, proved: newMm <= leastMm && shortOffcuts === 0 };
};

/** At once: the longest piece first, each where it leaves least. */
export function firstPlan(asked: StockAsked): CutPlan {
  const { wanted, store, sold } = asked;
  const bins = store.map((s) => ({ ...s, left: room(s.mm), pieces: [] as string[] }));
  const rest: Wanted[] = [];
  for (const p of [...wanted].sort((a, b) => b.mm - a.mm || a.id.localeCompare(b.id))) {
    const fits = bins.filter((b) => b.left >= taken(p.mm)).sort((a, b) => a.left - b.left)[0];
    if (!fits) rest.push(p);
    else {
      fits.left -= taken(p.mm);
      fits.pieces.push(p.id);
    }
  }
  const used = bins.filter((b) => b.pieces.length > 0);
  return closed(
    [...used.map((b) => ({ from: b.id, mm: b.mm, pieces: b.pieces, leftMm: Math.max(0, b.left - KERF_MM) })), ...bought(rest, sold)],
    leastNew(asked),
    sold,
  );
}

/** A solver of mixed-integer programs in LP text. bound: no solution is lower. null: none was found in time. */
export type Solve = (lp: string) => { readonly value: (name: string) => number; readonly bound: number; readonly optimal: boolean } | null;

interface Kind {
  readonly mm: number;
  readonly ids: readonly string[];
}

/** Pieces of one length are one kind: which of them is cut from where is all the same. */
const kindsOf = (wanted: readonly Wanted[]): Kind[] => {
  const by = new Map<number, string[]>();
  for (const p of wanted) by.set(p.mm, [...(by.get(p.mm) ?? []), p.id]);
  return [...by].map(([mm, ids]) => ({ mm, ids })).sort((a, b) => b.mm - a.mm);
};

/** Terms of a sum, several to a line: lines of such a file are bounded. */
const sum = (terms: readonly string[]): string =>
  terms.length === 0
    ? '0 nothing'
    : terms.map((t, i) => `${i % 12 === 11 ? '\n' : ''}${i > 0 && !t.startsWith('-') ? '+ ' : ''}${t}`).join(' ');

/** The whole as a program: its objective is new copper, mm, and one for each short offcut. */
export function programOf({ wanted, store, sold }: StockAsked, reels: number): string {
  const kinds = kindsOf(wanted);
  const bins = [
    ...store.map((s) => ({ mm: s.mm, isNew: false })),
    ...(sold.by === 'reel' ? Array.from({ length: reels }, () => ({ mm: sold.mm, isNew: true })) : []),
  ];
  const cost: string[] = [];
  const rows: string[] = [];
  const general: string[] = [];
  const binary: string[] = [];
  const bounds: string[] = [];
  bins.forEach((bin, j) => {
    const fits = kinds.flatMap((k, t) => (k.mm <= bin.mm ? [{ k, t }] : []));
    for (const { k, t } of fits) {
      general.push(`x${t}_${j}`);
      bounds.push(`0 <= x${t}_${j} <= ${k.ids.length}`);
    }
    binary.push(`u${j}`, `s${j}`, `z${j}`);
    cost.push(`1 s${j}`);
    if (bin.isNew) cost.push(`${bin.mm} u${j}`);
    const used = fits.map(({ k, t }) => `${taken(k.mm)} x${t}_${j}`);
    // What is cut fits; what is left is long enough, nothing at all, or counted as short.
    rows.push(`${sum([...used, `- ${room(bin.mm)} u${j}`])} <= 0`);
    const enough = SHORT_MM + KERF_MM;
    rows.push(`${sum([...used, `- ${Math.max(0, room(bin.mm) - enough)} u${j}`, `- ${enough} s${j}`, `- ${enough} z${j}`])} <= 0`);
    rows.push(`${sum([...used, `- ${bin.mm} z${j}`])} >= 0`);
    // Reels are alike: the first is used first.
    if (bin.isNew && bins[j - 1]?.isNew) rows.push(`u${j - 1} - u${j} >= 0`);
  });
  if (sold.by === 'step') {
    const least = wanted.reduce((n, p) => n + taken(p.mm), 0);
    kinds.forEach((k, t) => {
      general.push(`b${t}`);
      bounds.push(`0 <= b${t} <= ${k.ids.length}`);
    });
    general.push('y');
    bounds.push(`0 <= y <= ${Math.ceil(least / sold.mm) + 1}`);
    cost.push(`${sold.mm} y`);
    // The last of what is bought needs no cut of its own: a step of slack is not worth a variable.
    rows.push(`${sum([...kinds.map((k, t) => `${taken(k.mm)} b${t}`), `- ${sold.mm} y`])} <= ${KERF_MM}`);
  }
  kinds.forEach((k, t) => {
    const everywhere = bins.flatMap((bin, j) => (k.mm <= bin.mm ? [`x${t}_${j}`] : []));
    rows.push(`${sum([...everywhere, ...(sold.by === 'step' ? [`b${t}`] : [])])} = ${k.ids.length}`);
  });
  return [
    'Minimize',
    ` obj: ${sum(cost)}`,
    'Subject To',
    ...rows.map((r, i) => ` r${i}: ${r}`),
    'Bounds',
    ...bounds.map((b) => ` ${b}`),
    'Generals',
    ` ${general.join('\n ')}`,
    'Binaries',
    ` ${binary.join('\n ')}`,
    'End',
  ].join('\n');
}

/** The best plan the solver finds: never worse than the one made at once. */
export function bestPlan(asked: StockAsked, solve: Solve): CutPlan {
  const first = firstPlan(asked);
  if (first.proved || asked.wanted.length === 0 || tooLong(asked).length > 0) return first;
  const reels = asked.sold.by === 'reel' ? Math.round(first.newMm / asked.sold.mm) : 0;
  const found = solve(programOf(asked, reels));
  if (!found) return first;
  const kinds = kindsOf(asked.wanted);
  const mmOf = new Map(asked.wanted.map((p) => [p.id, p.mm]));
  const left = kinds.map((k) => [...k.ids]);
  const take = (t: number, n: number) => left[t]?.splice(0, Math.round(n)) ?? [];
  const { sold } = asked;
  const bins = [
    ...asked.store.map((s) => ({ id: s.id as string | null, mm: s.mm })),
    ...Array.from({ length: reels }, () => ({ id: null, mm: sold.mm })),
  ];
  const lengths = bins.flatMap((bin, j): CutFrom[] => {
    const pieces = kinds.flatMap((k, t) => (k.mm <= bin.mm ? take(t, found.value(`x${t}_${j}`)) : []));
    const used = pieces.reduce((n, id) => n + taken(mmOf.get(id) ?? 0), 0);
    return pieces.length === 0 ? [] : [{ from: bin.id, mm: bin.mm, pieces, leftMm: Math.max(0, bin.mm - used) }];
  });
  const rest = left.flat().map((id) => ({ id, mm: mmOf.get(id) ?? 0 }));
  // The bound counts short offcuts too, one each; new copper comes in whole steps.
  const leastMm = Math.min(first.newMm, Math.max(first.leastMm, ceilTo(found.bound - bins.length, sold.mm)));
  const plan = closed([...lengths, ...bought(rest, sold)], leastMm, sold);
  const better = plan.newMm < first.newMm || (plan.newMm === first.newMm && plan.shortOffcuts <= first.shortOffcuts);
  const best = better ? plan : { ...first, leastMm };
  return found.optimal && better ? { ...best, leastMm: best.newMm, proved: true } : best;
}
