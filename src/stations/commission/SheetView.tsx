'use client';
import { useState } from 'react';
import { bandAt, STAGES, type TestLine, USUAL_CONDITIONS } from '@/core/commission';
import { round3, unitOf } from '@/core/quantity';
import { useDesign } from '@/ui/boat/context';
import { rowOf } from '@/core/design';
import { figureOf } from './figureOf';
import { useAtHand } from './MeterAtHand';
import { ProbeStrip } from './ProbeStrip';
import { typed } from '@/ui/path/figures';
import { Photos } from '@/ui/photos/Photos';
import { expectedOf, figure } from './said';
import { isRight, type Read, useReadings } from './useReadings';

/** Stage by stage: a stage opens when the one before it is done, or is opened by name. */
export function SheetView() {
  const { boat, sources } = useDesign();
  const { hand, control } = useAtHand();
  const bankOfSource = (id: string) => rowOf(sources, id)?.bankId ?? null;
  const air = unitOf('C', boat);
  const [ambient, setAmbient] = useState(round3(air.to(USUAL_CONDITIONS.ambientC)));
  const [instrument, setInstrument] = useState('');
  const airRead = typed(ambient);
  const ambientC = airRead === null ? USUAL_CONDITIONS.ambientC : air.from(airRead);
  const { book, marks, sheet, byLine, take } = useReadings(ambientC);
  const [shown, setShown] = useState<number | null>(null);
  if (!sheet || book.records === null) return <p className="text-quiet">Working out what to expect.</p>;
  const ofStage = (n: number) => sheet.filter((l) => l.stage === n);
  const last = (l: TestLine): Read | undefined => byLine.get(l.id)?.at(-1);
  const right = (n: number) => ofStage(n).filter((l) => isRight(last(l))).length;
  const openedBy = (n: number) => {
    const mark = marks.get(`stage:${n}`);
    return mark?.body.state === 'opened' ? String(mark.body.why ?? '') : null;
  };
  const isOpen = (n: number): boolean =>
    n === 0 || openedBy(n) !== null || Array.from({ length: n }, (_, k) => k).every((k) => right(k) === ofStage(k).length);
  const at = shown ?? STAGES.findIndex((_, n) => right(n) < ofStage(n).length);
  const stage = at < 0 ? STAGES.length - 1 : at;
  return (
    <div>
      <div className="screen-only flex flex-wrap items-baseline gap-x-5 gap-y-2">
        <label>
          air, {air.name}{' '}
          <input
            className="box reading w-[60px]"
            inputMode="decimal"
            value={ambient}
            aria-invalid={typed(ambient) === null}
            onChange={(e) => setAmbient(e.target.value)}
          />
        </label>
        <label>
          instrument{' '}
          <input
            className="box w-[180px]"
            value={instrument}
            placeholder="meter, clamp, last checked"
            onChange={(e) => setInstrument(e.target.value)}
          />
        </label>
        {control}
        {book.waiting > 0 ? (
          <span role="status" className="text-copper">
            {book.waiting} {book.waiting === 1 ? 'reading waits' : 'readings wait'} to be kept{book.why ? `: ${book.why}` : ''}
          </span>
        ) : null}
      </div>
      <p className="caution mt-2 max-w-[860px]">
        One hand where it is live; rings and watch off; proved dead before an end is opened. AC tests only by who is licensed for them. The
        makers&apos; instructions and local code come first.
      </p>
      <ol className="screen-only mt-2 flex flex-wrap gap-2" aria-label="Stages">
        {STAGES.map((name, n) => (
          <li key={name}>
            <button type="button" className={`act ${stage === n ? 'bg-wash' : ''}`} aria-pressed={stage === n} onClick={() => setShown(n)}>
              {n} {name}{' '}
              <span className="reading font-normal">
                {right(n)}/{ofStage(n).length}
              </span>
              {isOpen(n) ? '' : ' · closed'}
            </button>
          </li>
        ))}
      </ol>
      {isOpen(stage) ? (
        <>
          {openedBy(stage) ? <p className="mt-2 text-copper">Opened before its time: {openedBy(stage)}.</p> : null}
          <ul className="mt-2" aria-label={`Tests of stage ${stage}`}>
            {ofStage(stage).map((l) => (
              <Line
                key={l.id}
                line={l}
                reads={byLine.get(l.id) ?? []}
                amps={ampsFor(l, byLine)}
                shown={figureOf(l, hand, bankOfSource)}
                onTake={(value, atA, ok) => take(l, value, atA, instrument, ok)}
              />
            ))}
          </ul>
          {ofStage(stage).length === 0 ? <p className="mt-2 text-quiet">This boat has nothing to test here.</p> : null}
        </>
      ) : (
        <OpenAnyway
          stage={stage}
          onOpen={(why) => book.add([{ kind: 'mark', thing: `stage:${stage}`, body: { state: 'opened', why: why.slice(0, 400) } }])}
        />
      )}
    </div>
  );
}

/** Amps as they were read of the same load, where the line is a drop. */
function ampsFor(line: TestLine, byLine: ReadonlyMap<string, readonly Read[]>): number | null {
  if (!line.drop) return null;
  const of = /^(?:drop|part)\.([^.]+\.[^.]+)/.exec(line.id)?.[1];
  return of === undefined ? null : (byLine.get(`amps.${of}`)?.at(-1)?.value ?? null);
}

function OpenAnyway({ stage, onOpen }: { stage: number; onOpen: (why: string) => void }) {
  const [why, setWhy] = useState('');
  return (
    <form
      className="mt-3 max-w-[620px]"
      onSubmit={(e) => {
        e.preventDefault();
        if (why.trim() !== '') onOpen(why.trim());
      }}
    >
      <p>Stage {stage} opens when every test before it has passed. It can be opened with a reason, which is kept with your name.</p>
      <label className="mt-2 block">
        reason <input className="box w-full" value={why} onChange={(e) => setWhy(e.target.value)} maxLength={400} />
      </label>
      <button type="submit" className="act mt-2" disabled={why.trim() === ''}>
        open it all the same
      </button>
    </form>
  );
}

