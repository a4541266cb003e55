'use client';
import Link from 'next/link';
import type { BoatState, BoatSummary } from '@/core/design';
import { show } from '@/core/quantity';
import { planOutline } from '@/ui/hull/hull';
import type { Told } from './useStates';

const day = (at: number): string => new Date(at).toISOString().slice(0, 16).replace('T', ' ');

/** Her first picture, else her outline by length and beam, all to one scale. */
function Picture({ id, state }: { id: string; state: BoatState | null }) {
  if (state?.photoId)
    return (
      // eslint-disable-next-line @next/next/no-img-element -- a file of this boat's own, served as it is
      <img src={`/api/boats/${id}/photos/${state.photoId}`} alt="" loading="lazy" className="h-[38px] w-[64px] flex-none object-cover" />
    );
  const scale = 60 / 18;
  const points = state
    ? planOutline(state).map(([x, y]) => `${(2 + Math.min(18, x) * scale).toFixed(1)},${(19 - y * scale).toFixed(1)}`)
    : [];
  return (
    <svg aria-hidden width={64} height={38} className="flex-none">
      <polygon points={points.join(' ')} className="fill-sheet stroke-quiet" strokeWidth={1} />
    </svg>
  );
}

const many = (n: number, one: string, more = `${one}s`): string => `${n} ${n === 1 ? one : more}`;

function Findings({ told }: { told: Told }) {
  const { state, pending, failed } = told;
  if (failed) return <span className="text-quiet">what is open could not be calculated</span>;
  if (!state) return <span className="text-faint">calculating what is open</span>;
  const text =
    state.stops + state.fixes === 0
      ? 'nothing to settle'
      : [state.stops > 0 ? many(state.stops, 'stop') : '', state.fixes > 0 ? many(state.fixes, 'fix', 'fixes') : '']
          .filter(Boolean)
          .join(', ');
  return (
    <>
      <span className={state.stops > 0 ? 'font-semibold text-lead' : state.fixes > 0 ? 'font-semibold' : 'text-quiet'}>{text}</span>
      {pending ? <span className="text-faint"> before the last edits</span> : null}
    </>
  );
}

const progress = (s: BoatState): string =>
  [
    s.loads === 0 ? 'no loads yet' : s.wired === s.loads ? `all ${s.loads} loads wired` : `${s.wired} of ${s.loads} loads wired`,
    s.runs > 0 ? `${s.taped} of ${s.runs} lengths taped` : '',
  ]
    .filter(Boolean)
    .join(', ');

/** A boat in the list: what she is, what is open, how far she is, when she was changed last. */
export function BoatRow({
  boat: b,
  told,
  busy,
  onCopy,
  onRemove,
}: {
  boat: BoatSummary;
  told: Told;
  busy: boolean;
  onCopy: () => void;
  onRemove: () => void;
}) {
  const name = (
    <Link href={`/boats/${b.id}/survey`} prefetch={false} className="text-[16px] font-semibold whitespace-nowrap hover:underline">
      {b.name}
    </Link>
  );
  const remove = (
    <button type="button" className="plain whitespace-nowrap text-quiet" disabled={busy} onClick={onRemove} aria-label={`remove ${b.name}`}>
      remove
    </button>
  );
  const changed = <span className="reading ml-auto text-[11.5px] whitespace-nowrap text-faint">{day(b.updatedAt)} UTC</span>;
  if (b.damaged)
    return (
      <li className="flex items-baseline gap-4 border-b border-line py-2">
        {name}
        <span className="truncate font-semibold text-lead" aria-description={b.problem ?? undefined}>
          {b.problem ?? 'what stands on file cannot be read'}; open it for what can be had back
        </span>
        {changed}
        <a
          className="plain whitespace-nowrap"
          href={`/api/boats/${b.id}/export?as=raw`}
          download
          aria-label={`take it away as it is: ${b.name}`}
        >
          take it away as it is
        </a>
        {remove}
      </li>
    );
  const units = { lengthUnit: told.state?.feet ? 'ft' : 'm', tempUnit: 'C', massUnit: 'kg', ruleSet: 'metric' } as const;
  return (
    <li className="flex items-center gap-4 border-b border-line py-2">
      <Picture id={b.id} state={told.state} />
      <div className="min-w-0 flex-1">
        <p className="flex items-baseline gap-4">
          {name}
          <span className="truncate text-quiet">
            {show(b.lengthM, 'm', units)}, {b.systemV} V, {b.loads} loads, {b.circuits} circuits
          </span>
          {changed}
        </p>
        <p className="flex items-baseline gap-4 text-[12.5px]">
          <span>
            <Findings told={told} />
          </span>
          <span className="truncate text-quiet">{told.state ? progress(told.state) : ''}</span>
          <span className="ml-auto flex gap-4">
            <button type="button" className="plain" disabled={busy} onClick={onCopy} aria-label={`duplicate ${b.name}`}>
              duplicate
            </button>
            <a className="plain" href={`/api/boats/${b.id}/export`} download>
              export
            </a>
            <a
              className="plain whitespace-nowrap"
              href={`/api/boats/${b.id}/export?as=zip`}
              download
              aria-label={`export ${b.name} with pictures`}
              aria-description="her pictures and her whole history with her"
            >
              with pictures
            </a>
            {remove}
          </span>
        </p>
      </div>
    </li>
  );
}
