/** What every working is put together from. */
import type { Bank } from '../design';
import { type Kind, show, type Units } from '../quantity';
import { CHEMISTRY_SOURCE } from '../rules';
import type { Working, WorkingLine, WorkingSection } from './types';

/** A working of sections alone. */
export const plainWorking = (title: string, sections: readonly WorkingSection[], cautions: readonly string[] = []): Working => ({
  title,
  sections,
  neighbours: [],
  margins: [],
  cautions,
});

export type Liner = (label: string, value: number, kind: Kind, extra?: Partial<WorkingLine>) => WorkingLine;

/** Makes lines in somebody's units. */
export const liner =
  (units: Units): Liner =>
  (label, value, kind, extra = {}) => ({ label, value, kind, text: show(value, kind, units), ...extra });

/** A line of volts to the hundredth, as a regulator is set. */
export const voltsLine = (label: string, value: number, extra: Partial<WorkingLine> = {}): WorkingLine => ({
  label,
  value,
  kind: 'V',
  text: Number.isNaN(value) ? 'dead' : `${value < 0 ? '− ' : ''}${Math.abs(value).toFixed(2)} V`,
  ...extra,
});

/** Whether a figure of the bank is its maker's, or of its chemistry. */
export const bySheet = (bank: Bank, key: keyof Bank['sheet']): Pick<WorkingLine, 'mark' | 'source'> =>
  bank.sheet[key] === null ? { mark: 'typical', source: CHEMISTRY_SOURCE } : { mark: "maker's", source: "the battery's sheet" };
