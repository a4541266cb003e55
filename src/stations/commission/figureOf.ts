/** What a meter that is listened to shows of a line of the test sheet. */
import type { TestLine } from '@/core/commission';

/** What a meter shows of a bank just now. */
export interface AtHand {
  readonly bankId: string;
  readonly volts: number | null;
  readonly amps: number | null;
}

/** What the meter shows of what a line asks for: volts at its bank's posts, or amps of the one thing that is on. null: it cannot say. */
export function figureOf(line: TestLine, hand: AtHand | null, bankOfSource: (sourceId: string) => string | null): number | null {
  if (!hand) return null;
  const [kind = '', ...rest] = line.id.split('.');
  const last = rest.at(-1) ?? '';
  if (kind === 'rest') return last === hand.bankId ? hand.volts : null;
  if (kind === 'absorbs') return bankOfSource(last) === hand.bankId ? hand.volts : null;
  if (kind === 'gives' || kind === 'speed') return bankOfSource(last) === hand.bankId ? hand.amps : null;
  // A load that is on alone flows out of the bank.
  if (kind === 'amps') return hand.amps === null ? null : -hand.amps;
  return null;
}
