/** What a way of living leaves free on the source it lives on (docs/methods.md, M12). */
import type { Design, Living } from '../design';
import { spansOf } from '../demand';
import { withBreakers } from './breakers';
import { rowsOn } from './consumers';
import { runningOn } from './running';
import { type Setting, settingsOf } from './services';

export interface Headroom {
  readonly setting: Setting;
  /** Room left, VA, with what is wanted together and used in that way of living; below zero: too much. */
  readonly va: number;
  readonly count: number;
}

/** Shore where the day has it, else the generator, else the inverter; null without a source for that way of living. */
export function headroomOf(design: Design, living: Living): Headroom | null {
  const settings = withBreakers(design, settingsOf(design));
  const kind = spansOf(living, 'shore').length > 0 ? 'shore' : spansOf(living, 'generator').length > 0 ? 'generator' : 'inverter';
  const setting = settings.find((s) => s.kind === kind) ?? (kind === 'generator' ? settings.find((s) => s.kind === 'inverter') : undefined);
  if (!setting) return null;
  const used = rowsOn(design, setting.sourceId).filter((l) => l.chargerId !== null || (l.hours[living.id] ?? 0) > 0);
  const { wanted } = design.acRules;
  const ids = used.filter((l) => wanted.length === 0 || wanted.includes(l.id)).map((l) => l.id);
  const { roomVa } = runningOn(design, setting, ids, false).wanted;
  return Number.isFinite(roomVa) ? { setting, va: roomVa, count: ids.length } : null;
}
