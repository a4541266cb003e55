'use client';
import { useMemo, useState } from 'react';
import type { Finding } from '@/core';
import type { TestLine } from '@/core/commission';
import { recordedFindings } from '@/core/report';
import { useAsked, useDesign } from './context';
import { useBook } from './useBook';

const USUAL = { restV: {}, ambientC: 20 };

/** What was read at the boat and was not right, or goes where it should not, as findings until it is repeated. */
export function useRecorded(): readonly Finding[] {
  const design = useDesign();
  const { records } = useBook();
  const some = (records ?? []).some((r) => r.kind === 'reading');
  const sheet = useAsked<readonly TestLine[]>(some ? 'tests:open' : null, (r) => r.testSheet(USUAL));
  const [now] = useState(() => Date.now());
  return useMemo(() => (sheet && records ? recordedFindings(design, sheet, records, now) : []), [design, sheet, records, now]);
}
