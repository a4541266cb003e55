import type { BankDay } from '@/core/energy';
import { round3, show } from '@/core/quantity';
import { useAsked, useDesign } from '@/ui/boat/context';
import { Plain } from '@/ui/table/Plain';
import { Worked } from '@/ui/working/Worked';

/** What puts a day's need back: each source with its hours, and the ties others come by. */
function putBack({ refills, byWeather, through, loadsAh, startsAh }: BankDay): string {
  const own = refills.map(
    ({ name, hours }) =>
      `${name}, ${hours === null ? 'not in two days' : hours < 1 ? `${Math.ceil(60 * hours)} min` : `${round3(hours)} h`}`,
  );
  const ties = through.map(({ name, withBank }) => `${name}, with ${withBank}`);
  const sky = byWeather.map((name) => `${name}, by the weather`);
  const all = [...own, ...sky, ...ties];
  return all.length > 0 ? all.join('; ') : loadsAh + startsAh > 0 ? 'nothing charges it' : 'nothing is drawn from it';
}

/** Every bank but the house: what a day takes from it, how long it lasts, how low it comes and what puts it back. */
export function OtherBanks({ livingId, houseId }: { livingId: string; houseId: string }) {
  const design = useDesign();
  const rows = useAsked(`each bank:${livingId}`, (r) => r.eachBank(livingId));
  return (
    <>
      <h2 className="mt-5 font-semibold">Her other banks</h2>
      {rows === null ? (
        <p className="text-quiet">Calculating.</p>
      ) : (
        <Plain
          label="Her other banks"
          columns={[
            { title: 'bank' },
            { title: 'a day takes', right: true },
            { title: 'usable as cold', right: true },
            { title: 'lasts', right: true },
            { title: 'comes down to', right: true },
            { title: 'that is put back by' },
          ]}
          rows={rows
            .filter((b) => b.id !== houseId)
            .map((b) => ({
              id: b.id,
              cells: [
                `${b.name}${b.starts > 0 ? `, ${b.starts === 1 ? 'a start' : `${b.starts} starts`} a day` : ''}`,
                <Worked key="w" at={{ kind: 'bank day', id: `${livingId}:${b.id}` }} of={b.name}>
                  {show(b.loadsAh + b.startsAh, 'Ah', design.boat)}
                </Worked>,
                show(b.usableAh, 'Ah', design.boat),
                b.lastsDays === null ? '–' : `${round3(b.lastsDays)} days`,
                `${Math.floor(100 * b.lowest)} %`,
                putBack(b),
              ],
            }))}
        />
      )}
      <p className="mt-1 max-w-[700px] text-[12px] text-quiet">
        Three like days from full, the lowest of the third; hours of each source alone, from what a day leaves to full.
      </p>
    </>
  );
}
