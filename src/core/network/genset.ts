/** A generator against its appliances and its charging: motors in starting order, fuel, hours (docs/methods.md, M12). */
import { chargerAmps, chargingV } from '../charging';
import { spanH, spansOf } from '../demand';
import { type AcSource, type Design, type Living, sourcesAboard } from '../design';
import { type GensetStart, gensetStart } from './gensetStart';
import type { Analysed } from './system';
import {
  acFor,
  appliancesA,
  DIP_MOTORS_ONLY,
  DIP_WITH_LIGHTS,
  type MotorStart,
  rowsOn,
  SERVICES,
  startOrder,
  TYPICAL_XD,
  vaOf,
} from '../ac';

export interface GeneratorDay {
  readonly livingId: string;
  readonly name: string;
  /** As the day has it, h; mean part of its rating; fuel, L. */
  readonly hours: number;
  readonly part: number;
  readonly litres: number;
  /** What the day lacks without it, Ah, what its chargers give, A, and the hours that takes; null where nothing lacks. */
  readonly lacksAh: number;
  readonly chargesA: number;
  readonly needsH: number | null;
}

/** What a generator's day is judged by: the boat's results, and what each day draws and makes. */
type WithNeeds = Analysed & {
  readonly balance: {
    readonly needs: readonly {
      readonly livingId: string;
      readonly needAh: number;
      readonly made: { readonly madeAh: number; readonly bySource: readonly number[] } | null;
    }[];
  };
};

export interface GeneratorAnswer {
  readonly id: string;
  readonly kva: number;
  readonly kw: number;
  readonly xd: number;
  readonly mostDip: number;
  /** Largest start its maker allows, kVA; null: not said, the dip decides. */
  readonly startKva: number | null;
  readonly starts: readonly (MotorStart & { readonly name: string })[];
  /** Least rating that starts everything in this order, kVA. */
  readonly leastKva: number;
  readonly days: readonly GeneratorDay[];
  /** Its starter and its control coil; null where no coil is named or nothing reaches it. */
  readonly start: GensetStart | null;
}

export const generatorAnswers = (design: Design, analysis: WithNeeds): GeneratorAnswer[] =>
  design.acSources.flatMap((s) => (s.generator ? [answerOf(design, analysis, s, s.generator)] : []));

function answerOf(design: Design, analysis: WithNeeds, source: AcSource, g: NonNullable<AcSource['generator']>): GeneratorAnswer {
  const xd = g.xd ?? TYPICAL_XD;
  const mostDip = g.lightsOn ? DIP_WITH_LIGHTS : DIP_MOTORS_ONLY;
  const rows = rowsOn(design, source.id);
  const wanted = rows.filter((l) => design.acRules.wanted.includes(l.id));
  const motors = (wanted.length > 0 ? wanted : rows)
    .filter((l) => (l.surgeVa ?? 0) > 0)
    .map((l) => ({ id: l.id, startKva: (l.surgeVa ?? 0) / 1000, runsKva: vaOf(design, l) / 1000 }));
  const starts = startOrder(motors, g.kva, g.lightsOn, xd, g.startKva);
  const total = wanted.reduce((sum, l) => sum + vaOf(design, l) / 1000, 0);
  return {
    id: source.id,
    kva: g.kva,
    kw: g.kva * g.powerFactor,
    xd,
    mostDip,
    startKva: g.startKva,
    starts: starts.map((s) => ({ ...s, name: rows.find((l) => l.id === s.id)?.name ?? '' })),
    leastKva: Math.max(total, leastKvaFor(motors, xd, mostDip)),
    days: design.living.map((l) => dayOf(design, analysis, source, g, l)),
    start: gensetStart(design, analysis, source),
  };
}

/** dip = x / (1 + x) turned round: kVA >= X'd S (1 - dip) / dip of the largest start; and what runs in the end. */
function leastKvaFor(motors: readonly { readonly startKva: number; readonly runsKva: number }[], xd: number, dip: number): number {
  const byStart = Math.max(0, ...motors.map((m) => (xd * m.startKva * (1 - dip)) / dip));
  return Math.max(
    byStart,
    motors.reduce((sum, m) => sum + m.runsKva, 0),
  );
}

function dayOf(design: Design, analysis: WithNeeds, source: AcSource, g: NonNullable<AcSource['generator']>, living: Living): GeneratorDay {
  const spans = spansOf(living, 'generator');
  const hours = spans.reduce((sum, s) => sum + spanH(s), 0);
  const { volts, legs } = SERVICES[source.service];
  const sources = sourcesAboard(design.sources);
  const chargers = sources.filter((s) => s.kind === 'shore charger' && s.charger);
  const span = spans[0] ?? { id: 'asked', what: 'generator' as const, fromH: 0, toH: 1, level: 0 };
  const chargesA = chargers.reduce((sum, s) => sum + chargerAmps(design, s, acFor(design, living, span, s)), 0);
  const chargingW = chargers.reduce(
    (sum, s) => sum + (chargingV(design, s) * chargerAmps(design, s, acFor(design, living, span, s))) / (s.charger?.efficiency ?? 1),
    0,
  );
  const ratedW = 1000 * g.kva * g.powerFactor;
  const runsW = chargingW + appliancesA(design, living, source) * volts * legs;
  const part = ratedW > 0 ? Math.min(1, runsW / ratedW) : 0;
  const need = analysis.balance.needs.find((n) => n.livingId === living.id);
  // Without it its hours' charging is missing; what shore charges is not its doing.
  const itsOwn = hours > 0 && spansOf(living, 'shore').length === 0;
  const byCharger = sources.reduce((sum, s, i) => sum + (chargers.includes(s) ? (need?.made?.bySource[i] ?? 0) : 0), 0);
  const otherwise = (need?.made?.madeAh ?? 0) - (itsOwn ? byCharger : 0);
  const lacksAh = Math.max(0, (need?.needAh ?? 0) - otherwise);
  return {
    livingId: living.id,
    name: living.name,
    hours,
    part,
    litres: hours * (g.idleLph + (g.fullLph - g.idleLph) * part),
    lacksAh,
    chargesA,
    needsH: lacksAh > 0.5 && chargesA > 0 ? lacksAh / chargesA : null,
  };
}
