'use client';
import { useState } from 'react';

/** A figure or a word in a table: taken on Enter or when it is left, given back by Escape; what is refused stays, with the reason. */
export function TextCell({
  label,
  value,
  take,
  wide = false,
}: {
  readonly label: string;
  readonly value: string;
  readonly take: (text: string) => string | null;
  readonly wide?: boolean;
}) {
  const [draft, setDraft] = useState<string | null>(null);
  const [why, setWhy] = useState<string | null>(null);
  const commit = () => {
    if (draft === null) return;
    if (draft === value) return setDraft(null);
    const refused = take(draft);
    setWhy(refused);
    if (refused === null) setDraft(null);
  };
  return (
    <>
      <input
        className={wide ? 'box w-[130px]' : 'box w-[90px]'}
        aria-label={label}
        aria-invalid={why !== null}
        value={draft ?? value}
        onChange={(e) => setDraft(e.target.value)}
        onBlur={commit}
        onKeyDown={(e) => {
          if (e.key === 'Enter') commit();
          if (e.key === 'Escape') {
            setDraft(null);
            setWhy(null);
          }
        }}
      />
      {why ? (
        <span role="alert" className="block text-[11.5px] text-lead">
          {why}
        </span>
      ) : null}
    </>
  );
}
