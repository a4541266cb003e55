'use client';
import type { Finding } from '@/core';
import { useAsked } from './context';
import { useBook } from './useBook';

const NONE: readonly Finding[] = [];

/** What was read at the boat and was not right, or goes where it should not, as findings until it is repeated. */
export function useRecorded(): readonly Finding[] {
  const { records } = useBook();
  // Records are only added to: how many there are tells one state of the book from another.
  const some = (records ?? []).some((r) => r.kind === 'reading');
  return useAsked<readonly Finding[]>(some ? `recorded:${records?.length ?? 0}` : null, (r) => r.recorded(records ?? [])) ?? NONE;
}
