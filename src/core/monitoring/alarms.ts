/** What should call, at what, and in which order before the cut-offs (docs/methods.md, M14). */
import { bankSource, c20Ah, chemistryOf } from '../bank';
import { highestV } from '../charging';
import { asDecided, type Bank, type Design, kindOf } from '../design';
import { nominalW } from '../demand';
import { dayAh } from '../energy';
import { show } from '../quantity';
import { restV } from '../rules';
import { bankOfLoads } from '../topology';

export interface AlarmLine {
  readonly id: string;
  readonly what: string;
  readonly value: string;
  readonly delay: string;
  readonly working: string;
  readonly proof: string;
}

export interface Alarms {
  readonly lines: readonly AlarmLine[];
  /** What is wrong in the order of alarm, cut-off and BMS. */
  readonly faults: readonly string[];
  /** Loads that go dead when the bank's BMS opens. */
  readonly takenAtOnce: readonly string[];
}

/** Hours of the night the low-charge alarm leaves. */
const NIGHT_H = 10;
/** Under what the bank has at the bottom of its window with the evening's loads, V per 12 V. */
const UNDER = 0.1;
/** Before the BMS opens, V per 12 V. */
const BEFORE_BMS_V = 0.2;
/** Of the capacity an hour: what pulls volts down; and the longest a slow alarm waits, s: the fast one guards meanwhile. */
const HEAVY = 0.1;
const MOST_DELAY_S = 110;
const VITAL: ReadonlySet<string> = new Set(['bilge pump', 'navigation light', 'steering', 'radio', 'gas alarm', 'high-water alarm']);

export function alarmsOf(whole: Design, bank: Bank): Alarms {
  const design = asDecided(whole);
  const source = bankSource(bank);
  const chemistry = chemistryOf(bank);
  const times = source.nominalV / 12;
  const capacity = c20Ah(bank);
  const onBank = bankOfLoads(design);
  const own = design.loads.filter((l) => l.group !== 'charging' && (onBank.get(l.id) ?? design.banks[0]?.id) === bank.id);
  const way = design.living.find((l) => l.id === design.plan.livingId) ?? design.living[0];
  const perDay = way ? own.reduce((sum, l) => sum + dayAh(l, way), 0) : 0;
  const nightAh = (perDay * NIGHT_H) / 24;
  const lowSoc = Math.min(0.95, chemistry.windowLowSoc + nightAh / capacity);
  const meanA = perDay / 24;
  const bottomV = restV(chemistry, chemistry.windowLowSoc) * times;
  const lowV = bottomV - meanA * source.ohm - UNDER * times;
  // Of what pulls the volts down: a tenth of the capacity an hour, or more.
  const heavy = own.filter((l) => nominalW(l) / source.nominalV >= HEAVY * capacity);
  const longest = Math.min(MOST_DELAY_S, Math.max(0, ...heavy.map((l) => Math.max(l.duty?.onS ?? 0, l.surgeS ?? 0))));
  const electronics = Math.max(0, ...own.filter((l) => l.group === 'electronics').map((l) => l.minV ?? 0));
  const borneV = electronics > 0 ? electronics : 10.5 * times;
  const fastV = Math.max(borneV, bank.bms ? bank.bms.underV + BEFORE_BMS_V * times : 0);
  const charging = design.sources.filter((s) => s.bankId === bank.id && s.kind !== 'portable');
  const topV = charging.length > 0 ? Math.max(...charging.map((s) => highestV(s, bank))) : chemistry.absorptionV * times + 0.2 * times;
  const bms = bank.bms;
  const v = (x: number) => `${x.toFixed(2)} V`;
  /** What only reads volts tells no charge. */
  const counts = design.gauges.some((g) => g.bankId === bank.id && g.kind === 'counting');
  const all: AlarmLine[] = [
    {
      id: 'low charge',
      what: 'charge low',
      value: `${Math.round(lowSoc * 100)} %`,
      delay: '10 min',
      working: `the bottom of its window, ${Math.round(chemistry.windowLowSoc * 100)} %, and ${NIGHT_H} h at night of ${perDay.toFixed(0)} Ah a day`,
      proof: 'set it over what the gauge shows, wait, set it back',
    },
    {
      id: 'low volts',
      what: 'volts low, slow',
      value: v(lowV),
      delay: `${Math.ceil(longest) + 10} s`,
      working: `at rest ${v(bottomV)} at the bottom of its window, less ${meanA.toFixed(1)} A through it, less 0.1 V per 12 V; after the longest heavy duty, two minutes at most`,
      proof: 'a bench supply on the sense lead, lowered',
    },
    {
      id: 'fast volts',
      what: 'volts low, at once',
      value: v(fastV),
      delay: '2 s',
      working: `${electronics > 0 ? 'the lowest volts its electronics bear, by their makers' : '10.5 V per 12 V: typical of electronics'}${fastV > borneV ? '; 0.2 V per 12 V before its BMS opens' : ''}`,
      proof: 'a bench supply on the sense lead, lowered',
    },
    {
      id: 'high volts',
      what: 'volts high',
      value: v(topV),
      delay: '5 s',
      working: 'the highest setpoint of all that charges it, cold and tolerance counted; higher while equalising',
      proof: 'a bench supply on the sense lead, raised; never the bank itself',
    },
    {
      id: 'temperature',
      what: 'battery warm',
      value: show(chemistry.leadAcid ? 45 : 50, 'C', design.boat),
      delay: '1 min',
      working: 'typical of its chemistry; its maker’s figure rules',
      proof: 'the sensor held in a warm hand, the value set under it',
    },
    ...own
      .filter((l) => kindOf(l) === 'bilge pump')
      .map((l): AlarmLine => ({
        id: `bilge ${l.id}`,
        what: `${l.name} runs long`,
        value: '2 min',
        delay: 'none',
        working: 'longer than it takes to clear what collects in a day',
        proof: 'its float switch lifted by hand',
      })),
  ];
  const lines = counts ? all : all.filter((l) => l.id !== 'low charge');
  const faults = [
    ...(bms && bms.underV >= lowV ? [`the BMS opens at ${v(bms.underV)}, before the slow alarm at ${v(lowV)}`] : []),
    ...(fastV >= lowV ? [`the fast alarm at ${v(fastV)} lies above the slow one at ${v(lowV)}`] : []),
    ...(bms && bms.overV <= topV ? [`the BMS opens at ${v(bms.overV)}, not above the highest setpoint of ${v(topV)}`] : []),
    ...(bms && !bms.warns ? ['the BMS opens without a word: nothing warns before it'] : []),
    ...(lowV >= bottomV ? ['the slow alarm lies above the volts at rest'] : []),
  ];
  return {
    lines,
    faults,
    takenAtOnce: bms ? own.filter((l) => VITAL.has(kindOf(l))).map((l) => l.name) : [],
  };
}
