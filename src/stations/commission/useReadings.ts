'use client';
import { useMemo } from 'react';
import { bandAt, type Conditions, type TestLine, type Verdict, verdictOf } from '@/core/commission';
import { useAsked } from '@/ui/boat/context';
import { useBook } from '@/ui/boat/useBook';

export interface Read {
  readonly value: number | null;
  readonly verdict: Verdict | 'seen' | 'not right';
  readonly atA: number | null;
  readonly instrument: string;
  readonly by: string | null;
  readonly at: number;
  readonly note: string;
}

const num = (x: unknown): number | null => (typeof x === 'number' ? x : null);
const text = (x: unknown): string => (typeof x === 'string' ? x : '');

/** The sheet with what was read so far: each line's readings, the last one last. */
export function useReadings(ambientC: number) {
  const book = useBook();
  const { records, marks } = book;
  const byLine = useMemo(() => {
    const by = new Map<string, Read[]>();
    for (const r of records ?? []) {
      if (r.kind !== 'reading' || !r.thing.startsWith('test:')) continue;
      const id = r.thing.slice(5);
      const read: Read = {
        value: num(r.body.value),
        verdict: text(r.body.verdict) as Read['verdict'],
        atA: num(r.body.atA),
        instrument: text(r.body.instrument),
        by: r.by,
        at: r.at,
        note: text(r.body.note),
      };
      by.set(id, [...(by.get(id) ?? []), read]);
    }
    return by;
  }, [records]);
  // Rest volts as they were read are what is expected from then on.
  const given = useMemo(
    (): Conditions => ({
      ambientC,
      restV: Object.fromEntries(
        [...byLine].flatMap(([id, all]) => {
          const value = id.startsWith('rest.') ? all[all.length - 1]?.value : null;
          return typeof value === 'number' ? [[id.slice(5), value] as const] : [];
        }),
      ),
    }),
    [byLine, ambientC],
  );
  const sheet = useAsked<readonly TestLine[]>(`tests:${JSON.stringify(given)}`, (r) => r.testSheet(given));
  const take = (line: TestLine, value: number | null, atA: number | null, instrument: string, right = true) => {
    const band = bandAt(line, atA);
    const verdict = value === null ? (right ? 'seen' : 'not right') : verdictOf(value, band, line.limit).verdict;
    return book.add([
      {
        kind: 'reading',
        thing: `test:${line.id}`,
        body: {
          value,
          unit: line.unit,
          atA,
          verdict,
          instrument: instrument.slice(0, 120),
          what: line.what.slice(0, 200),
          ...(band ? { expected: band.expected, low: band.low, high: band.high } : {}),
        },
      },
    ]);
  };
  return { book, marks, sheet, byLine, take };
}

export const isRight = (read: Read | undefined): boolean => read?.verdict === 'pass' || read?.verdict === 'seen';
