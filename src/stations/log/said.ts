/** A record in words, for the list and for the table that goes out. */
import type { BoatRecord } from '@/core/design';

export const SORTS = ['work', 'part', 'fault', 'cure', 'visit', 'note'] as const;
export const WHAT = ['everything', 'entries', 'readings', 'marks', 'time'] as const;
const OF: Readonly<Record<BoatRecord['kind'], (typeof WHAT)[number]>> = {
  entry: 'entries',
  reading: 'readings',
  mark: 'marks',
  time: 'time',
};

export const sortOf = (r: BoatRecord): (typeof WHAT)[number] => OF[r.kind];

const text = (x: unknown): string => (typeof x === 'string' ? x : typeof x === 'number' ? String(Math.round(x * 1000) / 1000) : '');

export function wordsOf(r: BoatRecord): string {
  const { body } = r;
  switch (r.kind) {
    case 'entry':
      return [text(body.sort), text(body.text)].filter(Boolean).join(': ');
    case 'reading':
      return [text(body.what), body.value === null ? '' : `${text(body.value)} ${text(body.unit)}`, text(body.verdict)]
        .filter(Boolean)
        .join(', ');
    case 'time':
      return `${text(body.what)}: ${text(body.minutes)} min, ${text(body.estimated)} estimated`;
    default:
      return [text(body.label) || text(body.what), text(body.state), text(body.why)].filter(Boolean).join(', ');
  }
}

export const dayOf = (at: number): string => new Date(at).toISOString().slice(0, 10);
