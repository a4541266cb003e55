/** A generator's start: its starter on its battery, and the control coil while it turns (docs/methods.md, M12). */
import { HOLD_IN_PART, PULL_IN_PART } from '../rules';
import { type AcSource, type Design, madeForV, nominalVOf, rowOf, startBankOf, type Study } from '../design';
import { runStudy } from './study';
import { type Analysed, STARTER, type Turning } from './system';

export interface GensetStart {
  readonly loadId: string;
  /** Of its own starter, A; typical where nobody entered it. */
  readonly starterA: number;
  readonly typical: boolean;
  readonly bankId: string | null;
  readonly bankName: string;
  /** Volts at the posts of its battery, and at the starter, as it turns; NaN without a battery. */
  readonly postsV: number;
  readonly starterV: number;
  /** At the control coil, V: before anything turns, with the heater plugs on; while its own starter turns; while the engine's does. */
  readonly atRestV: number;
  readonly turningV: number;
  readonly engineV: number;
  readonly pullInV: number;
  readonly holdInV: number;
  readonly coilA: number;
  /** It pulls in at rest and while the engine's starter turns; it stays in while its own does. */
  readonly pullsIn: boolean;
  readonly holds: boolean;
}

/** Amps of a set's starter where nobody says: so many a kVA at 12 V, and this at least. Typical. */
const STARTER_A_PER_KVA = 35;
const STARTER_A = 100;
/** Cables and return of a set's starter where nobody says, ohm. Typical. */
const PATH_OHM = 0.0015;

/** null: no coil is named, or nothing reaches it. @param analysed results of this process, not copies. */
export function gensetStart(design: Design, analysed: Analysed, source: AcSource): GensetStart | null {
  const { generator: g } = source;
  const coil = rowOf(design.loads, g?.startLoadId);
  if (!g || !coil) return null;
  const bank = rowOf(design.banks, g.starter?.bankId) ?? startBankOf(design) ?? design.banks[0];
  const nominalV = nominalVOf(design, bank?.id);
  const starterA = g.starter?.amps ?? (Math.max(STARTER_A, STARTER_A_PER_KVA * g.kva) * 12) / nominalV;
  const preheat = rowOf(design.loads, g.preheatLoadId);
  const loads = Object.fromEntries([coil, ...(preheat ? [preheat] : [])].map((l): [string, 'on'] => [l.id, 'on']));
  const asked = (more: Partial<Study & Turning>) =>
    runStudy(design, analysed, {
      id: 'start',
      name: 'start',
      soc: design.house.studySoc,
      engineRpm: 0,
      shore: false,
      cranking: false,
      loads,
      ...more,
    });
  const at = (answer: ReturnType<typeof runStudy>) => rowOf(answer.loads, coil.id);
  const rest = asked({});
  const own = bank ? asked({ turning: { bankId: bank.id, amps: starterA } }) : rest;
  const engine = asked({ cranking: true });
  const [atRestV = NaN, turningV = NaN, engineV = NaN] = [rest, own, engine].map((a) => at(a)?.volts);
  if (Number.isNaN(atRestV)) return null;
  const postsV = own.loads.find((l) => l.id === STARTER)?.volts ?? NaN;
  const made = madeForV(coil.nominalV);
  const pullInV = coil.minV ?? PULL_IN_PART * made;
  const holdInV = g.holdInV ?? HOLD_IN_PART * made;
  return {
    loadId: coil.id,
    starterA,
    typical: g.starter?.amps == null,
    bankId: bank?.id ?? null,
    bankName: bank?.name ?? '',
    postsV,
    starterV: postsV - starterA * (g.starter ? g.starter.pathMohm / 1000 : PATH_OHM),
    atRestV,
    turningV,
    engineV,
    pullInV,
    holdInV,
    coilA: at(rest)?.amps ?? 0,
    pullsIn: atRestV >= pullInV && engineV >= pullInV,
    holds: turningV >= holdInV,
  };
}
