'use client';
import { show } from '@/core/quantity';
import { useDesign, useLists } from '@/ui/boat/context';
import { SwitchTable } from '@/ui/lists/SwitchTable';
import { Plain } from '@/ui/table/Plain';

/** What lives and what is dead in each position of the house switch, what it drains, and every switch with what it carries. */
export function Switches() {
  const design = useDesign();
  const lists = useLists();
  const units = design.boat;
  if (!lists) return <p className="px-4 text-quiet">Working it out.</p>;
  const names = new Map(design.loads.map((l) => [l.id, l.name]));
  const named = (ids: readonly string[]) => ids.map((id) => names.get(id) ?? id).join(', ') || 'nothing';
  const days = (d: number | null) => (d === null ? '–' : d > 3650 ? 'years' : `${d < 10 ? d.toFixed(1) : Math.round(d)} days`);
  return (
    <div className="min-h-0 flex-1 overflow-y-auto px-4 pb-6" tabIndex={0}>
      <h2 className="mt-2 font-semibold">House switch: what is live, what is dead</h2>
      <p className="max-w-[760px] text-quiet">
        Panel breakers are taken as closed; relays close with the key. Standing draw is what each load takes while nobody uses it (Loads,
        “standby”). Days are from full to the bottom of the bank&apos;s window, laid up, nothing charging.
      </p>
      <Plain
        label="Positions of the house switch"
        columns={[
          { title: 'position' },
          { title: 'live' },
          { title: 'dead' },
          { title: 'standby', right: true },
          { title: 'lasts', right: true },
        ]}
        rows={lists.positions.map((p) => ({
          id: p.id,
          cells: [
            <b key="n" className="font-semibold whitespace-nowrap">
              {p.name}
            </b>,
            p.dead.length === 0 ? 'everything' : named(p.live),
            p.live.length === 0 && p.dead.length > 0
              ? 'everything'
              : p.live.length > p.dead.length * 3 || p.dead.length < 12
                ? named(p.dead)
                : `the rest, ${p.dead.length}`,
            show(p.standingA, 'A', units),
            days(p.days),
          ],
          opens: {
            of: `the house switch, ${p.name}`,
            at: 3,
            lines: [...p.draws.map((d) => `${d.name}: ${show(d.amps, 'A', units)}`), ...p.lasts],
          },
        }))}
      />
      {lists.positions
        .filter((p) => p.surprises.length > 0)
        .map((p) => (
          <p key={p.id} className="caution mt-2 max-w-[760px]">
            With the switch {p.name}, against what they ask for: {named(p.surprises)}. What should stay live dies, or what should die stays
            live.
          </p>
        ))}
      <p className="caution mt-3 max-w-[760px]">
        A switch that is off proves nothing: chargers, solar and always-live circuits feed past it. Prove dead before working. Never open
        the charging circuit with the engine running. Local code, the maker&apos;s instructions and licensed practice come first.
      </p>
      <h2 className="mt-5 font-semibold">Switches, floats, plugs and relays in line</h2>
      {lists.switches.length === 0 ? (
        <p className="text-quiet">None yet: add what is in line on a circuit.</p>
      ) : (
        <SwitchTable label="Switch schedule" switches={lists.switches} />
      )}
    </div>
  );
}
