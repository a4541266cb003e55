/** How well the body of electronics keeps water out (IEC 60529): entered, else typical of its kind. */
import { kindOf, type LoadKind } from './loadKind';

/** Codes as they stand on plates; the second figure is water. */
export const IP_CODES = ['20', '22', '34', '44', '54', '55', '56', '65', '66', '67', '68', 'X2', 'X4', 'X5', 'X6', 'X7', 'X8'] as const;
export type IpCode = (typeof IP_CODES)[number];

/** Typical, ours: what is sold for a cockpit or a mast; everything else is for a dry place. */
const TYPICAL: Partial<Readonly<Record<LoadKind, IpCode>>> = {
  display: '67',
  radar: '66',
  radio: '67',
  'navigation light': '67',
  steering: '56',
};

/** Its code, and whether that is only typical of its kind. */
export function enclosureOf(load: Parameters<typeof kindOf>[0] & { readonly ip: IpCode | null }): {
  readonly ip: IpCode;
  readonly typical: boolean;
} {
  return load.ip === null ? { ip: TYPICAL[kindOf(load)] ?? '20', typical: true } : { ip: load.ip, typical: false };
}

/** Second figure of the code: 2 drips, 4 splashes, 5 jets, 6 heavy seas, 7 immersion. */
export const waterFigure = (ip: IpCode): number => Number(ip[1]);

/** "IP67", "67", "ip x7"; null: no such code. */
export const parseIp = (text: string): IpCode | null => {
  const bare = text
    .trim()
    .toUpperCase()
    .replace(/^IP\s*/, '');
  return IP_CODES.find((c) => c === bare) ?? null;
};
