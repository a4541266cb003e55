/** The working of a day and of a cruise: where the amp-hours came from and where they went (docs/methods.md, M11). */
import type { CruiseResult } from '../energy';
import { round3, show, type Units } from '../quantity';
import { liner, plainWorking } from './parts';
import type { Working } from './types';

const n = round3;
const pct = (x: number) => `${n(100 * x)} %`;

/** One bank through a cruise: its balance term by term, its cycles and its spells. undefined for a bank that is not in it. */
export function bankWorking(run: CruiseResult, bankId: string, units: Units): Working | undefined {
  const at = run.banks.findIndex((b) => b.id === bankId);
  const [bank, scene] = [run.banks[at], run.scene.banks[at]];
  if (!bank || !scene) return undefined;
  const line = liner(units);
  const days = run.days.length;
  const cap = scene.capAh;
  const began = bank.startSoc * cap;
  const mean = bank.inAh > 0 ? bank.storedAh / bank.inAh : 1;
  const left = began + bank.storedAh - bank.effectiveAh - bank.selfAh - bank.overflowAh;
  return plainWorking(`${bank.name}, ${run.name}`, [
    {
      title: 'Its balance',
      lines: [
        line('begins with', began, 'Ah', {
          formula: `${pct(bank.startSoc)} × ${n(cap)} Ah`,
          source: `C20 ${n(scene.c20Ah)} Ah at ${show(scene.tempC, 'C', units)}`,
        }),
        line('stored', bank.storedAh, 'Ah', {
          formula: `${n(bank.inAh)} Ah taken in × ${pct(mean)}, mean efficiency`,
          mark: 'typical',
          source: 'charge efficiency by state of charge',
        }),
        line('drawn', bank.effectiveAh, 'Ah', {
          formula: `${n(bank.outAh)} Ah metered, counted by rate`,
          source: `exponent ${n(scene.chemistry.peukert)} above C20 ÷ 20 = ${n(scene.c20Ah / 20)} A`,
          mark: 'typical',
        }),
        line('self-discharge', bank.selfAh, 'Ah', {
          formula: `${n(scene.chemistry.selfDischargePctMonth)} % a month, ${days} days`,
          mark: 'typical',
        }),
        line('overflowed as gas and heat', bank.overflowAh, 'Ah'),
        line('ends with', left, 'Ah', {
          formula: `${n(began)} + ${n(bank.storedAh)} − ${n(bank.effectiveAh)} − ${n(bank.selfAh)} − ${n(bank.overflowAh)}`,
          source: `${pct(bank.endSoc)} of it`,
        }),
      ],
    },
    {
      title: 'What it does to the bank',
      lines: [
        line('full cycles', bank.fullCycles, 'none', { formula: `${n(bank.effectiveAh)} ÷ ${n(cap)} Ah` }),
        line('lowest, %', 100 * bank.lowest, 'none', {
          breaks: bank.lowest < scene.chemistry.windowLowSoc - 1e-9,
          source: `window down to ${pct(scene.chemistry.windowLowSoc)}`,
        }),
        line('below the window', bank.belowWindowH, 'h'),
        line('longest without full, days', bank.longestSinceFullDays, 'none', {
          breaks: scene.chemistry.leadAcid && bank.longestSinceFullDays > 7,
          ...(scene.chemistry.leadAcid ? { source: 'lead-acid: a week at most' } : {}),
        }),
        line('longest under 70 %', bank.longestUnder70H, 'h', { breaks: scene.chemistry.leadAcid && bank.longestUnder70H > 24 }),
      ],
    },
  ]);
}

/** One day of a run: source by source, load, what lacked, the house bank. @param day from 0. undefined beyond the last. */
export function dayWorking(run: CruiseResult, day: number, units: Units): Working | undefined {
  const result = run.days[day];
  if (!result) return undefined;
  const { scene } = run;
  const { house } = scene;
  const line = liner(units);
  const began = run.days[day - 1]?.endSoc[house] ?? run.banks[house]?.startSoc ?? 0;
  const counted = scene.sources.map((s, i) => ({ name: s.name, ah: result.bySource[i] ?? 0, passes: s.driver === 'input' }));
  const made = counted.filter((s) => !s.passes);
  return plainWorking(`Day ${day + 1}: ${result.name}`, [
    {
      title: 'Made',
      lines: [
        ...made.map((s) => line(s.name, s.ah, 'Ah')),
        line('made', result.madeAh, 'Ah', { formula: made.map((s) => n(s.ah)).join(' + ') || '0' }),
        ...counted
          .filter((s) => s.passes)
          .map((s) => line(s.name, s.ah, 'Ah', { source: 'passes on what another made: not counted as made' })),
      ],
    },
    {
      title: 'Drawn',
      lines: [
        line('by the loads, and into DC–DC', result.loadAh, 'Ah', { source: 'at the volts of each step' }),
        line('not to be had', result.unmetAh, 'Ah', { breaks: result.unmetAh > 0.05 }),
      ],
    },
    {
      title: scene.banks[house]?.name ?? 'House bank',
      lines: [
        line('begins at, %', 100 * began, 'none'),
        line('lowest, %', 100 * (result.lowest[house] ?? 0), 'none', {
          breaks: (result.lowest[house] ?? 1) < (scene.banks[house]?.chemistry.windowLowSoc ?? 0) - 1e-9,
        }),
        line('at midnight, %', 100 * (result.endSoc[house] ?? 0), 'none', {
          formula: `${signed(100 * ((result.endSoc[house] ?? 0) - began))} % of ${n(scene.banks[house]?.capAh ?? 0)} Ah`,
        }),
      ],
    },
    {
      title: 'Engine and fuel',
      lines: [
        line('something charges for', result.chargingH, 'h'),
        line('engine', result.engineH, 'h'),
        line('fuel, litres', result.litres, 'none', {
          formula: 'the engine at its speed by the cube, and shaft power of the alternators',
          source: 'typical litres a kWh',
          mark: 'typical',
        }),
      ],
    },
  ]);
}

const signed = (x: number): string => (x < 0 ? `− ${n(-x)}` : `+ ${n(x)}`);
