'use client';
import { decided } from '@/core/check';
import { rowOf } from '@/core/design';
import { useDesign, useSelected, useStudied } from '@/ui/boat/context';
import { Dialog } from '@/ui/frame/Dialog';

const MOST_ROWS = 20;

/** Circuits whose choice is least sure within the spread of what it goes by, and the figure that would settle each. */
export function LeastSure({ onClose }: { onClose: () => void }) {
  const design = useDesign();
  const studied = useStudied();
  const [, select] = useSelected();
  const rows = Object.entries(studied?.odds ?? {})
    .filter(([, o]) => o.passes < 1)
    .sort(([, a], [, b]) => a.passes - b.passes)
    .slice(0, MOST_ROWS);
  return (
    <Dialog
      open
      onClose={onClose}
      wide
      title="Least sure"
      about="In how many of 100 cases every test of a choice passes, with length, copper, heat, load, devices and bank each within its band, and which figure decides. Judged by the volts of the whole path."
    >
      {studied === null ? (
        <p>Calculating.</p>
      ) : rows.length === 0 ? (
        <p>Every choice holds, whatever its figures are within their bands.</p>
      ) : (
        <table className="w-full text-left">
          <thead>
            <tr className="border-b-[1.5px] border-ink text-[12px] text-quiet">
              <th className="font-medium">no</th>
              <th className="font-medium">circuit</th>
              <th className="pr-4 text-right font-medium whitespace-nowrap">of 100</th>
              <th className="font-medium">decided by</th>
              <th className="font-medium">to be surer</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(([id, odds]) => {
              const circuit = rowOf(design.circuits, id);
              const words = decided(odds);
              return (
                <tr key={id} className="border-b border-line align-baseline">
                  <td className="reading pr-3">{circuit?.no}</td>
                  <td className="pr-3">
                    <button
                      type="button"
                      className="plain text-left"
                      onClick={() => {
                        select({ kind: 'circuit', id });
                        onClose();
                      }}
                    >
                      {circuit?.name}
                    </button>
                  </td>
                  <td className={`reading pr-4 text-right ${odds.passes < 0.9 ? 'font-semibold text-lead' : ''}`}>
                    {Math.min(99, Math.round(100 * odds.passes))}
                  </td>
                  <td>{words?.what ?? 'it fails as entered'}</td>
                  <td>{words?.ask ?? 'See its findings in Check.'}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
    </Dialog>
  );
}
