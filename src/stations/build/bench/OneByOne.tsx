'use client';
import { useEffect, useRef, useState } from 'react';
import { benchSteps, type MadePiece } from '@/core/build';
import { useDesign } from '@/ui/boat/context';
import { Dialog } from '@/ui/frame/Dialog';
import { usePalms } from './Passport';

/** One step at a time, in type that is read from a metre away: one tap, key or pedal goes on. */
export function OneByOne({
  pieces,
  onDone,
  onClose,
}: {
  pieces: readonly MadePiece[];
  onDone: (p: MadePiece) => void;
  onClose: () => void;
}) {
  const design = useDesign();
  const palms = usePalms();
  // As they were when it began: what is finished meanwhile does not move the rest about.
  const [queue] = useState(pieces);
  const [at, setAt] = useState<readonly [piece: number, step: number]>([0, 0]);
  const on = useRef<HTMLButtonElement>(null);
  useEffect(() => on.current?.focus(), [at]);
  const piece = queue[at[0]];
  if (!piece)
    return (
      <Dialog open onClose={onClose} title="All made up" wide>
        <p className="text-[20px]">Every piece of this round is made up. Next: aboard, to be landed.</p>
        <button ref={on} type="button" className="act mt-4 min-h-[64px] w-full text-[20px]" onClick={onClose}>
          close
        </button>
      </Dialog>
    );
  const steps = benchSteps(piece, palms(piece.cut.id), design.house, design.boat);
  const step = steps[at[1]];
  const last = at[1] >= steps.length - 1;
  const forward = () => {
    if (last) onDone(piece);
    setAt(last ? [at[0] + 1, 0] : [at[0], at[1] + 1]);
  };
  const backward = () => {
    if (at[1] > 0) return setAt([at[0], at[1] - 1]);
    const before = queue[at[0] - 1];
    if (before) setAt([at[0] - 1, 0]);
  };
  return (
    <Dialog open onClose={onClose} title={piece.cut.label} wide>
      <div
        onKeyDown={(e) => {
          // A pedal sends one of these keys.
          if (e.key === 'ArrowRight' || e.key === 'PageDown') forward();
          else if (e.key === 'ArrowLeft' || e.key === 'PageUp') backward();
          else return;
          e.preventDefault();
        }}
      >
        <p className="text-quiet">
          piece {at[0] + 1} of {queue.length}, step {at[1] + 1} of {steps.length}
        </p>
        <p className="mt-2 min-h-[150px] text-[28px] leading-[1.25] font-semibold" aria-live="polite">
          {step?.do}
        </p>
        {step?.note ? <p className="text-[16px] text-quiet">{step.note}</p> : null}
        {step?.hazard ? <p className="text-[16px] font-semibold text-lead">{step.hazard}</p> : null}
        <div className="mt-4 flex gap-3">
          <button type="button" className="act min-h-[64px] w-[120px] text-[18px]" onClick={backward} disabled={at[0] === 0 && at[1] === 0}>
            back
          </button>
          <button ref={on} type="button" className="act min-h-[64px] flex-1 text-[22px]" onClick={forward}>
            {last ? 'made up' : 'done, next'}
          </button>
        </div>
        <p className="mt-2 text-[12px] text-quiet">Arrow keys, page keys or a pedal go back and on.</p>
      </div>
    </Dialog>
  );
}