const TONE: Readonly<Record<string, string>> = { pass: 'text-verdigris', seen: 'text-verdigris' };

function Line({
  line,
  reads,
  amps,
  shown,
  onTake,
}: {
  line: TestLine;
  reads: readonly Read[];
  amps: number | null;
  /** What the meter shows of it now. */
  shown: number | null;
  onTake: (value: number | null, atA: number | null, right: boolean) => void;
}) {
  const [value, setValue] = useState('');
  const [at, setAt] = useState<string | null>(null);
  const [more, setMore] = useState(false);
  const pictures = useDesign().photos.filter((p) => p.about.kind === 'test' && p.about.id === line.id).length;
  const [pictured, setPictured] = useState(false);
  const picturesText = pictures === 0 ? 'picture' : pictures === 1 ? '1 picture' : `${pictures} pictures`;
  const atText = at ?? (line.drop ? figure(amps ?? line.drop.atA) : '');
  const atA = line.drop ? typed(atText) : null;
  const wrong = value !== '' && typed(value) === null;
  const last = reads.at(-1);
  const band = bandAt(line, atA);
  const take = () => {
    const figureRead = typed(value);
    if (figureRead === null) return;
    onTake(figureRead, atA, true);
    setValue('');
  };
  return (
    <li className="border-b border-line py-2">
      <div className="flex flex-wrap items-start gap-x-4 gap-y-1">
        <div className="min-w-[280px] flex-1">
          <b className="font-semibold">{line.what}</b>
          <span className="block text-[12px] text-quiet">
            {line.state}. Probes: {line.probes}.
          </span>
          {line.at ? <ProbeStrip at={line.at} /> : null}
          {line.hazard ? <span className="block text-[12px] font-semibold text-lead">{line.hazard}</span> : null}
          {last ? (
            <span className={`block ${TONE[last.verdict] ?? 'font-semibold text-lead'}`}>
              {last.value === null ? '' : `${figure(last.value, line.unit)} ${line.unit}: `}
              {last.verdict}
              {reads.length > 1 ? <span className="text-quiet"> ({reads.length} readings)</span> : null}
              {isRight(last) ? '' : <span className="text-ink">. {line.outside}</span>}
            </span>
          ) : null}
          {band?.wide ? <span className="block text-[12px] text-copper">This test proves little: measure the current too.</span> : null}
          {more ? (
            <span className="block text-[12px] text-quiet">
              {line.working}
              {band
                ? `. Spread: ${band.spreads.map((s) => `${s.what} ${s.up === s.down ? `±${round3(s.up)}` : `+${round3(s.up)} −${round3(s.down)}`}`).join(', ')}`
                : ''}
            </span>
          ) : null}
        </div>
        <span className="reading w-[230px] pt-1 text-right max-[700px]:w-full max-[700px]:text-left">
          {line.unit === 'seen' ? '' : expectedOf(line, atA)}{' '}
          {line.working !== '' ? (
            <button
              type="button"
              className="plain font-sans text-[12px]"
              onClick={() => setMore(!more)}
              aria-expanded={more}
              aria-label={`Working of ${line.what}`}
            >
              working
            </button>
          ) : null}{' '}
          <button
            type="button"
            className="plain screen-only font-sans text-[12px]"
            onClick={() => setPictured(!pictured)}
            aria-expanded={pictured}
            aria-label={`${picturesText}: ${line.what}`}
          >
            {picturesText}
          </button>
        </span>
        {line.unit === 'seen' ? (
          <span className="screen-only flex gap-2">
            <button type="button" className="act min-h-[40px]" onClick={() => onTake(null, null, true)} aria-label={`Right: ${line.what}`}>
              right
            </button>
            <button
              type="button"
              className="act min-h-[40px]"
              onClick={() => onTake(null, null, false)}
              aria-label={`Not right: ${line.what}`}
            >
              not right
            </button>
          </span>
        ) : (
          <form
            className="screen-only flex items-end gap-2"
            onSubmit={(e) => {
              e.preventDefault();
              take();
            }}
          >
            {line.drop ? (
              <label className="text-[12px] text-quiet">
                at A
                <input
                  className="box reading block min-h-[40px] w-[70px] text-[15px]"
                  inputMode="decimal"
                  aria-label={`Current at ${line.what}`}
                  value={atText}
                  onChange={(e) => setAt(e.target.value)}
                />
              </label>
            ) : null}
            {shown === null ? null : (
              <button
                type="button"
                className="plain min-h-[40px]"
                aria-label={`${figure(shown, line.unit)} ${line.unit} from the meter into ${line.what}`}
                onClick={() => setValue(figure(shown, line.unit).replace('−', '-'))}
              >
                {figure(shown, line.unit)} {line.unit}
              </button>
            )}
            <label className="text-[12px] text-quiet">
              {line.unit}
              <input
                className="box reading block min-h-[40px] w-[90px] text-[15px]"
                inputMode="decimal"
                aria-label={`Reading of ${line.what}`}
                aria-invalid={wrong}
                value={value}
                onChange={(e) => setValue(e.target.value)}
              />
            </label>
            <button
              type="submit"
              className="act min-h-[40px]"
              disabled={typed(value) === null}
              aria-label={`Take the reading of ${line.what}`}
            >
              take
            </button>
          </form>
        )}
      </div>
      {pictured ? <Photos about={{ kind: 'test', id: line.id }} of={line.what} /> : null}
    </li>
  );
}
