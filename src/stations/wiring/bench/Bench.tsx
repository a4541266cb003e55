'use client';
import { useMemo, useRef, useState } from 'react';
import { SELECTOR_POSITIONS, rowOf } from '@/core/design';
import { type About, foldAtFirst } from '@/core/drawing';
import { type Act, after, atRest, type Consequence, type Standing } from '@/core/network';
import { round3 } from '@/core/quantity';
import { useAsked, useDesign } from '@/ui/boat/context';
import { Canvas } from '@/ui/drawing/Canvas';
import { useDrawing } from '@/ui/drawing/useDrawing';
import { useLayout } from '@/ui/drawing/useLayout';
import { useView } from '@/ui/drawing/useView';
import { useAwake } from '@/ui/frame/useAwake';

interface Done {
  readonly act: Act;
  readonly said: string;
  readonly before: Standing;
}

/** The boat's own switches, worked on the drawing: what is live, what charges, what feeds what, and what an act brings about. */
export function Bench() {
  const design = useDesign();
  useAwake();
  const [standing, setStanding] = useState<Standing>(() => atRest(design));
  const [done, setDone] = useState<readonly Done[]>([]);
  const last = done[done.length - 1];
  const answer = useAsked(
    `standing:${JSON.stringify([...standing.open, standing.joins, standing.rpm, standing.shore, ...standing.on])}`,
    (r) => r.standing(standing),
  );
  const told = useAsked(last ? `act:${done.length}:${JSON.stringify(last.act)}` : null, (r) =>
    last ? r.consequences(last.before, last.act) : Promise.resolve(null),
  );
  const [chosen, setChosen] = useState<About | null>(null);
  const [folded] = useState(() => foldAtFirst(design));
  const { drawing, asked } = useDrawing({ rails: 'one line', folded: [...folded], shown: standing, acStateId: null });
  const { layout, fresh: laidOut, trouble } = useLayout(drawing);
  const fresh = laidOut && asked;
  const canvas = useRef<SVGSVGElement>(null);
  const view = useView(canvas, layout);

  const act = (what: Act, said: string) => {
    setDone((was) => [...was, { act: what, said, before: standing }]);
    setStanding(after(design, standing, what));
  };
  const undo = () => {
    if (!last) return;
    setStanding(last.before);
    setDone(done.slice(0, -1));
  };
  const turnCircuit = (id: string) => {
    const c = rowOf(design.circuits, id);
    if (c) act({ do: 'switch', circuitId: id }, `${standing.open.has(id) ? 'close' : 'open'} ${c.no} ${c.name}`);
  };
  const choose = (about: About | null) => {
    if (about?.kind === 'circuit') turnCircuit(about.id);
    else if (about?.kind === 'load' && design.loads.some((l) => l.id === about.id)) {
      const load = rowOf(design.loads, about.id);
      act({ do: 'use', loadId: about.id }, `${standing.on.has(about.id) ? 'switch off' : 'switch on'} ${load?.name ?? ''}`);
    }
  };
  const dead = useMemo(() => {
    if (!answer) return null;
    const live = new Set(answer.liveCircuits);
    const out = new Set<string>();
    for (const c of design.circuits) {
      if (live.has(c.id)) continue;
      out.add(`circuit ${c.id}`);
      for (const t of c.taps) out.add(`${t.serves.kind} ${t.serves.id}`);
    }
    for (const id of answer.openSources) out.add(`source ${id}`);
    return out;
  }, [answer, design]);
  const mains = design.circuits.filter((c) => c.from.kind === 'bank' || c.taps.some((t) => t.serves.kind === 'panel'));
  const nameOf = (id: string) => rowOf(design.banks, id)?.name ?? id;
  if (design.banks.length === 0 || design.circuits.length === 0)
    return <p className="max-w-[520px] px-4 py-4">There is nothing to switch yet: enter a bank on Survey and propose circuits first.</p>;
  return (
    <div className="flex min-h-0 flex-1" data-wide>
      <div className="w-[286px] flex-none overflow-y-auto px-4 pb-4" tabIndex={0} role="region" aria-label="switches to work">
        <p className="text-quiet">
          Work what is aboard; a click on a line opens or closes it, on a load switches it. Nothing here changes the design.
        </p>
        <div className="mt-2 flex items-baseline gap-3">
          <button type="button" className="act" disabled={!last} onClick={undo}>
            undo the act
          </button>
          <button
            type="button"
            className="plain"
            onClick={() => {
              setDone([]);
              setStanding(atRest(design));
            }}
          >
            as at rest
          </button>
        </div>
        <div role="status" className="mt-2" data-testid="consequences">
          {last ? (
            <p>
              You: <b className="font-semibold">{last.said}</b>
            </p>
          ) : null}
          {last && told ? (
            told.length === 0 ? (
              <p className="text-quiet">No harm done.</p>
            ) : (
              told.map((c) => <Told key={c.title} told={c} />)
            )
          ) : null}
        </div>
        <h2 className="mt-3 border-b border-ink font-semibold">Engine and shore</h2>
        <Turn
          label={`engine ${standing.rpm > 0 ? 'runs' : 'stopped'}`}
          acts={[
            [
              standing.rpm > 0 ? 'stop' : 'start',
              () => act({ do: 'engine', run: standing.rpm === 0 }, standing.rpm > 0 ? 'stop the engine' : 'start the engine'),
            ],
          ]}
        />
        <Turn
          label={`shore power ${standing.shore ? 'plugged in' : 'out'}`}
          acts={[
            [standing.shore ? 'unplug' : 'plug in', () => act({ do: 'shore', in: !standing.shore }, standing.shore ? 'unplug' : 'plug in')],
          ]}
        />
        {design.joins
          .filter((j) => j.kind === 'selector')
          .map((j) => (
            <div key={j.id} className="border-b border-line py-1">
              {j.name}
              <div className="flex gap-3" role="group" aria-label={j.name}>
                {SELECTOR_POSITIONS.map((p) => (
                  <button
                    key={p}
                    type="button"
                    aria-pressed={standing.joins[j.id] === p}
                    className={standing.joins[j.id] === p ? 'border-b-2 border-verdigris font-semibold' : 'plain'}
                    onClick={() => act({ do: 'turn', joinId: j.id, to: p }, `turn ${j.name} to ${p}`)}
                  >
                    {p === 'first' ? nameOf(j.firstId ?? '') : p === 'second' ? nameOf(j.secondId ?? '') : p}
                  </button>
                ))}
              </div>
            </div>
          ))}
        <h2 className="mt-3 border-b border-ink font-semibold">Mains and feeders</h2>
        {mains.map((c) => (
          <Turn
            key={c.id}
            label={`${c.no} ${c.name}, ${standing.open.has(c.id) ? 'open' : answer && !answer.liveCircuits.includes(c.id) ? 'closed, dead' : 'closed'}`}
            acts={[[standing.open.has(c.id) ? 'close' : 'open', () => turnCircuit(c.id)]]}
          />
        ))}
        <h2 className="mt-3 border-b border-ink font-semibold">What feeds, what charges</h2>
        {answer ? (
          <ul data-testid="feeds">
            {answer.study.banks.map((b) => (
              <li key={b.id} className="border-b border-line py-[3px]">
                <b className="font-semibold">{b.name}</b> {answer.feeds[b.id]?.length ?? 0} circuits,{' '}
                {Math.abs(b.amps) < 0.005 ? 'at rest' : b.amps > 0 ? `gives ${round3(b.amps)} A` : `takes ${round3(-b.amps)} A`},{' '}
                {b.postsV.toFixed(2)} V
              </li>
            ))}
            {answer.study.sources.map((s) => (
              <li key={s.id} className="border-b border-line py-[3px]">
                <b className="font-semibold">{s.name}</b> gives {round3(s.amps)} A
              </li>
            ))}
            {answer.openSources.map((id) => (
              <li key={id} className="border-b border-line py-[3px] font-semibold text-lead">
                {rowOf(design.sources, id)?.name} runs open-circuit
              </li>
            ))}
          </ul>
        ) : null}
        <p className="caution mt-3 text-[12px]">
          A drawing proves nothing dead. Open, lock, label, and prove dead with a tester that was itself proved. Local code, the
          maker&apos;s instructions and licensed practice come first.
        </p>
      </div>
      <div className="flex min-w-0 flex-1 flex-col border-l border-line">
        {trouble === null ? null : (
          <p role="alert" className="caution mx-4 mb-2">
            The drawing could not be laid out ({trouble}){layout ? ': what is shown is an older one. Do not work from it.' : '.'}
          </p>
        )}
        <Canvas
          layout={layout}
          fresh={fresh}
          view={view}
          canvas={canvas}
          label="The drawing as the switches stand: what is dead is faint and says so. A click, or Enter on what the arrows chose, works a switch or a load."
          chosen={chosen}
          onTravel={setChosen}
          dead={dead}
          onChoose={choose}
          onOpen={() => undefined}
          onEnter={choose}
        />
      </div>
    </div>
  );
}

function Turn({ label, acts }: { label: string; acts: readonly (readonly [string, () => void])[] }) {
  return (
    <div className="flex items-baseline justify-between gap-2 border-b border-line py-[3px]">
      <span>{label}</span>
      {acts.map(([name, go]) => (
        <button key={name} type="button" className="plain flex-none" aria-label={`${name}: ${label}`} onClick={go}>
          {name}
        </button>
      ))}
    </div>
  );
}

function Told({ told }: { told: Consequence }) {
  return (
    <div className={`my-2 ${told.severity === 'note' ? 'border-l-4 border-line pl-[10px]' : 'caution'}`}>
      <b className="font-semibold">
        {told.severity}: {told.title}.
      </b>{' '}
      {told.why} <i>{told.todo}</i>
    </div>
  );
}
