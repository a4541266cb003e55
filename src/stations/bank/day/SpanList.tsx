'use client';
import { memo } from 'react';
import { type Living, type Span, SPAN_KINDS } from '@/core/design';
import { parseNumber, round3 } from '@/core/quantity';
import { useDesign } from '@/ui/boat/context';
import { Choice, Entry } from '@/ui/field';
import { parseHour, showHour } from './hours';

const LEVEL: Readonly<Record<Span['what'], { label: string; high: number }>> = {
  engine: { label: 'engine rpm', high: 10000 },
  generator: { label: 'largest A AC to charge, 0: any', high: 200 },
  shore: { label: 'largest A AC to charge, 0: any', high: 200 },
  sun: { label: 'peak sun hours of the day', high: 12 },
  wind: { label: 'mean wind, m/s', high: 40 },
  selector: { label: 'position', high: 3 },
};
const FRESH: Readonly<Record<Span['what'], readonly [number, number, number]>> = {
  engine: [8, 9, 1500],
  generator: [10, 11, 0],
  shore: [0, 24, 0],
  sun: [6, 18, 4],
  wind: [0, 24, 6],
  selector: [8, 20, 3],
};
const POSITIONS = { '0': 'off', '1': 'first bank', '2': 'second bank', '3': 'both' } as const;

interface Props {
  readonly living: Living;
  readonly picked: string | null;
  readonly onPick: (id: string) => void;
  readonly onChange: (day: Living['day'], label: string) => void;
  readonly fresh: (prefix: string) => string;
}

/** The same stretches of the day typed: from, to, how much. */
export const SpanList = memo(function SpanList({ living, picked, onPick, onChange, fresh }: Props) {
  const design = useDesign();
  const put = (s: Span, change: Partial<Span>) =>
    onChange(
      living.day.map((x) => (x.id === s.id ? { ...s, ...change } : x)),
      `${s.what} ${living.name}`,
    );
  return (
    <div>
      <ul>
        {living.day.map((s) => (
          <li
            key={s.id}
            className={`grid grid-cols-[74px_58px_58px_1fr_auto] items-end gap-2 border-b border-line py-1 ${picked === s.id ? 'bg-wash' : ''}`}
            onFocus={() => onPick(s.id)}
          >
            <b className="pb-1 font-semibold">{s.what}</b>
            <Entry label="from" mono value={showHour(s.fromH)} parse={parseHour} onChange={(t) => hour(t, (fromH) => put(s, { fromH }))} />
            <Entry label="to" mono value={showHour(s.toH)} parse={parseHour} onChange={(t) => hour(t, (toH) => put(s, { toH }))} />
            {s.what === 'selector' ? (
              <Choice
                label="position"
                value={String(s.level)}
                options={['0', '1', '2', '3']}
                names={POSITIONS}
                onChange={(v) => put(s, { level: Number(v) })}
              />
            ) : (
              <Entry
                label={LEVEL[s.what].label}
                mono
                value={round3(s.level)}
                parse={(t) => parseNumber(t, 'none', design.boat, 0, LEVEL[s.what].high)}
                onChange={(t) => put(s, { level: Number(t.replace(',', '.')) })}
              />
            )}
            <button
              type="button"
              className="plain pb-1"
              aria-label={`Remove ${s.what} from ${showHour(s.fromH)}`}
              onClick={() =>
                onChange(
                  living.day.filter((x) => x.id !== s.id),
                  `no ${s.what} ${living.name}`,
                )
              }
            >
              remove
            </button>
          </li>
        ))}
      </ul>
      <p className="mt-2 flex flex-wrap gap-x-3">
        <span className="text-quiet">add</span>
        {SPAN_KINDS.map((what) => (
          <button
            key={what}
            type="button"
            className="plain"
            disabled={living.day.length >= 40}
            onClick={() => {
              const [fromH, toH, level] = FRESH[what];
              const span: Span = { id: fresh('p'), what, fromH, toH, level };
              onChange([...living.day, span], `${what} ${living.name}`);
              onPick(span.id);
            }}
          >
            {what}
          </button>
        ))}
      </p>
    </div>
  );
});

function hour(text: string, take: (h: number) => void): void {
  const parsed = parseHour(text);
  if (parsed.ok) take(parsed.value);
}
