/** Times of day as people type them. */
import type { Parsed } from '@/core/quantity';

/** "8:05" from hours since midnight. */
export const showHour = (h: number): string => {
  const minutes = Math.round(h * 60);
  return `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')}`;
};

/** "8", "8.5", "8,5", "8:30", "0830"; up to 24:00. */
export function parseHour(text: string): Parsed<number> {
  const t = text.trim().replace(',', '.');
  const clock = /^(\d{1,2})[:.h ](\d{2})$/.exec(t.includes(':') || t.includes('h') ? t : '') ?? /^(\d{2})(\d{2})$/.exec(t);
  const hours = clock ? Number(clock[1]) + Number(clock[2]) / 60 : /^\d{1,2}(\.\d+)?$/.test(t) ? Number(t) : NaN;
  if (!Number.isFinite(hours) || hours > 24 || (clock && Number(clock[2]) > 59))
    return { ok: false, message: 'a time such as 8:30 is meant, up to 24:00' };
  return { ok: true, value: Math.round(hours * 60) / 60 };
}
