'use client';
/** Labelled fields for single facts. A refused entry stays where it was typed, with the reason under it. */
import { useId, useState, type ReactNode } from 'react';
import { bare, brief, type Kind, type Parsed, parseNumber, parseOptional, unitOf } from '@/core/quantity';
import { useDesign } from '@/ui/boat/context';

function Labelled({ id, label, message, children }: { id: string; label: string; message?: string | null; children: ReactNode }) {
  return (
    <div className="min-w-0">
      <label htmlFor={id} className="block text-[11.5px] text-quiet">
        {label}
      </label>
      {children}
      {message ? (
        <p role="alert" id={`${id}-message`} className="mt-[2px] text-[11.5px] font-semibold text-lead">
          {message}
        </p>
      ) : null}
    </div>
  );
}

interface TextProps {
  readonly label: string;
  readonly value: string;
  readonly parse: (text: string) => Parsed<unknown>;
  readonly onChange: (text: string) => void;
  readonly mono?: boolean;
}

/** Text taken on Enter or on leaving, once it is understood. Esc gives up. */
export function Entry({ label, value, parse, onChange, mono = false }: TextProps) {
  const id = useId();
  const [draft, setDraft] = useState<string | null>(null);
  const [message, setMessage] = useState<string | null>(null);
  const commit = () => {
    if (draft === null) return;
    if (draft !== value) {
      const parsed = parse(draft);
      if (!parsed.ok) return setMessage(parsed.message);
      onChange(draft);
    }
    setDraft(null);
    setMessage(null);
  };
  return (
    <Labelled id={id} label={label} message={message}>
      <input
        id={id}
        className={`box w-full ${mono ? 'reading' : ''}`}
        inputMode={mono ? 'decimal' : 'text'}
        value={draft ?? value}
        aria-invalid={message !== null}
        aria-describedby={message ? `${id}-message` : undefined}
        onChange={(e) => setDraft(e.target.value)}
        onBlur={commit}
        onKeyDown={(e) => {
          if (e.key === 'Enter') commit();
          else if (e.key === 'Escape') {
            setDraft(null);
            setMessage(null);
          }
        }}
      />
    </Labelled>
  );
}

interface FigureProps {
  readonly label: string;
  readonly kind: Kind;
  readonly value: number;
  readonly low: number;
  readonly high: number;
  readonly onChange: (value: number) => void;
}

/** A number in the vessel's unit. */
export function Figure({ label, kind, value, low, high, onChange }: FigureProps) {
  const design = useDesign();
  const units = design.boat;
  const unit = unitOf(kind, units).name;
  const parse = (text: string) => parseNumber(text, kind, units, low, high);
  return (
    <Entry
      label={unit ? `${label}, ${unit}` : label}
      mono
      value={brief(bare(value, kind, units))}
      parse={parse}
      onChange={(text) => {
        const parsed = parse(text);
        if (parsed.ok) onChange(parsed.value);
      }}
    />
  );
}

interface OptionalFigureProps extends Omit<FigureProps, 'value' | 'onChange'> {
  readonly value: number | null;
  readonly onChange: (value: number | null) => void;
}

/** A number in the vessel's unit, or nothing. */
export function OptionalFigure({ label, kind, value, low, high, onChange }: OptionalFigureProps) {
  const design = useDesign();
  const units = design.boat;
  const unit = unitOf(kind, units).name;
  const parse = (text: string) => parseOptional(text, kind, units, low, high);
  return (
    <Entry
      label={unit ? `${label}, ${unit}` : label}
      mono
      value={brief(bare(value, kind, units))}
      parse={parse}
      onChange={(text) => {
        const parsed = parse(text);
        if (parsed.ok) onChange(parsed.value);
      }}
    />
  );
}

/** Free text taken as it is, up to a length. */
export function Words({
  label,
  value,
  most = 120,
  onChange,
}: {
  label: string;
  value: string;
  most?: number;
  onChange: (text: string) => void;
}) {
  return (
    <Entry
      label={label}
      value={value}
      parse={(t) => (t.trim().length > most ? { ok: false, message: `at most ${most} letters` } : { ok: true, value: t })}
      onChange={(t) => onChange(t.trim())}
    />
  );
}

interface ChoiceProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly T[];
  readonly names?: Readonly<Record<string, string>>;
  readonly onChange: (value: T) => void;
}

export function Choice<T extends string>({ label, value, options, names = {}, onChange }: ChoiceProps<T>) {
  const id = useId();
  return (
    <Labelled id={id} label={label}>
      <select id={id} className="box w-full" value={value} onChange={(e) => onChange(e.target.value as T)}>
        {options.map((o) => (
          <option key={o} value={o}>
            {names[o] ?? o}
          </option>
        ))}
      </select>
    </Labelled>
  );
}

export function Tick({ label, value, onChange }: { label: string; value: boolean; onChange: (value: boolean) => void }) {
  return (
    <label className="flex items-end gap-2 pb-1">
      <input type="checkbox" checked={value} onChange={(e) => onChange(e.target.checked)} />
      {label}
    </label>
  );
}
