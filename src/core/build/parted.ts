/** Pieces of a run that is parted by what stands in line. */
import type { BatteryCable, Circuit, Design, InlineDevice } from '../design';
import type { School } from '../rules';
import { leadStretchesOf, stretchesOf } from '../topology';
import type { Cut } from './cut';
import { inlineEnd } from './ends';

interface Line {
  readonly devices: readonly InlineDevice[];
  /** Parts this pole; the others it passes by. */
  readonly parts: (d: InlineDevice) => boolean;
  /** Estimated lengths between what is placed, one more than there are such; null: they are not told. */
  readonly stretches: readonly number[] | null;
}

/** Lengths between what is placed, as taped; null: not all of them are, or they come to more than the whole. */
function taped(placed: readonly InlineDevice[], whole: Cut): readonly number[] | null {
  if (!whole.taped) return null;
  const known = placed.flatMap((d) => d.fromM ?? []);
  const rest = whole.lengthM - known.reduce((sum, m) => sum + m, 0);
  return known.length === placed.length && rest > 0 ? [...known, rest] : null;
}

/**
 * A piece parted by what stands in line where its place is entered. What has no place leaves the piece whole, and says that it is parted where
 * that stands: it is not to be cut before. Where the stretches are not taped one by one their lengths are shared out as the places are.
 */
function partedBy(whole: Cut, { devices, parts, stretches }: Line, school: School, size: string): readonly Cut[] {
  const placed = devices.filter((d) => d.placeId !== null);
  const owing = (left: readonly InlineDevice[]) => left.map((d) => `its ${d.kind}`).join(' and ');
  const note = (left: readonly InlineDevice[]) =>
    left.length === 0 ? '' : `parted where ${owing(left)} will stand: two ${inlineEnd(left[0]?.kind ?? 'switch', school, size)} more`;
  const parting = devices.filter(parts);
  if (!stretches || !parting.some((d) => d.placeId !== null)) {
    const left = stretches ? parting.filter((d) => d.placeId === null) : parting;
    return [{ ...whole, note: note(left), unplaced: owing(left) }];
  }
  const measured = taped(placed, whole);
  const estimated = stretches.reduce((sum, m) => sum + m, 0);
  const out: Cut[] = [];
  let run = 0;
  let fromEnd = whole.fromEnd;
  let from = whole.from;
  stretches.forEach((m, k) => {
    run += measured?.[k] ?? (whole.lengthM * m) / estimated;
    const device = placed[k];
    // The last stretch ends at the tap; a device that does not part this pole is passed by.
    if (k < stretches.length - 1 && !(device && parts(device))) return;
    const end = device && k < stretches.length - 1 ? inlineEnd(device.kind, school, size) : whole.toEnd;
    const to = device && k < stretches.length - 1 ? { name: `its ${device.kind}`, node: null } : whole.to;
    out.push({
      ...whole,
      id: `${whole.id}.${out.length + 1}`,
      lengthM: run,
      taped: measured !== null,
      fromEnd,
      toEnd: end,
      from,
      to,
    });
    [fromEnd, from, run] = [end, to, 0];
  });
  const left = parting.filter((d) => d.placeId === null);
  return out.map((c, k) => ({
    ...c,
    label: `${c.label}, ${k + 1} of ${out.length}`,
    openM: k === 0 ? whole.openM : 0,
    note: k === 0 ? note(left) : '',
    unplaced: owing(left),
  }));
}

/** Of a circuit: a plug parts both poles, the rest the positive. */
export const partedAt = (design: Design, circuit: Circuit, whole: Cut, school: School, size: string): readonly Cut[] =>
  partedBy(
    whole,
    {
      devices: circuit.devices,
      parts: (d) => whole.polarity === '+' || d.kind === 'plug',
      stretches: stretchesOf(design, circuit),
    },
    school,
    size,
  );

/** Of a battery cable: all that it goes through. */
export const partedLead = (design: Design, lead: BatteryCable, whole: Cut, school: School, size: string): readonly Cut[] =>
  partedBy(whole, { devices: lead.through, parts: () => true, stretches: leadStretchesOf(design, lead) }, school, size);
