'use client';
import { useState } from 'react';
import type { Growth } from '@/core';
import { parseNumber } from '@/core/quantity';
import { REST, useAsked, useDesign } from '@/ui/boat/context';
import { GrowthTable } from '@/ui/growth/GrowthTable';

/** Something that may become so many times as much. */
export interface Grows {
  readonly key: string;
  readonly name: string;
  readonly of: (by: number) => Growth;
}

/** One thing made larger, and everything on its path tested as it stands. @param things the first is asked about at first. */
export function Grow({ things }: { things: readonly Grows[] }) {
  const units = useDesign().boat;
  const [key, setKey] = useState(things[0]?.key);
  const [text, setText] = useState('1.5');
  const thing = things.find((t) => t.key === key) ?? things[0];
  const by = parseNumber(text, 'none', units, 0.05, 20);
  const growth = thing && by.ok ? thing.of(by.value) : null;
  const lines = useAsked(growth && `grow:${JSON.stringify(growth)}`, (r) => (growth ? r.grow(growth) : Promise.resolve(null)), REST);
  return (
    <div className="py-1">
      <div className="flex flex-wrap items-baseline gap-2">
        what if
        <select className="box" aria-label="What grows" value={thing?.key} onChange={(e) => setKey(e.target.value)}>
          {things.map((t) => (
            <option key={t.key} value={t.key}>
              {t.name}
            </option>
          ))}
        </select>
        becomes
        <input
          className="box reading w-[60px] text-right"
          aria-label="Times as much"
          aria-invalid={!by.ok}
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
        times as much
        {by.ok ? null : <span className="font-semibold text-lead">{by.message}</span>}
      </div>
      {lines && growth ? <GrowthTable label="What if it grows" lines={lines} growth={growth} /> : null}
    </div>
  );
}
