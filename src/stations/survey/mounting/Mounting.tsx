'use client';
import { useState } from 'react';
import { addOp, blankMount, type Body, IP_CODES, type Mount, type Op, rowOf, setOp } from '@/core/design';
import { fitOn, type Mounted, mountedOf, placeFor, verdictOf } from '@/core/mounting';
import { moveOps } from '@/core/placing';
import { WAYS_UP } from '@/core/rules';
import { useDesign, useStore } from '@/ui/boat/context';
import { Choice, Figure } from '@/ui/field';
import { NextSteps } from '@/ui/next/NextSteps';
import { Plain } from '@/ui/table/Plain';
import { BoardFigure } from './BoardFigure';
import { RankedPlaces } from './RankedPlaces';

const key = (t: Pick<Mounted, 'kind' | 'id'>): string => `${t.kind}:${t.id}`;
const OK = { true: 'yes', false: 'no', null: 'ask' } as const;
const SIZES = [
  ['widthMm', 'wide'],
  ['heightMm', 'high'],
  ['depthMm', 'deep'],
  ['aboveMm', 'air above'],
  ['belowMm', 'air below'],
  ['sidesMm', 'air at its sides'],
  ['frontMm', 'air before it'],
] as const satisfies readonly (readonly [keyof Body, string])[];

