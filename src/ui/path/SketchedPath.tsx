'use client';
import { useEffect, useRef, useState } from 'react';
import {
  type Diagnosis,
  type Element,
  SKETCH_AT_FIRST,
  SKETCH_KINDS,
  sketchedPath,
  type SketchKind,
  type SketchRow,
} from '@/core/commission';
import { CONDUCTORS } from '@/core/rules';
import { bare, parseNumber, unitOf, type Units } from '@/core/quantity';
import { type Employed, employ } from '../boat/employ';
import type { PathApi } from '@/workers/path.worker';
import { typed } from './figures';
import { PathAsked, PathCaution } from './PathAsked';
import { PathTable } from './PathTable';
import { Suspects } from './Suspects';
import { usePathReadings } from './usePathReadings';

const MOST_ROWS = 40;
const PATIENCE_MS = 10_000;

/** Something on a boat that is not on file gets too little: her path in a few rows, and millivolts along it. */
export function SketchedPath({ units }: { readonly units: Units }) {
  const school = units.ruleSet;
  const [rows, setRows] = useState<readonly SketchRow[]>(SKETCH_AT_FIRST(school));
  const [amps, setAmps] = useState('10');
  const [fresh, setFresh] = useState(5);
  const loadA = typed(amps);
  const elements: readonly Element[] = sketchedPath(rows, school);
  const path = usePathReadings('sketch', elements, loadA);
  const { readings } = path;
  const [diagnosis, setDiagnosis] = useState<Diagnosis | null>(null);
  const [trouble, setTrouble] = useState('');
  const worker = useRef<Employed<PathApi> | null>(null);
  useEffect(() => () => worker.current?.end(), []);
  const asked = JSON.stringify([rows, school, readings, loadA]);
  useEffect(() => {
    let gone = false;
    const hired = (worker.current ??= employ<PathApi>(
      () => new Worker(new URL('../../workers/path.worker.ts', import.meta.url), { type: 'module' }),
    ));
    const [r, s, read, a] = JSON.parse(asked) as [SketchRow[], 'awg' | 'metric', typeof readings, number | null];
    hired
      .call((remote) => remote.found(r, s, read, a ?? 0), PATIENCE_MS)
      .then(
        (found) => {
          if (gone) return;
          setDiagnosis(found.diagnosis);
          setTrouble('');
        },
        (error: unknown) => !gone && setTrouble(error instanceof Error ? error.message : String(error)),
      );
    return () => {
      gone = true;
    };
  }, [asked]);
  const set = (id: string, part: Partial<SketchRow>) => setRows(rows.map((r) => (r.id === id ? { ...r, ...part } : r)));
  const add = (kind: SketchKind) => {
    const last = rows.at(-1);
    setRows([...rows, { ...(last ?? SKETCH_AT_FIRST(school)[0]), id: `p${fresh}`, kind } as SketchRow]);
    setFresh(fresh + 1);
  };
  return (
    <section aria-label="A path sketched">
      <p className="max-w-[760px] text-quiet">
        Something gets too little. Enter what it hangs on, part by part from the battery out and back; then read millivolts with it on.
        Nothing is kept: on a boat that is on file, Commission knows the path.
      </p>
      <PathCaution />
      <ol className="mt-3" aria-label="Parts of the path">
        {rows.map((row, i) => (
          <Row
            key={row.id}
            row={row}
            no={i + 1}
            units={units}
            onSet={(part) => set(row.id, part)}
            onGone={rows.length > 1 ? () => setRows(rows.filter((r) => r.id !== row.id)) : null}
          />
        ))}
      </ol>
      <p className="screen-only mt-2 flex flex-wrap items-baseline gap-3">
        and behind it
        {SKETCH_KINDS.map((k) => (
          <button key={k} type="button" className="act" disabled={rows.length >= MOST_ROWS} onClick={() => add(k)}>
            {k}
          </button>
        ))}
      </p>
      <p className="mt-3 flex flex-wrap items-baseline gap-x-5 gap-y-2">
        <PathAsked path={path} amps={amps} onAmps={setAmps} />
      </p>
      {trouble ? <p className="caution mt-2">It was not worked out: {trouble}.</p> : null}
      <div className="mt-3 grid grid-cols-2 gap-8 max-[1000px]:grid-cols-1">
        <section>
          <PathTable path={path} />
        </section>
        <Suspects path={path} elements={elements} amps={loadA} diagnosis={diagnosis} units={units} />
      </div>
    </section>
  );
}

function Row({
  row,
  no,
  units,
  onSet,
  onGone,
}: {
  readonly row: SketchRow;
  readonly no: number;
  readonly units: Units;
  readonly onSet: (part: Partial<SketchRow>) => void;
  readonly onGone: (() => void) | null;
}) {
  const [length, setLength] = useState(bare(row.lengthM, 'm', units));
  const [rating, setRating] = useState(String(row.ratingA));
  const parsed = parseNumber(length, 'm', units, 0.05, 120);
  const amps = parseNumber(rating, 'A', units, 0.5, 1000);
  return (
    <li className="flex flex-wrap items-baseline gap-x-3 gap-y-1 border-b border-line py-1">
      <span className="reading w-[20px] text-right">{no}</span>
      <select
        className="box"
        aria-label={`Kind of part ${no}`}
        value={row.kind}
        onChange={(e) => onSet({ kind: e.target.value as SketchKind })}
      >
        {SKETCH_KINDS.map((k) => (
          <option key={k}>{k}</option>
        ))}
      </select>
      {row.kind === 'cable' ? (
        <>
          <select
            className="box"
            aria-label={`Way of part ${no}`}
            value={row.back ? 'back' : 'out'}
            onChange={(e) => onSet({ back: e.target.value === 'back' })}
          >
            <option value="out">out</option>
            <option value="back">back</option>
          </select>
          <select className="box" aria-label={`Size of part ${no}`} value={row.size} onChange={(e) => onSet({ size: e.target.value })}>
            {CONDUCTORS[units.ruleSet].map(({ size }) => (
              <option key={size} value={size}>
                {size} {units.ruleSet === 'metric' ? 'mm²' : 'AWG'}
              </option>
            ))}
          </select>
          <label>
            <input
              className="box reading w-[70px]"
              aria-label={`Length of part ${no}, one way`}
              aria-invalid={!parsed.ok}
              value={length}
              onChange={(e) => {
                setLength(e.target.value);
                const next = parseNumber(e.target.value, 'm', units, 0.05, 120);
                if (next.ok) onSet({ lengthM: next.value });
              }}
            />{' '}
            {unitOf('m', units).name}
          </label>
        </>
      ) : null}
      {row.kind === 'fuse' || row.kind === 'breaker' ? (
        <label>
          <input
            className="box reading w-[60px]"
            aria-label={`Rating of part ${no}`}
            aria-invalid={!amps.ok}
            value={rating}
            onChange={(e) => {
              setRating(e.target.value);
              const next = parseNumber(e.target.value, 'A', units, 0.5, 1000);
              if (next.ok) onSet({ ratingA: next.value });
            }}
          />{' '}
          A
        </label>
      ) : null}
      {onGone ? (
        <button type="button" className="plain ml-auto" aria-label={`take out part ${no}`} onClick={onGone}>
          take out
        </button>
      ) : null}
    </li>
  );
}
