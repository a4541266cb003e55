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
  /** What each figure is made of, in words: the first's, and the second's. */
  readonly of: readonly [string, string];
}

type Told = readonly [text: string, of: string];

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
  return [...new Set([...first.keys(), ...second.keys()])].map((what): CompareLine => {
    const [[x, ofX], [y, ofY]] = [first.get(what) ?? NOT_THERE, second.get(what) ?? NOT_THERE];
    return { what, a: x, b: y, differs: x !== y, of: [ofX, ofY] };
  });
}

const NOT_THERE: Told = ['–', 'not there'];
const ENTERED = 'as entered';

/** What the AC side of an option is and does. */
function acFigures(design: Design): (readonly [string, string, string])[] {
  if (design.acSources.length === 0) return [];
  const runs = acCircuits(design);
  const metres = runs.reduce((sum, r) => sum + r.lengthM, 0);
  const kg = runs.reduce((sum, r) => sum + (r.lengthM * r.cores.length * r.conductor.massKgPerKm) / 1000, 0);
  const states = statesOf(design);
  const wrong = states.filter((s) => !s.origins.every(bondsRight)).length;
  const together = withBreakers(design, settingsOf(design)).map((s) => {
    const { wanted } = runningOn(design, s, design.acRules.wanted, false);
    return [
      `AC, wanted together on ${s.name}`,
      wanted.shedding.fits ? `fits, ${Math.round(wanted.roomVa)} VA left` : `${wanted.shedding.steps.length} to switch off or turn down`,
      `${design.acRules.wanted.length} wanted together, against every breaker on their way: AC, what can run together`,
    ] as const;
  });
  return [
    ...design.acSources.map(
      (s) =>
        [
          `AC part: ${s.name}`,
          `${s.kind}, ${s.service}, ${s.inverter ? `${s.inverter.units > 1 ? `${s.inverter.units} × ` : ''}${round3(s.inverter.va)} VA` : s.generator ? `${round3(s.generator.kva)} kVA` : `${round3(s.ratedA)} A`}`,
          ENTERED,
        ] as const,
    ),
    [
      'AC runs',
      `${runs.length}, ${show(metres, 'm', design.boat)}, ${show(kg, 'kg', design.boat)} of copper`,
      'every run’s length × the mass of its cores: AC, runs',
    ],
    ['AC states with a wrong bond', String(wrong), `of ${states.length} states of its sources and transfers: AC, bonds`],
    ...together,
  ];
}

function figures(design: Design): Map<string, Told> {
  const out = new Map<string, Told>();
  const run = cruise(design);
  const house = design.banks[houseIndex(design.banks)];
  const of = run.banks[run.scene.house];
  const days = run.days.length || 1;
  const total = (figure: (d: (typeof run.days)[number]) => number) => run.days.reduce((s, d) => s + figure(d), 0);
  const passage = `${run.name}, its ${days} days run through in steps`;
  const aDay = (sum: string) => `${sum} in ${passage}`;
  if (house) {
    const { usableAh } = bankSource(house);
    const blocks = `${house.series * house.strings} blocks of ${round3(house.blockV)} V ${round3(house.blockAh)} Ah, ${house.strings} in parallel`;
    out.set('house bank, C20', [`${round3(c20Ah(house))} Ah`, blocks]);
    out.set('usable', [`${round3(usableAh)} Ah`, `of ${round3(c20Ah(house))} Ah, within its window and as cold as she is: Bank, size`]);
  }
  out.set(`lowest, ${run.name}`, [pct(of?.lowest), passage]);
  out.set('at the end', [pct(of?.endSoc), passage]);
  out.set('longest without full', [`${round3(of?.longestSinceFullDays ?? 0)} days`, passage]);
  out.set('full cycles', [round3(of?.fullCycles ?? 0), `what left the bank ÷ its capacity: ${passage}`]);
  const [madeAh, engineH, litres] = [total((d) => d.madeAh), total((d) => d.engineH), total((d) => d.litres)];
  out.set('made a day', [`${round3(madeAh / days)} Ah`, aDay(`${round3(madeAh)} Ah`)]);
  out.set('loads without current', [`${round3(total((d) => d.unmetAh))} Ah`, passage]);
  out.set('engine a day', [`${round3(engineH / days)} h`, aDay(`${round3(engineH)} h`)]);
  out.set('fuel a day', [show(litres / days, 'L', design.boat), aDay(show(litres, 'L', design.boat))]);
  for (const m of dayYields(design)) {
    const living = rowOf(design.living, m.livingId);
    if (living)
      out.set(`${living.name}: settles at`, [pct(m.settlesAt), 'the charge at which a day ends as it began, the same day over and over']);
  }
  const start = design.banks[crankIndex(design)];
  if (start) {
    const c = cranking(design, start);
    out.set('starts in a row, cold', [
      `${c.starts} from ${c.name}`,
      `${round3(c.crankA)} A with ${c.minV.toFixed(1)} V left at the starter: Bank`,
    ]);
  }
  const cost = costOf(design);
  const others = [...design.sources, ...design.joins];
  const weighed = [
    ...design.banks.map((b) => `${b.name} ${show(bankMass(b).kg, 'kg', design.boat)}`),
    ...others.map((r) => `${r.name} ${r.massKg === null ? 'not known' : show(r.massKg, 'kg', design.boat)}`),
  ];
  out.set('mass', [`${show(cost.kg, 'kg', design.boat)}${cost.kgTypical ? ', in part typical or not known' : ''}`, weighed.join(', ')]);
  const { currency } = design.boat;
  out.set('price as typed', [
    `${Math.round(cost.price)}${currency ? ` ${currency}` : ''}${cost.unpriced > 0 ? `, ${cost.unpriced} not priced` : ''}`,
    [...design.banks, ...others].map((r) => `${r.name} ${r.price === null ? 'not priced' : round3(r.price)}`).join(', '),
  ]);
  for (const bank of design.banks)
    out.set(`part: ${bank.name}`, [
      `${bank.series * bank.strings} × ${bank.chemistry}, ${bank.blockV} V ${round3(bank.blockAh)} Ah`,
      ENTERED,
    ]);
  for (const source of sourcesAboard(design.sources))
    out.set(`part: ${source.name}`, [`${source.kind}, ${round3(source.ratedA)} A`, ENTERED]);
  for (const tie of design.joins) out.set(`part: ${tie.name}`, [`${tie.kind}, ${round3(tie.ratedA)} A`, ENTERED]);
  out.set('circuits', [String(design.circuits.length), 'rows of the circuit sheet: Wiring']);
  for (const [what, text, why] of acFigures(design)) out.set(what, [text, why]);
  return out;
}
