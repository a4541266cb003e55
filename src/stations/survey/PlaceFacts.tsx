'use client';
import { dropOp, type Op, type Place, setOp, rowOf } from '@/core/design';
import { show } from '@/core/quantity';
import { useDesign, useStore } from '@/ui/boat/context';
import { Entry, Figure, Tick } from '@/ui/field';
import { Faces } from './Faces';

/** Places aboard: where, how warm, and the facts that decide what may be mounted there. */
export function PlaceFacts({
  selectedId,
  onSelect,
  onAdd,
}: {
  selectedId: string | null;
  onSelect: (id: string) => void;
  onAdd: () => void;
}) {
  const design = useDesign();
  const store = useStore();
  const place = rowOf(design.places, selectedId);
  const put = (p: Place, key: keyof Place, value: unknown, label: string) =>
    store.edit(`${label} of ${p.name}`, [setOp(design, ['places', p.id, key], value)]);
  const remove = (p: Place) => {
    const ops: (Op | undefined)[] = [];
    for (const list of ['loads', 'panels', 'banks'] as const)
      for (const row of design[list]) if (row.placeId === p.id) ops.push(setOp(design, [list, row.id, 'placeId'], null));
    for (const c of design.circuits) {
      if (c.via.includes(p.id))
        ops.push(
          setOp(
            design,
            ['circuits', c.id, 'via'],
            c.via.filter((x) => x !== p.id),
          ),
        );
      if (c.taps.some((t) => t.serves.kind === 'place' && t.serves.id === p.id))
        return store.say('refused', `${c.name} is tapped at ${p.name}: take that off first.`);
    }
    store.edit(`remove ${p.name}`, [...ops, dropOp(design, 'places', p.id)]);
  };
  return (
    <>
      {place ? (
        <div className="space-y-3 border-b border-ink pb-3">
          <Entry
            label="place"
            value={place.name}
            parse={(t) => (t.trim() === '' ? { ok: false, message: 'a name is needed' } : { ok: true, value: t })}
            onChange={(t) => put(place, 'name', t.trim().slice(0, 120), 'name')}
          />
          <div className="grid grid-cols-3 gap-2">
            <Figure
              label="from transom"
              kind="m"
              value={place.at.x}
              low={-5}
              high={80}
              onChange={(x) => put(place, 'at', { ...place.at, x }, 'position')}
            />
            <Figure
              label="to port"
              kind="m"
              value={place.at.y}
              low={-15}
              high={15}
              onChange={(y) => put(place, 'at', { ...place.at, y }, 'position')}
            />
            <Figure
              label="above water"
              kind="m"
              value={place.at.z}
              low={-6}
              high={40}
              onChange={(z) => put(place, 'at', { ...place.at, z }, 'position')}
            />
          </div>
          <Figure
            label="gets as warm as"
            kind="C"
            value={place.ambientC}
            low={-20}
            high={95}
            onChange={(v) => put(place, 'ambientC', v, 'temperature')}
          />
          <div className="grid grid-cols-2">
            <Tick label="engine space" value={place.engineSpace} onChange={(v) => put(place, 'engineSpace', v, 'engine space')} />
            <Tick label="wet" value={place.wet} onChange={(v) => put(place, 'wet', v, 'wet')} />
            <Tick label="petrol vapour possible" value={place.vapour} onChange={(v) => put(place, 'vapour', v, 'vapour')} />
            <Tick label="drips from above" value={place.drips} onChange={(v) => put(place, 'drips', v, 'drips')} />
            <Tick label="hot exhaust" value={place.exhaust} onChange={(v) => put(place, 'exhaust', v, 'exhaust')} />
            <Tick label="belts, shafts, quadrant" value={place.moving} onChange={(v) => put(place, 'moving', v, 'moving parts')} />
            <Tick label="compass" value={place.compass} onChange={(v) => put(place, 'compass', v, 'compass')} />
          </div>
          {place.vapour ? (
            <p className="caution">
              Explosion: ignition-protected devices only, blower before starting, no live work. Local code, the maker&apos;s instructions
              and licensed practice come first.
            </p>
          ) : null}
          <Faces place={place} />
          <button type="button" className="plain" onClick={() => remove(place)}>
            remove {place.name}
          </button>
        </div>
      ) : (
        <p className="text-quiet">Choose a place, here or on the drawing.</p>
      )}
      <ul>
        {design.places.map((p) => (
          <li key={p.id} className="border-b border-line">
            <button
              type="button"
              aria-pressed={p.id === selectedId}
              className={`flex w-full justify-between py-[3px] text-left hover:bg-wash ${p.id === selectedId ? 'font-semibold text-verdigris' : ''}`}
              onClick={() => onSelect(p.id)}
            >
              <span>{p.name}</span>
              <span className="text-faint">
                {[p.engineSpace ? 'engine' : '', p.wet ? 'wet' : '', p.vapour ? 'vapour' : '', p.drips ? 'drips' : '']
                  .filter(Boolean)
                  .join(', ')}{' '}
                {show(p.ambientC, 'C', design.boat)}
              </span>
            </button>
          </li>
        ))}
      </ul>
      <button type="button" className="act" onClick={onAdd}>
        add a place
      </button>
    </>
  );
}
