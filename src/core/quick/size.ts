/** A conductor as it is typed in a five-minute check. */
import { parseSize } from '../design';
import type { Units } from '../quantity';
import type { School } from '../rules';

/** Read as the boat's school has it; null: nothing, or no such size. */
export function sizeTyped(units: Units, text: string): { school: School; size: string } | null {
  const parsed = text.trim() === '' ? null : parseSize(text, units);
  return parsed?.ok ? parsed.value : null;
}
