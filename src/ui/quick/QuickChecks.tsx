'use client';
import { useEffect, useId, useState } from 'react';
import type { Question, QuickAnswer, QuickCheck, Typed } from '@/core/quick';
import { bare, brief, parseOptional, parseNumber, unitOf, type Units } from '@/core/quantity';
import { View, Viewed, Views } from '@/ui/views/Views';

type Check = Pick<QuickCheck, 'id' | 'name' | 'about'> & {
  readonly questions: QuickCheck['questions'];
  readonly answer: QuickCheck['answer'];
};
type Texts = Readonly<Record<string, string>>;
const OK = { true: 'well', false: 'not well', null: 'look' } as const;

const keyOf = (where: string, check: string): string => `solenix-quick-${where}-${check}`;
const kept = (where: string, check: string): Texts => {
  try {
    const value: unknown = JSON.parse(localStorage.getItem(keyOf(where, check)) ?? '{}');
    return typeof value === 'object' && value !== null ? (value as Texts) : {};
  } catch {
    return {};
  }
};

/** As the core takes it: figures in metres and amps, the rest as it stands. A figure that is not understood is not taken. */
function typedOf(
  questions: readonly Question[],
  texts: Texts,
  units: Units,
): { readonly typed: Typed; readonly wrong: Readonly<Record<string, string>> } {
  const typed: Record<string, number | string | null> = {};
  const wrong: Record<string, string> = {};
  for (const q of questions) {
    const text = texts[q.key] ?? '';
    if (q.kind !== 'number') {
      typed[q.key] = text;
      continue;
    }
    const parsed =
      q.unit === 'm'
        ? parseOptional(text, 'm', units, q.low, q.high)
        : text.trim() === ''
          ? null
          : parseNumber(text, q.unit === 'VA' ? 'none' : q.unit, units, q.low, q.high);
    if (parsed === null) typed[q.key] = null;
    else if (parsed.ok) typed[q.key] = parsed.value;
    else wrong[q.key] = parsed.message;
  }
  return { typed, wrong };
}

/** Three checks of five minutes, on any boat: what is typed stays on this device, by the boat it was typed for. */
export function QuickChecks({ units, where }: { units: Units; where: string }) {
  const [checks, setChecks] = useState<readonly Check[] | null>(null);
  const [showing, setShowing] = useState<string>('');
  useEffect(() => {
    let live = true;
    // The computation is fetched when it is first asked for.
    void import('@/core/quick').then(({ QUICK_CHECKS }) => {
      if (live) setChecks(QUICK_CHECKS);
    });
    return () => {
      live = false;
    };
  }, []);
  if (!checks) return <p className="text-quiet">Fetching the three checks.</p>;
  const check = checks.find((c) => c.id === showing) ?? checks[0];
  if (!check) return null;
  return (
    <Viewed showing={check.id} onShow={setShowing} className="max-w-[980px]">
      <p className="screen-only mt-2 flex flex-wrap gap-4">
        <Views views={checks.map((c) => c.id)} label="Checks" name={(id) => checks.find((c) => c.id === id)?.name ?? id} />
      </p>
      <View of={check.id}>
        <OneCheck key={`${check.id}-${units.ruleSet}`} check={check} units={units} where={where} />
      </View>
    </Viewed>
  );
}

