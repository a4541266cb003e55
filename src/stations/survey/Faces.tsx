'use client';
import { BACKINGS, BEHIND, blankFace, type Face, FACE_LIES, FACES, type Place, setOp } from '@/core/design';
import { useDesign, useFreshId, useStore } from '@/ui/boat/context';
import { Choice, Figure, OptionalFigure, Words } from '@/ui/field';

const LIES = { upright: 'bulkhead or side', flat: 'shelf or sole', overhead: 'under a deck' } as const;
const BACKING = { unknown: 'not known', solid: 'solid, or bolts through', thin: 'thin: liner, light ply' } as const;
const TRIED = { '': 'nobody has tried', yes: 'yes', no: 'no' } as const;

/** Free faces of a place: what may be mounted on them is judged by these figures. */
export function Faces({ place }: { place: Place }) {
  const design = useDesign();
  const store = useStore();
  const fresh = useFreshId();
  const putAll = (faces: readonly Face[], label: string) =>
    store.edit(`${label} of ${place.name}`, [setOp(design, ['places', place.id, 'faces'], faces)]);
  return (
    <section aria-label={`Faces of ${place.name}`} className="space-y-2 border-t border-line pt-2">
      <h2 className="font-semibold">What may be mounted on here</h2>
      {place.faces.length === 0 ? (
        <p className="text-[12px] text-quiet">
          No face is measured. With its size, what holds and what lies behind it, Survey, mounting says what goes there.
        </p>
      ) : null}
      {place.faces.map((f) => {
        const put = (change: Partial<Face>, label: string) =>
          putAll(
            place.faces.map((x) => (x.id === f.id ? { ...x, ...change } : x)),
            `${label} of ${f.name}`,
          );
        return (
          <details key={f.id} className="border-b border-line pb-2">
            <summary className="cursor-pointer">
              {f.name} <span className="text-faint">{LIES[f.lies]}</span>
            </summary>
            <div className="mt-1 grid grid-cols-2 items-end gap-2">
              <Words label="face" value={f.name} onChange={(t) => put({ name: t === '' ? f.name : t }, 'name')} />
              <Choice label="it is a" value={f.lies} options={FACE_LIES} names={LIES} onChange={(v) => put({ lies: v }, 'kind')} />
              <Figure
                label={f.lies === 'flat' ? 'free, along' : 'free, wide'}
                kind="mm"
                value={f.widthMm}
                low={20}
                high={5000}
                onChange={(v) => put({ widthMm: v }, 'width')}
              />
              <Figure
                label={f.lies === 'flat' ? 'free, across' : 'free, high'}
                kind="mm"
                value={f.heightMm}
                low={20}
                high={5000}
                onChange={(v) => put({ heightMm: v }, 'height')}
              />
              <Figure
                label={f.lies === 'flat' ? 'free above it' : 'free before it'}
                kind="mm"
                value={f.depthMm}
                low={5}
                high={5000}
                onChange={(v) => put({ depthMm: v }, 'depth')}
              />
              <OptionalFigure
                label="free behind it"
                kind="mm"
                value={f.behindMm}
                low={0}
                high={5000}
                onChange={(v) => put({ behindMm: v }, 'room behind')}
              />
              <Choice
                label="backing"
                value={f.backing}
                options={BACKINGS}
                names={BACKING}
                onChange={(v) => put({ backing: v }, 'backing')}
              />
              <Choice label="behind it" value={f.behind} options={BEHIND} onChange={(v) => put({ behind: v }, 'what lies behind')} />
              <Choice
                label="both hands reach it"
                value={f.reach === null ? '' : f.reach ? 'yes' : 'no'}
                options={['', 'yes', 'no'] as const}
                names={TRIED}
                onChange={(v) => put({ reach: v === '' ? null : v === 'yes' }, 'reach')}
              />
              <button
                type="button"
                className="plain text-left"
                onClick={() =>
                  putAll(
                    place.faces.filter((x) => x.id !== f.id),
                    `remove ${f.name}`,
                  )
                }
              >
                remove {f.name}
              </button>
            </div>
          </details>
        );
      })}
      <button
        type="button"
        className="act"
        disabled={place.faces.length >= FACES}
        onClick={() => putAll([...place.faces, blankFace(fresh('f'), `Face ${place.faces.length + 1}`)], 'add a face')}
      >
        add a face
      </button>
    </section>
  );
}
