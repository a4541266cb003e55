/** Two options side by side: figures, parts, weight and what is typed as price. */
import { bankMass, bankSource, c20Ah, cranking } from '../bank';
import { acCircuits, bondsRight, runningOn, settingsOf, statesOf, withBreakers } from '../ac';
import { cruise } from './cruise';
import { dayYields } from './dayYield';
import { crankIndex, houseIndex } from './scene';
import { round3, show } from '../quantity';
import { asDecided, type Design, rowOf, sourcesAboard } from '../design';

export interface CompareLine {
  readonly what: string;
  readonly a: string;
  readonly b: string;
  readonly differs: boolean;
}

interface Cost {
  readonly kg: number;
  readonly kgTypical: boolean;
  readonly price: number;
  readonly unpriced: number;
}

/** Mass and prices of an option's banks, sources and joins; candidates are none of it. Prices are what was typed; what has none is counted apart. */
export function costOf(whole: Design): Cost {
  const design = asDecided(whole);
  const masses = design.banks.map(bankMass);
  const rows = [...design.banks, ...design.sources, ...design.joins];
  const others = [...design.sources, ...design.joins];
  return {
    kg: masses.reduce((s, m) => s + m.kg, 0) + others.reduce((s, r) => s + (r.massKg ?? 0), 0),
    kgTypical: masses.some((m) => !m.makers) || others.some((r) => r.massKg === null),
    price: rows.reduce((s, r) => s + (r.price ?? 0), 0),
    unpriced: rows.filter((r) => r.price === null).length,
  };
}

const pct = (x: number | undefined) => (x === undefined ? '–' : `${Math.round(100 * x)} %`);

/** Every figure of both, with the parts that only one of them has. */
export function compareDesigns(a: Design, b: Design): CompareLine[] {
  const [first, second] = [figures(a), figures(b)];
  const lines = [...first].map(([what, text]): CompareLine => {
    const other = second.get(what) ?? '–';
    return { what, a: text, b: other, differs: text !== other };
  });
  for (const [what, text] of second) if (!first.has(what)) lines.push({ what, a: '–', b: text, differs: true });
  return lines;
}

/** What the AC side of an option is and does. */
function acFigures(design: Design): (readonly [string, string])[] {
  if (design.acSources.length === 0) return [];
  const runs = acCircuits(design);
  const metres = runs.reduce((sum, r) => sum + r.lengthM, 0);
  const kg = runs.reduce((sum, r) => sum + (r.lengthM * r.cores.length * r.conductor.massKgPerKm) / 1000, 0);
  const wrong = statesOf(design).filter((s) => !s.origins.every(bondsRight)).length;
  const together = withBreakers(design, settingsOf(design)).map((s) => {
    const { wanted } = runningOn(design, s, design.acRules.wanted, false);
    return [
      `AC, wanted together on ${s.name}`,
      wanted.shedding.fits ? `fits, ${Math.round(wanted.roomVa)} VA left` : `${wanted.shedding.steps.length} to switch off or turn down`,
    ] as const;
  });
  return [
    ...design.acSources.map(
      (s) =>
        [
          `AC part: ${s.name}`,
          `${s.kind}, ${s.service}, ${s.inverter ? `${s.inverter.units > 1 ? `${s.inverter.units} × ` : ''}${round3(s.inverter.va)} VA` : s.generator ? `${round3(s.generator.kva)} kVA` : `${round3(s.ratedA)} A`}`,
        ] as const,
    ),
    ['AC runs', `${runs.length}, ${round3(metres)} m, ${round3(kg)} kg of copper`],
    ['AC states with a wrong bond', String(wrong)],
    ...together,
  ];
}

function figures(design: Design): Map<string, string> {
  const out = new Map<string, string>();
  const run = cruise(design);
  const house = design.banks[houseIndex(design.banks)];
  const days = run.days.length || 1;
  const total = (of: (d: (typeof run.days)[number]) => number) => run.days.reduce((s, d) => s + of(d), 0);
  if (house) {
    out.set('house bank, C20', `${round3(c20Ah(house))} Ah`);
    out.set('usable', `${round3(bankSource(house).usableAh)} Ah`);
  }
  out.set(`lowest, ${run.name}`, pct(run.banks[run.scene.house]?.lowest));
  out.set('at the end', pct(run.banks[run.scene.house]?.endSoc));
  out.set('longest without full', `${round3(run.banks[run.scene.house]?.longestSinceFullDays ?? 0)} days`);
  out.set('full cycles', round3(run.banks[run.scene.house]?.fullCycles ?? 0));
  out.set('made a day', `${round3(total((d) => d.madeAh) / days)} Ah`);
  out.set('loads without current', `${round3(total((d) => d.unmetAh))} Ah`);
  out.set('engine a day', `${round3(total((d) => d.engineH) / days)} h`);
  out.set('fuel a day', show(total((d) => d.litres) / days, 'L', design.boat));
  for (const m of dayYields(design)) {
    const living = rowOf(design.living, m.livingId);
    if (living) out.set(`${living.name}: settles at`, pct(m.settlesAt));
  }
  const start = design.banks[crankIndex(design)];
  if (start) {
    const c = cranking(design, start);
    out.set('starts in a row, cold', `${c.starts} from ${c.name}`);
  }
  const cost = costOf(design);
  out.set('mass', `${round3(cost.kg)} kg${cost.kgTypical ? ', in part typical or not known' : ''}`);
  const { currency } = design.boat;
  out.set(
    'price as typed',
    `${Math.round(cost.price)}${currency ? ` ${currency}` : ''}${cost.unpriced > 0 ? `, ${cost.unpriced} not priced` : ''}`,
  );
  for (const bank of design.banks)
    out.set(`part: ${bank.name}`, `${bank.series * bank.strings} × ${bank.chemistry}, ${bank.blockV} V ${round3(bank.blockAh)} Ah`);
  for (const source of sourcesAboard(design.sources)) out.set(`part: ${source.name}`, `${source.kind}, ${round3(source.ratedA)} A`);
  for (const tie of design.joins) out.set(`part: ${tie.name}`, `${tie.kind}, ${round3(tie.ratedA)} A`);
  out.set('circuits', String(design.circuits.length));
  for (const [what, text] of acFigures(design)) out.set(what, text);
  return out;
}
