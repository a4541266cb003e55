/** What has to fit before an alternator goes on, and what a swap changes aboard. */
import { round3, show } from '../quantity';
import { servingOf } from '../topology';
import { type Design, type Source, rowOf, nominalVOf } from '../design';
import { type Alternator, alternatorAt, cutInRpm, pulleyRatio } from './alternator';
import { beltLengthMm, beltRangeMm } from './belt';

export interface FitLine {
  readonly what: string;
  readonly engine: string;
  readonly alternator: string;
  readonly verdict: 'fits' | 'does not fit' | 'ask';
  /** What the verdict goes by, in words. */
  readonly of: readonly string[];
}

/** The belt that is on, for the arm and these pulleys. */
function beltLine(design: Pick<Design, 'engine' | 'boat'>, a: Alternator): FitLine {
  const inMm = (mm: number) => show(Math.round(mm), 'mm', design.boat);
  const range = beltRangeMm(design.engine, a);
  const { beltMm, nearMm, farMm } = design.engine.fit;
  const reach = range && nearMm !== null && farMm !== null ? beltLengthMm(farMm, a.enginePulleyMm ?? 0, a.pulleyMm ?? 0) : null;
  return {
    what: 'belt length and reach of the arm',
    engine: beltMm === null ? 'not known' : inMm(beltMm),
    alternator: range ? `a new one ${inMm(range[0])} to ${inMm(range[1])}` : 'not known',
    of: [
      'length of a belt: both arcs and both straights, from the pulleys’ diameters and the distance of their centres',
      ...(range
        ? [
            `with the arm at its nearest ${inMm(range[0])}; with a quarter of its way gone ${inMm(range[1])}: a new one lies between, the rest of the way takes up its stretch`,
          ]
        : []),
      ...(reach === null ? [] : [`with the arm at its farthest ${inMm(reach)}: a belt on it may be no longer`]),
      'measured at the engine (Charging, the engine), and as its maker gives the alternator',
    ],
    verdict: !range || reach === null || beltMm === null ? 'ask' : beltMm >= range[0] && beltMm <= reach ? 'fits' : 'does not fit',
  };
}

const known = (x: string | number | null): string => (x === null || x === 'unknown' ? 'not known' : String(x));