/** What is mounted where, whether it goes there, and the places for it ranked. */
export function Mounting() {
  const design = useDesign();
  const store = useStore();
  const [chosen, setChosen] = useState<string | null>(null);
  const things = mountedOf(design);
  const thing = things.find((t) => key(t) === chosen) ?? things[0];
  if (!thing)
    return (
      <div className="max-w-[560px] px-4 pt-4">
        <p>
          Chargers, inverters, panels, batteries and gauges are listed here once the boat has them: does each go where it is planned, and
          which place is best for it.
        </p>
        <NextSteps />
      </div>
    );
  const place = rowOf(design.places, thing.placeId);
  const lines = [...(place ? placeFor(place, thing, design) : []), ...(thing.face ? fitOn(thing.face, thing, design) : [])];
  /** An edit of the thing's mount, which begins with it. */
  const putMount = (change: Partial<Mount>, label: string) => {
    const now = thing.mount;
    const ops: (Op | undefined)[] = now
      ? Object.entries(change).map(([k, v]) => setOp(design, ['mounts', now.id, k], v))
      : [addOp(design, 'mounts', { ...blankMount(thing.kind, thing.id), ...change })];
    store.edit(`${label} of ${thing.name}`, ops);
  };
  const move = (placeId: string, faceId: string | null) =>
    store.edit(`mount ${thing.name}`, moveOps(design, thing.kind, thing.id, placeId, faceId));
  return (
    <div className="grid min-h-0 flex-1 grid-cols-[330px_minmax(0,1fr)] gap-6 overflow-auto px-4 pb-8 max-[999px]:grid-cols-1" tabIndex={0}>
      <ul aria-label="Equipment">
        {things.map((t) => {
          const at = rowOf(design.places, t.placeId);
          const verdict = t.face ? verdictOf([...(at ? placeFor(at, t, design) : []), ...fitOn(t.face, t, design)]) : null;
          return (
            <li key={key(t)} className="border-b border-line">
              <button
                type="button"
                aria-pressed={key(t) === key(thing)}
                className={`w-full py-[5px] text-left hover:bg-wash ${key(t) === key(thing) ? 'font-semibold text-verdigris' : ''}`}
                onClick={() => setChosen(key(t))}
              >
                {t.name}{' '}
                <span className="font-normal text-faint">
                  {t.what === t.name.toLowerCase() ? '' : `${t.what}, `}
                  {at?.name ?? 'no place'}
                  {t.face ? `, ${t.face.name}` : ''}
                </span>
                {verdict ? (
                  <span className={`float-right font-normal ${verdict === 'does not go' ? 'text-lead' : 'text-quiet'}`}>{verdict}</span>
                ) : null}
              </button>
            </li>
          );
        })}
      </ul>
      <div>
        <h2 className="font-semibold">{thing.name}</h2>
        <div className="mt-1 grid grid-cols-4 items-end gap-3 max-[999px]:grid-cols-2">
          <Choice
            label="place"
            value={thing.placeId ?? ''}
            options={[...(thing.placeId === null ? [''] : []), ...design.places.map((p) => p.id)]}
            names={{ '': 'none yet', ...Object.fromEntries(design.places.map((p) => [p.id, p.name])) }}
            onChange={(v) => (v === '' ? undefined : move(v, null))}
          />
          <Choice
            label="mounted on"
            value={thing.face?.id ?? ''}
            options={['', ...(place?.faces ?? []).map((f) => f.id)]}
            names={{ '': 'not said', ...Object.fromEntries((place?.faces ?? []).map((f) => [f.id, f.name])) }}
            onChange={(v) => putMount({ faceId: v === '' ? null : v }, 'face')}
          />
          <Choice
            label="way up"
            value={thing.body.wayUp}
            options={WAYS_UP}
            onChange={(v) => putMount({ body: { ...thing.body, wayUp: v } }, 'way up')}
          />
          {thing.electronics ? (
            <Choice
              label="against water, IP"
              value={thing.mount?.ip ?? ''}
              options={['', ...IP_CODES]}
              names={{ '': '20, typical' }}
              onChange={(v) => putMount({ ip: v === '' ? null : (v as (typeof IP_CODES)[number]) }, 'enclosure')}
            />
          ) : null}
        </div>
        <p className="my-2 text-[12px] text-quiet">
          {thing.typical
            ? 'Its body is typical of its kind: type what its maker’s sheet or the tape says, and it stands.'
            : thing.kind === 'bank' && !thing.mount?.body
              ? 'Its foot follows from its blocks (Bank, banks).'
              : 'Its body as entered.'}{' '}
          {thing.mount?.body ? (
            <button type="button" className="plain" onClick={() => putMount({ body: null }, 'body')}>
              back to the typical body
            </button>
          ) : null}
        </p>
        <div className="grid grid-cols-4 items-end gap-3 max-[999px]:grid-cols-2">
          {SIZES.map(([field, label]) => (
            <Figure
              key={field}
              label={label}
              kind="mm"
              value={thing.body[field]}
              low={field.endsWith('Mm') && ['widthMm', 'heightMm', 'depthMm'].includes(field) ? 5 : 0}
              high={field === 'depthMm' ? 2000 : ['widthMm', 'heightMm'].includes(field) ? 3000 : 1000}
              onChange={(v) => putMount({ body: { ...thing.body, [field]: v } }, label)}
            />
          ))}
          <Figure
            label="mass"
            kind="kg"
            value={thing.body.massKg}
            low={0}
            high={2000}
            onChange={(v) => putMount({ body: { ...thing.body, massKg: v } }, 'mass')}
          />
        </div>
        {thing.face ? (
          <>
            <h2 className="mt-4 font-semibold">Does it go on {thing.face.name}</h2>
            <Plain
              label="Does it go there"
              columns={[{ title: 'what' }, { title: 'needs' }, { title: 'there' }, { title: 'goes' }]}
              rows={lines.map((l, i) => ({
                id: `${i}`,
                cells: [
                  l.what,
                  l.needs,
                  l.has,
                  <b key="v" className={`font-semibold ${l.ok === false ? 'text-lead' : ''}`}>
                    {OK[String(l.ok) as keyof typeof OK]}
                  </b>,
                ],
                ...(l.of ? { opens: { of: l.what, at: 1, lines: l.of } } : {}),
              }))}
            />
            <BoardFigure face={thing.face} things={things.filter((t) => t.placeId === thing.placeId && t.face?.id === thing.face?.id)} />
          </>
        ) : (
          <p className="mt-3">
            {place && place.faces.length === 0
              ? `No face of ${place.name} is measured: Survey, places, “add a face”.`
              : 'Say what it is mounted on, and its size, its air and what holds it are judged.'}
          </p>
        )}
        <RankedPlaces thing={thing} onMove={move} />
        <p className="caution mt-4 max-w-[760px]">
          Before a screw or a hole: look and feel behind it for tanks, pipes, cables and the hull. Heavy things are bolted to what holds in
          a knockdown. The maker&apos;s instructions for mounting, clearance and cooling come first.
        </p>
      </div>
    </div>
  );
}
