'use client';
import { useState } from 'react';
import { type Element, type Reading, stretchesOf } from '@/core/commission';
import { typed } from './figures';

/** A reading over several parts at once, as it was asked for. */
export interface Over {
  readonly key: string;
  readonly what: string;
  readonly elements: readonly string[];
  readonly mv: number;
}

/** Millivolts typed along a path. @param key of the path: what was typed for another stays with that. */
export function usePathReadings(key: string, elements: readonly Element[], loadA: number | null) {
  const [typedMv, setTypedMv] = useState<Readonly<Record<string, string>>>({});
  const [over, setOver] = useState<readonly Over[]>([]);
  const rows = stretchesOf(elements);
  const wholeText = typedMv[`${key} whole`] ?? '';
  const whole = typed(wholeText);
  const readings: Reading[] =
    loadA === null || loadA <= 0
      ? []
      : [
          ...(whole === null ? [] : [{ elements: elements.map((e) => e.id), amps: loadA, mv: whole }]),
          ...rows.flatMap((s) => {
            const mv = typed(typedMv[`${key} ${s.id}`] ?? '');
            return mv === null ? [] : [{ elements: s.elements.map((e) => e.id), amps: loadA, mv }];
          }),
          ...over.filter((o) => o.key === key).map((o) => ({ elements: o.elements, amps: loadA, mv: o.mv })),
        ];
  return {
    rows,
    readings,
    wholeText,
    setWhole: (text: string) => setTypedMv({ ...typedMv, [`${key} whole`]: text }),
    textOf: (stretchId: string) => typedMv[`${key} ${stretchId}`] ?? '',
    setText: (stretchId: string, text: string) => setTypedMv({ ...typedMv, [`${key} ${stretchId}`]: text }),
    over: over.filter((o) => o.key === key),
    take: (what: string, ids: readonly string[], mv: number) => setOver([...over, { key, what, elements: ids, mv }]),
    takeOff: (one: Over) => setOver(over.filter((o) => o !== one)),
    /** Expected over some of it, mV. */
    expected: (list: readonly Element[]) => list.reduce((n, e) => n + e.mohm, 0) * (loadA ?? 0),
  };
}
export type PathReadings = ReturnType<typeof usePathReadings>;
