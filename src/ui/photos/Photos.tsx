'use client';
import { useId, useState } from 'react';
import { addOp, BOUNDS, dropOp, type Photo, setOp } from '@/core/design';
import { useDesign, useStore } from '@/ui/boat/context';

const MOST_BYTES = 15_000_000;

/** Pictures of one thing aboard: taken in, captioned, put away. They are kept beside the database and travel in the zip. */
export function Photos({ about, of }: { about: Photo['about']; of: string }) {
  const design = useDesign();
  const store = useStore();
  const id = useId();
  const [busy, setBusy] = useState(false);
  const [gone, setGone] = useState<ReadonlySet<string>>(new Set());
  const own = design.photos.filter((p) => p.about.kind === about.kind && p.about.id === about.id);
  const take = async (files: readonly File[]) => {
    setBusy(true);
    for (const file of files) {
      if (file.size > MOST_BYTES) {
        store.say('refused', `${file.name} is ${(file.size / 1e6).toFixed(0)} MB; a picture is at most ${MOST_BYTES / 1e6} MB.`);
        continue;
      }
      const answer = await fetch(`/api/boats/${store.boatId}/photos`, { method: 'POST', body: file }).catch(() => null);
      const body = (await answer?.json().catch(() => null)) as { id: string; widthPx: number; heightPx: number; error?: string } | null;
      if (!answer?.ok || !body) {
        store.say('refused', `${file.name}: ${body?.error ?? 'the server does not answer'}`);
        continue;
      }
      const now = store.snapshot().design;
      if (now.photos.length >= BOUNDS.photos) {
        store.say('refused', `A boat holds at most ${BOUNDS.photos} pictures.`);
        break;
      }
      const photo: Photo = { id: body.id, widthPx: body.widthPx, heightPx: body.heightPx, about, caption: '' };
      store.edit(`picture of ${of}`, [addOp(now, 'photos', photo)]);
    }
    setBusy(false);
  };
  return (
    <section aria-label={`Pictures of ${of}`} className="py-2">
      <div className="flex flex-wrap items-start gap-3">
        {own.map((photo) => (
          <figure key={photo.id} className="w-[164px]">
            {gone.has(photo.id) ? (
              <p className="flex h-[112px] items-center border border-line px-2 text-[12px] font-semibold text-lead">
                its file is missing or damaged; it may be in a backup
              </p>
            ) : (
              <a href={`/api/boats/${store.boatId}/photos/${photo.id}`} target="_blank" rel="noreferrer">
                {/* eslint-disable-next-line @next/next/no-img-element -- a file of the boat's own, already of its size */}
                <img
                  src={`/api/boats/${store.boatId}/photos/${photo.id}`}
                  alt={photo.caption || `picture of ${of}`}
                  className="h-[112px] w-full border border-line object-cover"
                  loading="lazy"
                  onError={() => setGone((had) => new Set([...had, photo.id]))}
                />
              </a>
            )}
            <figcaption className="mt-1 flex gap-1">
              <input
                className="box min-w-0 flex-1 text-[12px]"
                aria-label={`Caption of a picture of ${of}`}
                placeholder="caption"
                defaultValue={photo.caption}
                maxLength={300}
                onBlur={(e) => {
                  if (e.target.value !== photo.caption)
                    store.edit(`caption of a picture of ${of}`, [setOp(design, ['photos', photo.id, 'caption'], e.target.value)]);
                }}
              />
              <button
                type="button"
                className="plain text-[12px]"
                aria-label={`Remove the picture ${photo.caption || `of ${of}`}`}
                onClick={() => store.edit(`remove a picture of ${of}`, [dropOp(design, 'photos', photo.id)])}
              >
                ×
              </button>
            </figcaption>
          </figure>
        ))}
        <label htmlFor={id} className={`act inline-block ${busy ? 'opacity-60' : ''}`}>
          {busy ? 'taking it in' : 'add pictures'}
        </label>
        <input
          id={id}
          type="file"
          className="sr-only"
          accept="image/jpeg,image/png,image/webp,image/tiff,image/gif"
          multiple
          disabled={busy}
          onChange={(e) => {
            void take([...(e.target.files ?? [])]);
            e.target.value = '';
          }}
        />
      </div>
    </section>
  );
}
