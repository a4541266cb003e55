'use client';
/** Two minutes through a boat on her real screens: a bar that says what stands here and leads to the next; it can be left at any step. */
import { useRouter } from 'next/navigation';
import { useEffect } from 'react';
import { useBoat, useSelected } from '@/ui/boat/context';

interface Stop {
  readonly station: string;
  readonly say: string;
  /** A row to choose, so that its working opens. */
  readonly shows?: 'heaviest circuit';
}

const STOPS: readonly Stop[] = [
  {
    station: 'survey',
    say: 'Everything begins with the hull: places on it give every cable its length until a tape does. Drag one and its runs change.',
  },
  {
    station: 'loads',
    say: 'One row is one kind of appliance. Type over any figure; dotted ones are estimates, dashed ones typical, bold ones measured.',
  },
  {
    station: 'bank',
    say: 'What the bank must hold, from what is used each day. The bar at the top is the whole boat in six figures, live.',
  },
  {
    station: 'charging',
    say: 'What fills it again, at the engine’s real speed and hot; and whether every charger is set as the battery wants.',
  },
  { station: 'ac', say: 'Shore, generator, inverter: which breaker, which cable, and what may run together without tripping anything.' },
  {
    station: 'wiring',
    shows: 'heaviest circuit',
    say: 'Every circuit sized: here the heaviest is chosen, and its arithmetic opens beside it, line by line, with what the next size would change.',
  },
  { station: 'protection', say: 'What a short does at either end, and whether the right device opens first.' },
  { station: 'check', say: 'What a surveyor would object to, worst first, each with its reason; many are put right by a press.' },
  {
    station: 'build',
    say: 'And the list to cut, crimp and label from. That is the whole way: now a boat of your own, from the list of boats.',
  },
];

/** @param at from 1; what is not a stop shows nothing. */
export default function GuidedRun({ boatId, at }: { boatId: string; at: number }) {
  const router = useRouter();
  const circuits = useBoat((s) => s.design.circuits);
  const [, select] = useSelected();
  const stop = STOPS[at - 1];
  const heaviest = circuits.find((c) => /windlass|thruster|inverter/i.test(c.name)) ?? circuits[0];
  const shown = stop?.shows === 'heaviest circuit' ? (heaviest?.id ?? null) : null;
  useEffect(() => {
    select(shown === null ? null : { kind: 'circuit', id: shown });
    // Once at each stop: what is chosen afterwards stays.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [at]);
  if (!stop) return null;
  const to = (n: number) => router.push(`/boats/${boatId}/${STOPS[n - 1]?.station ?? 'survey'}?run=${n}`);
  const leave = () => router.push(`/boats/${boatId}/${stop.station}`);
  return (
    <aside
      aria-label="Guided run"
      className="screen-only flex flex-none flex-wrap items-baseline gap-x-4 gap-y-1 border-t-[1.5px] border-verdigris bg-film px-4 py-2"
    >
      <b className="font-semibold whitespace-nowrap text-verdigris">
        {at} of {STOPS.length}
      </b>
      <p className="min-w-[240px] flex-1" aria-live="polite">
        {stop.say}
      </p>
      {at > 1 ? (
        <button type="button" className="plain" onClick={() => to(at - 1)}>
          back
        </button>
      ) : null}
      {at < STOPS.length ? (
        <button type="button" className="act" onClick={() => to(at + 1)}>
          next
        </button>
      ) : (
        <button type="button" className="act" onClick={() => router.push('/')}>
          to the list of boats
        </button>
      )}
      <button type="button" className="plain" onClick={leave}>
        leave the run
      </button>
    </aside>
  );
}
