'use client';
import { CONDUCTORS, jointSchool, JOINTS, SEALS, sealSchool, TERMINAL_STYLES } from '@/core/rules';
import { defaultHouse, type HouseRules, INSULATIONS, setOp } from '@/core/design';
import { type Kind, sizeName } from '@/core/quantity';
import { useDesign, useStore } from '@/ui/boat/context';
import { Choice, Figure, Tick } from '@/ui/field';
import { HouseSets } from './HouseSets';

type NumberKey = { [K in keyof HouseRules]: HouseRules[K] extends number ? K : never }[keyof HouseRules];
const FIGURES: readonly (readonly [key: NumberKey, label: string, kind: Kind, low: number, high: number])[] = [
  ['protectionOverLoad', 'device over working current, ×', 'none', 1, 3],
  ['continuousAmpacity', 'conductor over current that runs long, ×', 'none', 1, 2],
  ['criticalDropPct', 'drop, critical loads', 'pct', 0.5, 20],
  ['generalDropPct', 'drop, other loads', 'pct', 0.5, 30],
  ['feederDropPct', 'of that, each feeder may take', 'pct', 0.2, 20],
  ['surgeVoltsPct', 'volts left at starting, of nominal', 'pct', 30, 100],
  ['lowVoltsPct', 'lowest bank volts, of nominal', 'pct', 70, 110],
  ['studySoc', 'state of charge at starting, 0 to 1', 'none', 0, 1],
  ['diversity', 'diversity of feeders, metric school', 'none', 0.1, 1],
  ['terminalC', 'terminals good for', 'C', 40, 150],
  ['postC', 'battery posts good for', 'C', 40, 150],
  ['slackM', 'slack at each end', 'm', 0, 5],
  ['openSlackM', 'more at a panel that opens', 'm', 0, 5],
  ['wastePct', 'waste on the order', 'pct', 0, 50],
  ['spareFillPct', 'of a conduit kept free for later', 'pct', 0, 60],
];

/** Sizes light enough to be a floor for electronics. */
const FLOOR_MM2 = 6;
const smallSizes = (school: 'awg' | 'metric'): readonly string[] =>
  CONDUCTORS[school].filter((c) => c.areaMm2 <= FLOOR_MM2).map((c) => c.size);

/** The firm's own limits over the rule set's; those that differ from the default are told. */
export function HouseFacts() {
  const design = useDesign();
  const store = useStore();
  const { house, boat } = design;
  const usual = defaultHouse(boat.ruleSet);
  const put = (key: keyof HouseRules, value: unknown, label: string) =>
    store.edit(`house rule: ${label}`, [setOp(design, ['house', key], value)]);
  const differ = (Object.keys(usual) as (keyof HouseRules)[]).filter((k) => JSON.stringify(usual[k]) !== JSON.stringify(house[k]));
  return (
    <>
      <HouseSets />
      <div className="grid grid-cols-1 gap-2">
        {FIGURES.map(([key, label, kind, low, high]) => (
          <div key={key} className={differ.includes(key) ? 'border-l-2 border-copper pl-2' : ''}>
            <Figure label={label} kind={kind} value={house[key]} low={low} high={high} onChange={(v) => put(key, v, label)} />
          </div>
        ))}
        <Choice
          label="insulation, °C"
          value={String(house.insulationC)}
          options={INSULATIONS.map(String)}
          onChange={(v) => put('insulationC', Number(v), 'insulation')}
        />
        <Choice
          label="electronics: no conductor under"
          value={house.minElectronics === null ? 'the rule set’s' : sizeName(house.minElectronics.school, house.minElectronics.size)}
          options={['the rule set’s', ...smallSizes(boat.ruleSet).map((size) => sizeName(boat.ruleSet, size))]}
          onChange={(v) => {
            const size = smallSizes(boat.ruleSet).find((s) => sizeName(boat.ruleSet, s) === v);
            put('minElectronics', size === undefined ? null : { school: boat.ruleSet, size }, 'least size for electronics');
          }}
        />
        <Choice
          label="DC negative is"
          value={house.negative}
          options={['yellow', 'black']}
          onChange={(v) => put('negative', v, 'colour of negative')}
        />
        <Choice label="ends are made by" value={house.joint} options={JOINTS} onChange={(v) => put('joint', v, 'how ends are made')} />
        <Choice label="and sealed by" value={house.seal} options={SEALS} onChange={(v) => put('seal', v, 'how ends are sealed')} />
        <Choice
          label="terminals of light conductors"
          value={house.terminals}
          options={TERMINAL_STYLES}
          onChange={(v) => put('terminals', v, 'terminals of light conductors')}
        />
        <p className="text-[12px] text-quiet">
          {house.joint}: {jointSchool(house.joint).consequence}. {house.seal}: {sealSchool(house.seal).consequence}.
        </p>
        <Choice
          label="worst-case copper, + 10 %"
          value={house.worstCaseCopper === null ? 'rule set' : house.worstCaseCopper ? 'yes' : 'no'}
          options={['rule set', 'yes', 'no']}
          onChange={(v) => put('worstCaseCopper', v === 'rule set' ? null : v === 'yes', 'worst-case copper')}
        />
        <Choice
          label="device no more than this × its load"
          value={house.protectionOverLoadMost === null ? 'no limit' : String(house.protectionOverLoadMost)}
          options={['no limit', '1.5', '2', '2.5', '3']}
          onChange={(v) => put('protectionOverLoadMost', v === 'no limit' ? null : Number(v), 'device over load')}
        />
      </div>
      <Tick
        label="critical loads: their limit over the whole path"
        value={house.strictDrop}
        onChange={(v) => put('strictDrop', v, 'strict drop')}
      />
      <Tick label="count bundling of DC conductors" value={house.bundleDc} onChange={(v) => put('bundleDc', v, 'bundling')} />
      <Tick
        label="thermal devices in hot places at 80 %"
        value={house.thermalInHeat}
        onChange={(v) => put('thermalInHeat', v, 'thermal devices')}
      />
      <Tick
        label="next rating up to 1.5 × conductor, if it cannot overload"
        value={house.roundUpToNext}
        onChange={(v) => put('roundUpToNext', v, 'rounding up')}
      />
      <Tick
        label="size up for terminal heat"
        value={house.upsizeForTerminals}
        onChange={(v) => put('upsizeForTerminals', v, 'terminal heat')}
      />
      <Tick
        label="colour positives by what they serve"
        value={house.functionColours}
        onChange={(v) => put('functionColours', v, 'function colours')}
      />
      <Tick label="leave a cord in every conduit" value={house.drawLines} onChange={(v) => put('drawLines', v, 'cords left in')} />
      <Tick label="cross-linked insulation" value={house.crossLinked} onChange={(v) => put('crossLinked', v, 'insulation kind')} />
    </>
  );
}
