'use client';
import { useMemo, useState } from 'react';
import type { BankTrouble, SymptomId } from '@/core/commission';
import type { Load } from '@/core/design';
import { round3 } from '@/core/quantity';
import { useAsked, useDesign } from '@/ui/boat/context';
import { typed } from '@/ui/path/figures';
import { PathAsked, PathCaution } from '@/ui/path/PathAsked';
import { PathTable } from '@/ui/path/PathTable';
import { Suspects } from '@/ui/path/Suspects';
import { usePathReadings } from '@/ui/path/usePathReadings';
import { View, Viewed, Views } from '@/ui/views/Views';
import type { FoundOnPath } from '@/workers/analysis.worker';
import { BankFindView } from './BankFindView';
import { figure } from './said';
import { SymptomView } from './SymptomView';

const AIR_C = 20;

/** What its label says it draws, A. */
const drawnA = (load: Load): number => load.quantity * (load.ratingBy === 'A' ? load.rating : load.rating / load.nominalV);

/** Symptoms that a bank and what charges it are behind. */
const OF_BANKS: Partial<Record<SymptomId, BankTrouble>> = {
  flat: 'flat',
  'not charging': 'not charging',
  lamp: 'not charging',
  overcharged: 'overcharged',
};
const WAYS = ['along a path', 'a bank and what charges it'] as const;

/** Trouble in words, then readings where they tell most. */
export function FindView() {
  const [meant, setMeant] = useState<SymptomId | null>(null);
  const [way, setWay] = useState<(typeof WAYS)[number] | null>(null);
  const bank = meant === null ? undefined : OF_BANKS[meant];
  const shown = way ?? (bank ? WAYS[1] : WAYS[0]);
  return (
    <div>
      <SymptomView
        onMeant={(symptom) => {
          setMeant(symptom);
          setWay(null);
        }}
      />
      <h2 className="mt-5 text-[15px] font-bold">By readings</h2>
      <Viewed showing={shown} onShow={setWay}>
        <p className="screen-only mb-2 flex gap-x-4">
          <Views views={WAYS} label="Where readings are taken" />
        </p>
        <View of={shown}>{shown === WAYS[0] ? <PathFindView /> : <BankFindView key={bank ?? ''} first={bank ?? null} />}</View>
      </Viewed>
    </div>
  );
}

/** Something gets too little: millivolts along its path say which part has what it should not. */
function PathFindView() {
  const design = useDesign();
  const choices = useMemo(
    () =>
      design.circuits.flatMap((c) =>
        c.taps.flatMap((t, i) => {
          const load = t.serves.kind === 'load' ? design.loads.find((l) => l.id === t.serves.id) : undefined;
          return load && load.group !== 'charging'
            ? [{ key: `${c.id} ${i}`, circuitId: c.id, tap: i, name: `${c.no} ${load.name}`.trim(), drawsA: drawnA(load) }]
            : [];
        }),
      ),
    [design.circuits, design.loads],
  );
  const [key, setKey] = useState(choices[0]?.key ?? '');
  const [typedA, setAmps] = useState<string | null>(null);
  const chosen = choices.find((c) => c.key === key) ?? choices[0];
  // Until somebody has read what it draws: what its label says.
  const amps = typedA ?? (chosen ? round3(chosen.drawsA) : '');
  const loadA = typed(amps);
  const drawn = useAsked<FoundOnPath>(chosen ? `path:${chosen.key}` : null, (r) =>
    chosen ? r.found(chosen.circuitId, chosen.tap, AIR_C, [], 0) : Promise.resolve(null),
  );
  const elements = drawn?.elements ?? [];
  const path = usePathReadings(chosen?.key ?? '', elements, loadA);
  const { readings } = path;
  const found = useAsked<FoundOnPath>(
    chosen && loadA !== null && loadA > 0 ? `find:${loadA}:${chosen.key}:${JSON.stringify(readings)}` : null,
    (r) => (chosen ? r.found(chosen.circuitId, chosen.tap, AIR_C, readings, loadA ?? 0) : Promise.resolve(null)),
  );
  if (!chosen) return <p className="text-quiet">No load hangs on a circuit yet.</p>;
  return (
    <div>
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-2">
        <label>
          what gets too little{' '}
          <select
            className="box max-w-[280px]"
            value={chosen.key}
            onChange={(e) => {
              setKey(e.target.value);
              setAmps(null);
            }}
          >
            {choices.map((c) => (
              <option key={c.key} value={c.key}>
                {c.name}
              </option>
            ))}
          </select>
        </label>
        <PathAsked path={path} amps={amps} onAmps={setAmps} />
        <span className="text-quiet">{elements.length > 0 ? `expected ${figure(path.expected(elements))} mV` : 'it hangs on nothing'}</span>
      </div>
      <PathCaution />
      <div className="mt-3 grid grid-cols-2 gap-8 max-[1000px]:grid-cols-1">
        <section>
          <h2 className="font-semibold">Along the path, from the bank and back</h2>
          <PathTable path={path} />
        </section>
        <Suspects path={path} elements={elements} amps={loadA} diagnosis={found?.diagnosis ?? null} units={design.boat} />
      </div>
    </div>
  );
}
