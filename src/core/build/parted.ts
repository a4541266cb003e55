/** Pieces of a run that is parted by what stands in line. */
import type { Circuit, Design, InlineDevice } from '../design';
import type { School } from '../rules';
import { stretchesOf } from '../topology';
import type { Cut } from './cut';
import { inlineEnd } from './ends';

/**
 * A piece parted by what stands in line where its place is entered: a plug parts both poles, the rest the positive. What has no place leaves
 * the piece whole, and says that it is parted where that stands.
 */
export function partedAt(design: Design, circuit: Circuit, whole: Cut, school: School, size: string): readonly Cut[] {
  const parts = circuit.devices.filter((d) => whole.polarity === '+' || d.kind === 'plug');
  const placed = circuit.devices.filter((d) => d.placeId !== null);
  const stretches = stretchesOf(design, circuit);
  const note = (left: readonly InlineDevice[]) =>
    left.length === 0
      ? ''
      : `parted where its ${left.map((d) => d.kind).join(' and its ')} will stand: two ${inlineEnd(left[0]?.kind ?? 'switch', school, size)} more`;
  if (!stretches) return [{ ...whole, note: note(parts) }];
  const estimated = stretches.reduce((sum, m) => sum + m, 0);
  const out: Cut[] = [];
  let run = 0;
  let fromEnd = whole.fromEnd;
  stretches.forEach((m, k) => {
    run += (whole.lengthM * m) / estimated;
    const device = placed[k];
    // The last stretch ends at the tap; a device that does not part this pole is passed by.
    if (k < stretches.length - 1 && !(device && parts.includes(device))) return;
    const end = device && k < stretches.length - 1 ? inlineEnd(device.kind, school, size) : whole.toEnd;
    out.push({ ...whole, lengthM: run, fromEnd, toEnd: end });
    [fromEnd, run] = [end, 0];
  });
  const unplaced = note(parts.filter((d) => d.placeId === null));
  return out.map((c, k) => ({
    ...c,
    label: out.length > 1 ? `${c.label}, ${k + 1} of ${out.length}` : c.label,
    note: k === 0 ? unplaced : '',
  }));
}
