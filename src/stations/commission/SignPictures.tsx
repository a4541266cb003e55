import type { TestLine } from '@/core/commission';
import { useDesign, useStore } from '@/ui/boat/context';

/** Pictures taken with the readings of a stage, as they print. */
export function SignPictures({ lines }: { lines: readonly TestLine[] }) {
  const { photos } = useDesign();
  const { boatId } = useStore();
  const of = new Map(lines.map((l) => [l.id, l.what]));
  const shown = photos.flatMap((p) => (p.about.kind === 'test' && of.has(p.about.id) ? [{ ...p, what: of.get(p.about.id) ?? '' }] : []));
  if (shown.length === 0) return null;
  return (
    <div className="mt-2 flex flex-wrap gap-3">
      {shown.map((p) => (
        <figure key={p.id} className="w-[164px]">
          {/* eslint-disable-next-line @next/next/no-img-element -- a file of the boat's own, already of its size */}
          <img
            src={`/api/boats/${boatId}/photos/${p.id}`}
            alt={p.caption || `as read: ${p.what}`}
            className="h-[112px] w-full border border-line object-cover"
          />
          <figcaption className="text-[11.5px] text-quiet">{[p.what, p.caption].filter(Boolean).join(': ')}</figcaption>
        </figure>
      ))}
    </div>
  );
}
