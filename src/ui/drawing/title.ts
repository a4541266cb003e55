/** What the title block of a drawing says. */
import type { Design } from '@/core/design';
import type { DrawingWish } from '@/core/drawing';
import type { Title } from './Sheet';

export const RAILS: Readonly<Record<DrawingWish['rails'], string>> = {
  both: 'positive, negative and earth',
  'one line': 'one line',
  earths: 'negatives and earths',
  AC: 'AC side',
};

/** @param shown the state of the AC side or the study that is shown, in words; null revision or date: none is known. */
export const titleOf = (
  design: Design,
  { rails, shown = '', revision, on }: { rails: DrawingWish['rails']; shown?: string; revision: number | null; on: string | null },
): Title => ({
  vessel: design.boat.name,
  what: `Line drawing, ${RAILS[rails]}, ${rails === 'AC' ? design.boat.acRegion : `${design.boat.systemV} V DC`}`,
  rules: `Rule set: ${design.boat.ruleSet}${shown === '' ? '' : `; ${shown}`}`,
  revision,
  on,
});
