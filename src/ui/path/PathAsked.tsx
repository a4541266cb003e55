'use client';
import { typed } from './figures';
import type { PathReadings } from './usePathReadings';

/** What flows, and what is lost over the whole path. */
export function PathAsked({
  path: { wholeText, setWhole },
  amps,
  onAmps,
}: {
  readonly path: PathReadings;
  /** As typed. */
  readonly amps: string;
  readonly onAmps: (text: string) => void;
}) {
  const loadA = typed(amps);
  return (
    <>
      <label>
        it draws now, A{' '}
        <input
          className="box reading w-[70px]"
          inputMode="decimal"
          value={amps}
          aria-invalid={loadA === null || loadA <= 0}
          onChange={(e) => onAmps(e.target.value)}
        />
      </label>
      <label>
        lost from bank to load and back, mV{' '}
        <input
          className="box reading w-[80px]"
          inputMode="decimal"
          value={wholeText}
          aria-invalid={wholeText !== '' && typed(wholeText) === null}
          onChange={(e) => setWhole(e.target.value)}
        />
      </label>
    </>
  );
}

/** What hurts while millivolts are read. */
export function PathCaution() {
  return (
    <p className="caution mt-2 max-w-[820px]">
      With the load on: millivolts only, never ohms on a live circuit; no live AC behind an opened panel; the charging path is not opened
      while the engine turns.
    </p>
  );
}
