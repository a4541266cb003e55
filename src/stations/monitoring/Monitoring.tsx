'use client';
import { useState } from 'react';
import { addRows, type Gauge } from '@/core/design';
import { proposeGauges } from '@/core/monitoring';
import { useDesign, useFreshId, useStore } from '@/ui/boat/context';
import { NextSteps } from '@/ui/next/NextSteps';
import { View, Viewed, Views } from '@/ui/views/Views';
import { AgainstTheBoat } from './AgainstTheBoat';
import { AlarmsView } from './AlarmsView';
import { GaugeFacts } from './GaugeFacts';
import { LiveView } from './LiveView';
import { ShuntView } from './ShuntView';
import { SheetView } from './SheetView';
import { VoltsView } from './VoltsView';

const COUNTING = ['the gauge', 'to program', 'against the boat', 'shunt', 'alarms', 'by volts', 'live'] as const;
const VOLTS = ['the gauge', 'alarms', 'by volts', 'live'] as const;
type View = (typeof COUNTING)[number];

/** What tells how the banks stand: gauges, what they miss, how they are set, and what calls. */
export default function Monitoring() {
  const design = useDesign();
  const store = useStore();
  const fresh = useFreshId();
  const [chosen, setChosen] = useState<string | null>(null);
  const [asked, setAsked] = useState<View>('the gauge');
  const { gauges } = design;
  const gauge: Gauge | undefined = gauges.find((g) => g.id === chosen) ?? gauges[0];
  const propose = () => {
    const rows = proposeGauges(design, fresh);
    if (rows.length === 0)
      return store.say('said', design.banks.length === 0 ? 'Gauges belong to banks: enter one first.' : 'Every bank has a gauge.');
    store.edit(`propose ${rows.length} ${rows.length === 1 ? 'gauge' : 'gauges'}`, addRows(design, { gauges: rows }));
  };
  const views: readonly View[] = gauge?.kind === 'counting' ? COUNTING : VOLTS;
  const view = views.includes(asked) ? asked : 'the gauge';
  return (
    <Viewed showing={view} onShow={setAsked} className="print-frame flex h-full flex-col">
      <div className="flex flex-none flex-wrap items-baseline gap-x-4 gap-y-1 px-4 pt-[10px] pb-1">
        <h1 className="text-[18px] font-bold">Monitoring</h1>
        {gauge ? (
          <span className="screen-only contents">
            <select className="box" aria-label="Gauge" value={gauge.id} onChange={(e) => setChosen(e.target.value)}>
              {gauges.map((g) => (
                <option key={g.id} value={g.id}>
                  {g.name}
                </option>
              ))}
            </select>
            <Views views={views} label="Sheets of the gauge" />
          </span>
        ) : null}
        <button type="button" className="act screen-only ml-auto" onClick={propose}>
          propose gauges
        </button>
      </div>
      <View of={view} scrolls className="print-frame min-h-0 flex-1 overflow-auto px-4 pb-8">
        {gauge ? (
          <>
            {view === 'the gauge' ? <GaugeFacts gauge={gauge} /> : null}
            {view === 'to program' ? <SheetView gauge={gauge} /> : null}
            {view === 'against the boat' ? <AgainstTheBoat key={gauge.id} gauge={gauge} /> : null}
            {view === 'shunt' ? <ShuntView gauge={gauge} /> : null}
            {view === 'alarms' ? <AlarmsView gauge={gauge} /> : null}
            {view === 'by volts' ? <VoltsView gauge={gauge} /> : null}
            {view === 'live' ? <LiveView key={gauge.id} gauge={gauge} /> : null}
          </>
        ) : (
          <div className="max-w-[560px] pt-4">
            <p>
              A gauge that lies is worse than none. “propose gauges” puts one that counts amps on every bank that is lived from, and one
              that reads volts on the rest; then it says what to program, what goes round the shunt, and holds the gauge against thirty days
              of this boat.
            </p>
            <NextSteps />
          </div>
        )}
      </View>
    </Viewed>
  );
}
