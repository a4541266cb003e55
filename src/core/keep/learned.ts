/** Hours as they were against hours as they were estimated, by kind of work (docs/methods.md, "Hours"). */
import { learnedFactor } from '../build';
import type { BoatRecord } from '../design';
import { WORK_KINDS, type WorkKind } from '../rules';

export interface Learned {
  readonly kind: WorkKind;
  readonly n: number;
  readonly realMin: number;
  readonly estimatedMin: number;
  readonly ratio: number;
  /** What the next estimate would be multiplied by. */
  readonly factor: number;
}

/** Of each task the last time that was noted counts: an earlier one was amended by it. */
export function learnedOf(records: readonly BoatRecord[]): readonly Learned[] {
  const last = new Map<string, BoatRecord>();
  for (const r of records) if (r.kind === 'time' && r.at >= (last.get(r.thing)?.at ?? 0)) last.set(r.thing, r);
  return WORK_KINDS.flatMap((kind): Learned[] => {
    const own = [...last.values()].filter(
      (r) => r.body.kind === kind && typeof r.body.minutes === 'number' && typeof r.body.estimated === 'number' && r.body.estimated > 0,
    );
    if (own.length === 0) return [];
    const sum = (key: 'minutes' | 'estimated') => own.reduce((n, r) => n + Number(r.body[key]), 0);
    const [realMin, estimatedMin] = [sum('minutes'), sum('estimated')];
    const ratio = realMin / estimatedMin;
    return [{ kind, n: own.length, realMin, estimatedMin, ratio, factor: learnedFactor(ratio, own.length) }];
  });
}
