'use client';
import Link from 'next/link';
import { useState } from 'react';
import { type Plan, setOp } from '@/core/design';
import { coldFactor, sizeAll, type SizingNeed } from '@/core/bank';
import { sizingLines } from '@/core/working';
import { round3, show, unitOf } from '@/core/quantity';
import { houseIndex } from '@/core/energy';
import { useAnalysis, useDesign, useStore } from '@/ui/boat/context';
import { Choice, Figure } from '@/ui/field';
import { Plain } from '@/ui/table/Plain';
import { Sections } from '@/ui/working/Sections';
import { Worked } from '@/ui/working/Worked';
import { OtherBanks } from './OtherBanks';

const IDS = ['flooded', 'agm', 'gel', 'lfp'] as const;

/** The bank the need asks for, line by line and in each chemistry, beside the bank she has. */
export function Size() {
  const design = useDesign();
  const { balance, banks } = useAnalysis();
  const store = useStore();
  const { plan, boat } = design;
  const units = boat;
  const need = balance.needs.find((x) => x.livingId === plan.livingId) ?? balance.needs[0];
  const asked: SizingNeed = { needAh: need?.needAh ?? 0, days: plan.days, tempC: plan.tempC, systemV: boat.systemV };
  const sized = sizeAll(asked);
  const put = (key: keyof Plan, value: unknown, label: string) =>
    store.edit(`bank sized for ${label}`, [setOp(design, ['plan', key], value)]);
  const [looked, setLooked] = useState<(typeof IDS)[number] | null>(null);
  const at = houseIndex(design.banks);
  const first = design.banks[at];
  const own = first?.chemistry ?? 'agm';
  /** Of which chemistry the lines are shown. */
  const shown = looked ?? own;
  const house = banks[at];
  const hasAh = house ? house.usableAh * coldFactor(house.chemistry, plan.tempC) : 0;
  const lasts = asked.needAh > 0 && house ? hasAh / asked.needAh : null;
  return (
    <div className="pt-2">
      <p className="max-w-[700px] text-quiet">
        Daily need, the days without any source, the chemistry&apos;s window, then rate and cold: the capacity asked for. What charging puts
        back is under the day and the cruise.
      </p>
      <div className="mt-3 grid max-w-[620px] grid-cols-3 gap-4">
        <Choice
          label="sized for"
          value={need?.livingId ?? ''}
          options={balance.needs.map((x) => x.livingId)}
          names={Object.fromEntries(balance.needs.map((x) => [x.livingId, `${x.name}, ${round3(x.needAh)} Ah a day`]))}
          onChange={(v) => put('livingId', v, 'another way of living')}
        />
        <Figure
          label="days without any source"
          kind="none"
          value={plan.days}
          low={0.1}
          high={60}
          onChange={(v) => put('days', v, 'other days')}
        />
        <Figure
          label="coldest the bank is used at"
          kind="C"
          value={plan.tempC}
          low={-20}
          high={50}
          onChange={(v) => put('tempC', v, 'another temperature')}
        />
      </div>
      {asked.needAh === 0 ? (
        <p className="mt-4 max-w-[560px]">
          There is no need yet: give loads their hours a day under Loads. Then the bank follows, line by line.
        </p>
      ) : null}
      <div className="mt-4 grid grid-cols-[minmax(0,1fr)_330px] max-[999px]:grid-cols-1 gap-10">
        <div>
          <h2 className="font-semibold">The same need in each chemistry</h2>
          <Plain
            label="The need in each chemistry"
            columns={[
              { title: 'chemistry' },
              { title: 'capacity', right: true },
              { title: 'usable', right: true },
              { title: 'mass', right: true },
              { title: `bulk, ${unitOf('L', design.boat).name}`, right: true },
              { title: 'cycles', right: true },
              { title: 'years at this use', right: true },
              { title: 'takes, A', right: true },
            ]}
            rows={IDS.map((id) => {
              const s = sized[id];
              return {
                id,
                cells: [
                  <span key="n" className={id === own ? 'font-semibold text-verdigris' : ''}>
                    {s.chemistry.name}
                    {s.chargesInTheCold ? '' : ', not to be charged as cold'}
                  </span>,
                  <button
                    key="c"
                    type="button"
                    className="opens"
                    aria-description={`The working: ${s.chemistry.name}`}
                    aria-pressed={id === shown}
                    onClick={() => setLooked(id)}
                  >
                    {s.capacityAh === null ? 'none' : show(s.capacityAh, 'Ah', units)}
                  </button>,
                  show(s.usableAh, 'Ah', units),
                  show(s.massKg, 'kg', units),
                  round3(unitOf('L', design.boat).to(s.litres)),
                  round3(s.cycles),
                  s.years === null ? '–' : round3(s.years),
                  round3(s.chargeA),
                ],
              };
            })}
          />
          <p className="mt-1 text-[12px] text-quiet">
            Typical figures of each chemistry, ours for mass and bulk; the battery maker&apos;s rule. Years: each spell of{' '}
            {round3(plan.days)} days drawn through the whole window, then charged full.
          </p>
          <h2 className="mt-5 font-semibold">The bank she has</h2>
          {house && first ? (
            <Plain
              label="The bank she has"
              columns={[
                { title: 'bank' },
                { title: 'capacity', right: true },
                { title: 'usable as cold', right: true },
                { title: 'lasts', right: true },
                { title: 'against what is asked' },
              ]}
              rows={[
                {
                  id: first.id,
                  cells: [
                    `${first.name}, ${house.chemistry.name}`,
                    <Worked key="c" at={{ kind: 'bank', id: first.id }} of={first.name}>
                      {show(house.capacityAh, 'Ah', units)}
                    </Worked>,
                    show(hasAh, 'Ah', units),
                    lasts === null ? '–' : `${round3(lasts)} days`,
                    <b key="v" className={`font-semibold ${lasts !== null && lasts < plan.days ? 'text-lead' : ''}`}>
                      {lasts === null
                        ? 'nothing is asked yet'
                        : lasts < plan.days
                          ? `short by ${show((sized[own].capacityAh ?? 0) - house.capacityAh, 'Ah', units)}`
                          : 'enough'}
                    </b>,
                  ],
                },
              ]}
            />
          ) : (
            <p>
              None yet: enter a first one on{' '}
              <Link className="plain" href={`/boats/${store.boatId}/survey`}>
                Survey
              </Link>
              .
            </p>
          )}
          {design.banks.length > 1 && need ? <OtherBanks livingId={need.livingId} houseId={first?.id ?? ''} /> : null}
          <p className="caution mt-3 max-w-[700px]">
            Lead-acid gives off hydrogen as it is charged: vent the box, no spark or flame. Iron phosphate below freezing is ruined by
            charging. A bank short-circuited burns at thousands of amps. Local code, the maker&apos;s instructions and licensed practice
            come first.
          </p>
        </div>
        <div>
          <Sections sections={[sizingLines(sized[shown], asked, units)]} />
        </div>
      </div>
    </div>
  );
}
