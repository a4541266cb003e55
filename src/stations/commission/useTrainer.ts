'use client';
import { useState } from 'react';
import type { Complaint, PracticeEnd, PracticeReading, PracticeTold } from '@/core/commission';
import { useStore } from '@/ui/boat/context';

export interface PracticeStep {
  readonly what: string;
  /** null: a part was said to be bad. */
  readonly reading: PracticeReading | null;
  readonly right: boolean;
}

export interface Practice {
  readonly complaint: Complaint & { readonly exercise: string };
  readonly steps: readonly PracticeStep[];
  readonly minutes: number;
  readonly found: number;
  readonly end: PracticeEnd | null;
}

/** An exercise as far as it is known here: what is wrong stays with the server until the end. */
export function useTrainer() {
  const store = useStore();
  const [practice, setPractice] = useState<Practice | null>(null);
  const [busy, setBusy] = useState(false);
  const ask = async <T>(body: object, then: (answer: T) => void) => {
    setBusy(true);
    const answer = await fetch(`/api/boats/${store.boatId}/trainer`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    }).catch(() => null);
    setBusy(false);
    if (!answer) return store.say('refused', 'The trainer is on the server, and it cannot be reached.');
    const said = (await answer.json()) as T & { readonly error?: string };
    if (!answer.ok) return store.say('refused', said.error ?? 'The trainer could not do that.');
    then(said);
  };
  const told = (what: string, said: PracticeTold) =>
    setPractice(
      (had) =>
        had && {
          ...had,
          steps: what === '' ? had.steps : [...had.steps, { what, reading: null, right: said.right }],
          minutes: said.minutes,
          found: said.found,
          end: said.end,
        },
    );
  const exercise = practice?.complaint.exercise;
  return {
    practice,
    busy,
    begin: (circuitId: string | null, faults: 1 | 2) =>
      ask<Practice['complaint']>({ act: 'begin', circuitId, faults }, (complaint) =>
        setPractice({ complaint, steps: [], minutes: 0, found: 0, end: null }),
      ),
    read: (from: string, to: string, what: string) =>
      ask<PracticeReading>({ act: 'read', exercise, from, to }, (reading) =>
        setPractice((had) => had && { ...had, steps: [...had.steps, { what, reading, right: true }], minutes: reading.minutes }),
      ),
    say: (part: string, what: string) => ask<PracticeTold>({ act: 'say', exercise, part }, (said) => told(what, said)),
    tell: () => ask<PracticeTold>({ act: 'tell', exercise }, (said) => told('', said)),
  };
}