/** Mounting, pivot, pulley and belt, rotation, petrol space, speed. */
export function fitLines(design: Pick<Design, 'engine' | 'boat'>, source: Source): FitLine[] {
  const { engine } = design;
  const a = source.alternator;
  if (!a) return [];
  const line = (what: string, mine: string | number | null, its: string | number | null, fits: boolean, rule: string): FitLine => ({
    of: [
      rule,
      'the engine’s side as entered under the engine, the alternator’s as entered above: both to be read or measured, none is assumed',
    ],
    what,
    engine: known(mine),
    alternator: known(its),
    verdict: known(mine) === 'not known' || known(its) === 'not known' ? 'ask' : fits ? 'fits' : 'does not fit',
  });
  const inMm = (mm: number | null): string | null => (mm === null ? null : show(mm, 'mm', design.boat));
  const top = Math.round(engine.maxRpm * pulleyRatio(a));
  return [
    line('mounting pattern', engine.fit.mounting, a.fit.mounting, engine.fit.mounting === a.fit.mounting, 'the same pattern of feet'),
    line(
      'pivot width',
      inMm(engine.fit.pivotMm),
      inMm(a.fit.pivotMm),
      Math.abs((engine.fit.pivotMm ?? 0) - (a.fit.pivotMm ?? 0)) <= 1,
      `within ${inMm(1)} of each other`,
    ),
    line('pulley and belt', engine.fit.pulley, a.fit.pulley, engine.fit.pulley === a.fit.pulley, 'the same belt runs on both'),
    line(
      'rotation',
      engine.fit.rotation,
      a.fit.rotation,
      engine.fit.rotation === 'either' || a.fit.rotation === 'either' || engine.fit.rotation === a.fit.rotation,
      'the same way round, seen from the pulley',
    ),
    line(
      'body, across',
      inMm(engine.fit.bodyMm),
      inMm(a.fit.bodyMm),
      (a.fit.bodyMm ?? 0) <= (engine.fit.bodyMm ?? 0),
      'no larger than the room at the engine',
    ),
    line(
      'body, long',
      inMm(engine.fit.longMm),
      inMm(a.fit.longMm),
      (a.fit.longMm ?? 0) <= (engine.fit.longMm ?? 0),
      'no longer than the room at the engine',
    ),
    beltLine(design, a),
    {
      what: 'fan',
      of: ['a fan made for one way round moves little air the other way: the alternator overheats'],
      engine: engine.fit.rotation,
      alternator: a.fit.fan === 'unknown' ? 'not known' : a.fit.fan === 'either' ? 'blows either way round' : `made for ${a.fit.rotation}`,
      verdict:
        a.fit.fan === 'either'
          ? 'fits'
          : a.fit.fan === 'unknown' || engine.fit.rotation === 'unknown' || a.fit.rotation === 'unknown'
            ? 'ask'
            : a.fit.rotation === engine.fit.rotation || a.fit.rotation === 'either'
              ? 'fits'
              : 'does not fit',
    },
    {
      what: 'torque of the pulley nut',
      of: ['by the alternator’s maker; none is assumed'],
      engine: '',
      alternator: a.fit.nutNm === null ? 'not known' : show(a.fit.nutNm, 'Nm', design.boat),
      verdict: a.fit.nutNm === null ? 'ask' : 'fits',
    },
    {
      what: 'petrol engine space',
      of: ['vapour gathers in a petrol engine’s space: only what is ignition protected belongs there'],
      engine: engine.fuel,
      alternator: a.ignitionProtected ? 'ignition protected' : 'not ignition protected',
      verdict: engine.fuel === 'diesel' || a.ignitionProtected ? 'fits' : 'does not fit',
    },
    {
      what: 'highest speed, rpm',
      of: [`the engine’s ${engine.maxRpm} rpm × ratio ${pulleyRatio(a).toFixed(2)} = ${top} rpm; it is made for ${a.maxRpm} rpm`],
      engine: `${engine.maxRpm} × ${pulleyRatio(a).toFixed(2)} = ${top}`,
      alternator: String(a.maxRpm),
      verdict: top <= a.maxRpm ? 'fits' : 'does not fit',
    },
  ];
}

export interface SwapLine {
  readonly what: string;
  readonly was: string;
  readonly becomes: string;
  readonly todo: string;
  /** The reckoning of its figures, in words; empty: there is none. */
  readonly of: readonly string[];
}

const rpm = (x: number | null) => (x === null ? 'never' : `${Math.round(x)} rpm of the engine`);
const EXCITE: Readonly<Record<Alternator['excitation'], string>> = {
  'one-wire': 'wakes by its own speed, no lamp lead',
  'three-wire': 'through the warning lamp, sense lead apart',
  external: 'through the regulator, from a switched supply',
};