function OneCheck({ check, units, where }: { check: Check; units: Units; where: string }) {
  const [texts, setTexts] = useState<Texts>(() => kept(where, check.id));
  const questions = check.questions(units.ruleSet);
  const { typed, wrong } = typedOf(questions, texts, units);
  const answer: QuickAnswer = check.answer(units.ruleSet, typed);
  const put = (key: string, value: string) => {
    const next = { ...texts, [key]: value };
    setTexts(next);
    try {
      localStorage.setItem(keyOf(where, check.id), JSON.stringify(next));
    } catch {
      // A full or closed store keeps nothing; what is typed stands while the page does.
    }
  };
  const count = (ok: boolean | null) => answer.lines.filter((l) => l.ok === ok).length;
  return (
    <>
      <h2 className="mt-3 text-[15px] font-bold">Five minutes: {check.name}</h2>
      <p className="text-quiet">{check.about} Leave empty what nobody has looked at.</p>
      <div className="mt-2 grid grid-cols-4 items-end gap-x-4 gap-y-2 max-[999px]:grid-cols-2 print:grid-cols-4">
        {questions.map((q) => (
          <Asked key={q.key} question={q} text={texts[q.key] ?? ''} wrong={wrong[q.key]} units={units} onChange={(v) => put(q.key, v)} />
        ))}
      </div>
      <p className="mt-4 text-[15px]" role="status">
        <b className={count(false) > 0 ? 'font-semibold text-lead' : 'font-semibold'}>{count(false)} not well</b>, {count(true)} well,{' '}
        {count(null)} still to be looked at.
      </p>
      <table className="mt-1 w-full text-left" aria-label={`Five minutes: ${check.name}`}>
        <thead>
          <tr className="border-b-[1.5px] border-ink text-[12px] text-quiet">
            <th className="font-medium">what</th>
            <th className="font-medium">ought to be</th>
            <th className="font-medium">is</th>
            <th className="font-medium" />
            <th className="font-medium">why</th>
          </tr>
        </thead>
        <tbody>
          {answer.lines.map((l) => (
            <tr key={l.what} className="border-b border-line align-baseline">
              <td className="py-[2px] pr-3">{l.what}</td>
              <td className="pr-3">{l.asked}</td>
              <td className="pr-3">{l.there}</td>
              <td className={`pr-3 whitespace-nowrap ${l.ok === false ? 'font-semibold text-lead' : l.ok === null ? 'text-copper' : ''}`}>
                {OK[String(l.ok) as keyof typeof OK]}
              </td>
              <td className="text-quiet">{l.why}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {answer.findings.length > 0 ? (
        <>
          <h3 className="mt-4 font-semibold">What the rules find</h3>
          <ul>
            {answer.findings.map((f, i) => (
              <li key={`${f.rule}-${i}`} className="border-b border-line py-1">
                <b className={`font-semibold ${f.severity === 'stop' ? 'text-lead' : ''}`}>
                  {f.severity}: {f.title}.
                </b>{' '}
                {f.why} {f.todo}
              </li>
            ))}
          </ul>
        </>
      ) : null}
      <p className="mt-3 text-[12px] text-quiet">Taken for granted: {answer.assumed.join('; ')}.</p>
      <p className="caution mt-3">{answer.caution}</p>
      <p className="screen-only mt-3 flex gap-3">
        <button type="button" className="act" onClick={() => window.print()}>
          print the page
        </button>
        <button
          type="button"
          className="plain"
          onClick={() => {
            setTexts({});
            localStorage.removeItem(keyOf(where, check.id));
          }}
        >
          empty it
        </button>
      </p>
    </>
  );
}

const YES = { '': 'not looked at', yes: 'yes', no: 'no' } as const;

function Asked({
  question: q,
  text,
  wrong,
  units,
  onChange,
}: {
  question: Question;
  text: string;
  wrong: string | undefined;
  units: Units;
  onChange: (text: string) => void;
}) {
  const id = useId();
  const unit =
    q.kind === 'number'
      ? q.unit === 'm'
        ? unitOf('m', units).name
        : q.unit
      : q.kind === 'size'
        ? units.ruleSet === 'awg'
          ? 'AWG'
          : 'mm²'
        : '';
  const usual = q.kind === 'number' && q.usual !== null ? (q.unit === 'm' ? brief(bare(q.usual, 'm', units)) : String(q.usual)) : '';
  return (
    <div className="min-w-0">
      <label htmlFor={id} className="block text-[11.5px] text-quiet">
        {q.ask}
        {unit ? `, ${unit}` : ''}
      </label>
      {q.kind === 'choice' || q.kind === 'yes' ? (
        <select id={id} className="box w-full" value={text} onChange={(e) => onChange(e.target.value)}>
          {q.kind === 'yes'
            ? (Object.keys(YES) as (keyof typeof YES)[]).map((k) => (
                <option key={k} value={k}>
                  {YES[k]}
                </option>
              ))
            : ['', ...q.options].map((o) => (
                <option key={o} value={o}>
                  {o === '' ? 'as usual' : o}
                </option>
              ))}
        </select>
      ) : (
        <input
          id={id}
          className="box reading w-full"
          inputMode={q.kind === 'number' ? 'decimal' : 'text'}
          placeholder={usual}
          maxLength={20}
          value={text}
          aria-invalid={wrong !== undefined}
          aria-describedby={wrong === undefined ? undefined : `${id}-wrong`}
          onChange={(e) => onChange(e.target.value)}
        />
      )}
      {wrong === undefined ? null : (
        <p id={`${id}-wrong`} role="alert" className="mt-[2px] text-[11.5px] font-semibold text-lead">
          {wrong}
        </p>
      )}
    </div>
  );
}
