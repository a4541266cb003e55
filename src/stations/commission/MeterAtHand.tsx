'use client';
import { useState } from 'react';
import { rowOf } from '@/core/design';
import { BankSelect } from '@/ui/field/BankSelect';
import { useDesign } from '@/ui/boat/context';
import { type Heard, useFeed, useMeters } from '@/ui/boat/useFeed';
import type { AtHand } from './figureOf';

/** Listens to a meter while the sheet is gone through. */
export function useAtHand(): { readonly hand: AtHand | null; readonly control: React.ReactNode } {
  const design = useDesign();
  const meters = useMeters();
  const [bankId, setBank] = useState(design.banks[0]?.id ?? '');
  const [name, setName] = useState('');
  const living = design.living[0]?.id ?? '';
  const asked = name === '' ? null : new URLSearchParams({ meter: name, bank: bankId, living, faults: '', speed: '1' }).toString();
  const { heard, ended } = useFeed(asked, null);
  const last: Heard | undefined = heard.at(-1);
  const hand = name !== '' && last ? { bankId, volts: last.volts, amps: last.amps } : null;
  if (!meters || meters.length === 0 || design.banks.length === 0) return { hand: null, control: null };
  return {
    hand,
    control: (
      <span className="flex flex-wrap items-baseline gap-x-2">
        <label>
          readings from{' '}
          <select className="box" value={name} onChange={(e) => setName(e.target.value)}>
            <option value="">by hand</option>
            {meters.map((m) => (
              <option key={m.name} value={m.name}>
                {m.simulated ? 'the simulated meter' : m.name}
              </option>
            ))}
          </select>
        </label>
        {name === '' ? null : (
          <>
            <BankSelect label="of" value={bankId} onChange={setBank} />
            <span className="reading" role="status">
              {ended
                ? `it ended: ${ended}`
                : hand
                  ? `${rowOf(design.banks, hand.bankId)?.name ?? ''}: ${hand.volts?.toFixed(2) ?? '·'} V, ${hand.amps?.toFixed(1) ?? '·'} A`
                  : 'listening'}
            </span>
          </>
        )}
      </span>
    ),
  };
}