/** What one alternator in place of another changes: cut-in, excitation, signals, and everything its current goes through. */
export function swapLines(design: Design, was: Source, becomes: Source): SwapLine[] {
  const [a, b] = [was.alternator, becomes.alternator];
  if (!a || !b) return [];
  const systemV = nominalVOf(design, was.bankId);
  const idle = (x: Alternator) => alternatorAt(x, systemV, design.engine.idleRpm, 0, Infinity);
  const hot = (name: string, x: Alternator, o: ReturnType<typeof idle>): string =>
    `${name}: ${Math.round(o.engineRpm)} rpm of the engine × ${pulleyRatio(x).toFixed(2)} = ${Math.round(o.rpm)} rpm of its own; its label gives ${round3(o.labelA)} A there, hot ${round3(o.hotA)} A`;
  const both = (tell: (name: string, x: Alternator) => string) => [tell(`${was.name}, now`, a), tell(`${becomes.name}, then`, b)];
  const cruise = (x: Alternator) => alternatorAt(x, systemV, design.engine.cruiseRpm, 0, Infinity);
  const out: SwapLine[] = [
    {
      what: 'cuts in at',
      was: rpm(cutInRpm(a)),
      becomes: rpm(cutInRpm(b)),
      todo: (cutInRpm(b) ?? Infinity) > design.engine.idleRpm ? 'gives nothing at idle: a quicker ratio, or a higher idle' : '',
      of: both((name, x) => `${name}: the first point of its label at which it gives current, ÷ ratio ${pulleyRatio(x).toFixed(2)}`),
    },
    {
      what: 'hot, at idle',
      was: `${idle(a).hotA.toFixed(0)} A`,
      becomes: `${idle(b).hotA.toFixed(0)} A`,
      todo: '',
      of: both((name, x) => hot(name, x, idle(x))),
    },
    {
      what: 'hot, cruising',
      was: `${cruise(a).hotA.toFixed(0)} A`,
      becomes: `${cruise(b).hotA.toFixed(0)} A`,
      todo: cruise(b).hotA > cruise(b).beltA + 0.5 ? `the belt carries ${cruise(b).beltA.toFixed(0)} A: a wider belt and pulleys` : '',
      of: both((name, x) => hot(name, x, cruise(x))),
    },
    {
      what: 'takes from the engine, cruising',
      was: `${(cruise(a).shaftW / 1000).toFixed(1)} kW`,
      becomes: `${(cruise(b).shaftW / 1000).toFixed(1)} kW`,
      todo: cruise(b).shaftW > 100 * design.engine.kw ? 'more than a tenth of the engine: ask its maker for the side load' : '',
      of: both(
        (name, x) =>
          `${name}: ${round3(cruise(x).beltA)} A within the belt’s strength, through its efficiency, ${round3(cruise(x).shaftW)} W at the shaft`,
      ),
    },
    {
      what: 'excitation',
      was: EXCITE[a.excitation],
      becomes: EXCITE[b.excitation],
      todo:
        a.excitation === b.excitation
          ? ''
          : b.excitation === 'one-wire'
            ? 'the warning lamp goes dead: insulate its lead; the engine must be revved once to wake it'
            : 'run a switched supply; through a diode where it could feed back, or the engine will not stop',
      of: [],
    },
    {
      what: 'speed signal for the tachometer',
      was: a.tacho ? 'yes' : 'no',
      becomes: b.tacho ? 'yes' : 'no',
      todo:
        a.tacho && !b.tacho
          ? 'the tachometer goes dead: another sender'
          : a.tacho && b.tacho
            ? 'set the tachometer anew for its poles and ratio'
            : '',
      of: [],
    },
  ];
  const path = pathOf(design, becomes);
  for (const p of path)
    out.push({
      what: p.what,
      was: `${was.ratedA} A through it`,
      becomes: `${becomes.ratedA} A through it`,
      todo: p.goodForA !== null && p.goodForA < becomes.ratedA ? `good for ${p.goodForA} A: replace it` : '',
      of: [
        `it stands in the way of all that ${becomes.name} gives; ${p.goodForA === null ? 'its own rating is not entered' : `rated ${p.goodForA} A`}`,
      ],
    });
  return out;
}

/** What stands in the way of a source's current: splitter or selector, switches in its run. */
function pathOf(design: Design, source: Source): { what: string; goodForA: number | null }[] {
  const tie = rowOf(design.joins, source.joinId);
  const run = servingOf(design.circuits).loads.get(source.loadId ?? '');
  return [
    ...(tie ? [{ what: tie.name, goodForA: tie.ratedA }] : []),
    ...(run ? run.devices.map((d) => ({ what: `${d.kind} in ${run.name}`, goodForA: d.ratingA })) : []),
  ];
}
