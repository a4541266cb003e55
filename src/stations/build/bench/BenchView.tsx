'use client';
import { useState } from 'react';
import { MARKED, type MadePiece, type Marked, type Stage, STAGES } from '@/core/build';
import { cutTo, show } from '@/core/quantity';
import { useDesign } from '@/ui/boat/context';
import { markOf, useBench } from '../useBench';
import { Cards } from './Cards';
import { OneByOne } from './OneByOne';
import { Passport } from './Passport';

/** What a stage says to somebody at the bench. */
export const STAGE_WORDS: Readonly<Record<Stage, string>> = {
  measure: 'measure first',
  held: 'not to be cut',
  taped: 'taped',
  released: 'released',
  cut: 'cut',
  made: 'made up',
  landed: 'landed',
};

const NEXT: Readonly<Partial<Record<Stage, Marked>>> = { taped: 'released', released: 'cut', cut: 'made', made: 'landed' };
const DO: Readonly<Record<Marked, string>> = { released: 'release', cut: 'is cut', made: 'is made up', landed: 'is landed' };
const BEFORE: Readonly<Record<Marked, Marked | 'back'>> = { released: 'back', cut: 'released', made: 'cut', landed: 'made' };

/** Pieces on their way from the reel to their studs: released, cut, made up, landed. */
export function BenchView({ piece }: { piece: string | null }) {
  const design = useDesign();
  const { book, bench } = useBench();
  const [only, setOnly] = useState<Stage | 'all'>('all');
  const [asked, setAsked] = useState('');
  const [chosen, setChosen] = useState(piece);
  const [cards, setCards] = useState(false);
  const [steps, setSteps] = useState(false);
  if (!bench) return <p className="text-quiet">Working out the pieces.</p>;
  const { pieces } = bench;
  const units = design.boat;
  const wanted = asked.trim().toLowerCase();
  const shown = pieces.filter(
    (p) =>
      (only === 'all' || p.stage === only) &&
      (wanted === '' ||
        `${p.cut.label} ${p.cut.size} ${p.cut.colour} ${p.ends[0].on.name} ${p.ends[1].on.name}`.toLowerCase().includes(wanted)),
  );
  const open = shown.find((p) => p.cut.id === chosen) ?? null;
  const count = (stage: Stage) => pieces.filter((p) => p.stage === stage).length;
  const move = (p: MadePiece, state: Marked | 'back') => book.add([markOf(p, state)]);
  const releasable = pieces.filter((p) => p.stage === 'taped');
  const atBench = shown.filter((p) => p.stage === 'released' || p.stage === 'cut');
  return (
    <div>
      <div className="screen-only flex flex-wrap items-baseline gap-x-4 gap-y-2">
        <input
          className="box w-[160px]"
          aria-label="Find pieces"
          placeholder="find"
          value={asked}
          onChange={(e) => setAsked(e.target.value)}
        />
        <label>
          stage{' '}
          <select className="box" value={only} onChange={(e) => setOnly(e.target.value as Stage | 'all')}>
            <option value="all">all ({pieces.length})</option>
            {STAGES.map((s) => (
              <option key={s} value={s}>
                {STAGE_WORDS[s]} ({count(s)})
              </option>
            ))}
          </select>
        </label>
        <button
          type="button"
          className="act"
          disabled={releasable.length === 0}
          onClick={() => book.add(releasable.map((p) => markOf(p, 'released')))}
        >
          release all that are taped ({releasable.length})
        </button>
        <button type="button" className="act" disabled={atBench.length === 0} onClick={() => setSteps(true)}>
          one step at a time ({atBench.length})
        </button>
        <button type="button" className="act" disabled={shown.length === 0} onClick={() => setCards(!cards)} aria-pressed={cards}>
          {cards ? 'as a list' : 'as cards'}
        </button>
        <button type="button" className="act" onClick={() => window.print()}>
          print
        </button>
        <Waiting waiting={book.waiting} why={book.why} />
      </div>
      <p className="mt-2 max-w-[820px] text-[12px] text-quiet">
        A piece is released once its run is taped or templated and no stop stands against it; nothing estimated is cut. What is ticked here
        is kept with who and when, also without a connection. Dies and terminals belong together: the terminal maker&apos;s sheet rules.
      </p>
      {cards ? (
        <Cards pieces={shown} />
      ) : (
        <div className="mt-2 flex items-start gap-5 max-[900px]:flex-col">
          <div className="min-w-0 flex-1 max-[900px]:w-full">
            <table className="w-full text-left" aria-label="Pieces at the bench">
              <thead>
                <tr className="border-b-[1.5px] border-ink text-[12px] text-quiet">
                  <th className="w-[40%] font-medium">label</th>
                  <th className="font-medium max-[700px]:hidden">cable</th>
                  <th className="pr-3 text-right font-medium max-[700px]:hidden">cut to</th>
                  <th className="font-medium">stage</th>
                  <th className="screen-only font-medium" />
                </tr>
              </thead>
              <tbody>
                {shown.map((p) => {
                  const next = NEXT[p.stage];
                  const marked = MARKED.find((m) => m === p.stage);
                  return (
                    <tr key={p.cut.id} className={`border-b border-line ${p.cut.id === chosen ? 'bg-wash' : ''}`}>
                      <td className="py-[3px] pr-2">
                        <button
                          type="button"
                          className="plain text-left"
                          onClick={() => setChosen(p.cut.id === chosen ? null : p.cut.id)}
                          aria-expanded={p.cut.id === chosen}
                        >
                          {p.cut.label}
                        </button>
                        <span className="hidden text-[12px] text-quiet max-[700px]:block">
                          {p.cut.size} {p.cut.colour},{' '}
                          {p.cutMm === null ? `${show(p.reservedM, 'm', units)} set aside` : cutTo(p.cutMm, units)}
                        </span>
                        {p.differs ? <span className="block text-[11.5px] font-semibold text-lead">{p.differs}</span> : null}
                      </td>
                      <td className="pr-2 whitespace-nowrap max-[700px]:hidden">
                        <span className="reading">{p.cut.size}</span> {p.cut.colour}
                      </td>
                      <td className="reading pr-3 text-right whitespace-nowrap max-[700px]:hidden">
                        {p.cutMm === null ? <span className="tone-estimated">{show(p.reservedM, 'm', units)}</span> : cutTo(p.cutMm, units)}
                      </td>
                      <td
                        className={`pr-2 whitespace-nowrap ${p.stage === 'held' ? 'text-lead' : p.stage === 'measure' ? 'text-quiet' : ''}`}
                      >
                        {STAGE_WORDS[p.stage]}
                      </td>
                      <td className="screen-only text-right whitespace-nowrap">
                        {next ? (
                          <button
                            type="button"
                            className="act min-h-[30px]"
                            onClick={() => move(p, next)}
                            aria-label={`${p.cut.label} ${DO[next]}`}
                          >
                            {DO[next]}
                          </button>
                        ) : null}{' '}
                        {marked ? (
                          <button
                            type="button"
                            className="plain px-1"
                            onClick={() => move(p, BEFORE[marked])}
                            aria-label={`${p.cut.label}: a stage back`}
                          >
                            back
                          </button>
                        ) : null}
                      </td>
                    </tr>
                  );
                })}
              </tbody>
            </table>
          </div>
          {open ? (
            <aside className="w-[400px] flex-none border-l border-line pl-5 max-[900px]:w-full max-[900px]:border-l-0 max-[900px]:pl-0">
              <Passport piece={open} />
            </aside>
          ) : null}
        </div>
      )}
      {shown.length === 0 ? <p className="mt-3 text-quiet">No piece is at that stage.</p> : null}
      {steps ? <OneByOne pieces={atBench} onDone={(p) => move(p, 'made')} onClose={() => setSteps(false)} /> : null}
    </div>
  );
}

function Waiting({ waiting, why }: { waiting: number; why: string }) {
  if (waiting === 0) return null;
  return (
    <span role="status" className="text-copper">
      {waiting} {waiting === 1 ? 'mark waits' : 'marks wait'} to be kept{why ? `: ${why}` : ''}
    </span>
  );
}
