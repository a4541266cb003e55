import { useState } from 'react';
import type { Cut } from '@/core/build';
import { bare, show, type Units } from '@/core/quantity';

interface Props {
  readonly cut: Cut;
  readonly units: Units;
  /** What stands against building it; null: nothing. */
  readonly against: string | null;
}

/** A piece of the cut list; its length opens what it is made of. */
export function PieceRow({ cut, units, against }: Props) {
  const [open, setOpen] = useState(false);
  return (
    <tr className={`border-b border-line ${against === null ? '' : 'line-through decoration-lead'}`}>
      <td className="pr-2">
        {cut.label}
        {cut.note === '' ? null : <span className="inline-block w-full text-[11.5px] text-quiet">{cut.note}</span>}
        {against === null ? null : <span className="inline-block w-full text-[11.5px] text-lead">no: {against}</span>}
        {open ? <span className="screen-only inline-block w-full text-[11.5px] text-quiet">{madeOf(cut, units)}</span> : null}
      </td>
      <td className="reading pr-2 whitespace-nowrap">{cut.size}</td>
      <td className="pr-2">{cut.colour}</td>
      <td className={`reading text-right ${cut.taped ? 'tone-measured' : 'tone-estimated'}`}>
        <button
          type="button"
          className="opens"
          aria-expanded={open}
          aria-description={`The working: length of ${cut.label}`}
          onClick={() => setOpen(!open)}
        >
          {Number(bare(cut.lengthM, 'm', units)).toFixed(2)}
        </button>
      </td>
      <td className="pr-2 pl-4">{cut.fromEnd}</td>
      <td className="pr-2">{cut.toEnd}</td>
      <td>{against === null ? '☐' : '–'}</td>
    </tr>
  );
}

function madeOf(cut: Cut, units: Units): string {
  const m = (x: number) => show(x, 'm', units);
  const opens = cut.openM > 0 ? `; ${m(cut.openM)} more are cut, for a panel that opens` : '';
  if (cut.taped || cut.slackM <= 0) return `${m(cut.lengthM)}, ${cut.taped ? 'as taped' : 'as its ends stand'}${opens}`;
  return `${m(cut.lengthM - cut.slackM)} from where its ends stand and ${m(cut.slackM)} of slack at both${opens}`;
}
