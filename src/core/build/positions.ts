/** What is live and what is dead in each position of the vessel's switches, and what the live ones drain (docs/methods.md, "Switch positions"). */
import { asDecided, type Circuit, type Design } from '../design';
import { bankSource } from '../bank';
import { standingA } from '../demand';
import { round3, show } from '../quantity';
import { circuitOrder } from '../topology';

export interface Position {
  readonly id: string;
  readonly name: string;
  readonly live: readonly string[];
  readonly dead: readonly string[];
  /** Drawn by what is live while nobody uses it, A, by bank. */
  readonly standingA: number;
  /** What of the live draws it, A, largest first; and how long each bank lasts so, in words. */
  readonly draws: readonly { readonly name: string; readonly amps: number }[];
  readonly lasts: readonly string[];
  /** From full to the bottom of the window of the bank that gets there first, nothing charging; null without a draw or a bank. */
  readonly days: number | null;
  /** Live in every position though its class says otherwise, or dead though it should be live. */
  readonly surprises: readonly string[];
}

interface State {
  readonly id: string;
  readonly name: string;
  readonly closed: (bankId: string) => boolean;
  readonly key: boolean;
}

const hasSwitch = (c: Circuit): boolean => c.supply === 'house switch' || c.devices.some((d) => d.kind === 'battery switch');

/** Every position of the switches at the banks, and the last of them with the engine key. */
function states(design: Design): State[] {
  const switched = design.banks.filter((b) => design.circuits.some((c) => c.from.kind === 'bank' && c.from.id === b.id && hasSwitch(c)));
  const single =
    switched.length > 1
      ? switched.map((b): State => ({ id: `only-${b.id}`, name: `${b.name} only`, closed: (id) => id === b.id, key: false }))
      : [];
  return [
    { id: 'off', name: 'off', closed: () => false, key: false },
    ...single,
    { id: 'on', name: single.length > 0 ? 'all on' : 'on', closed: () => true, key: false },
    { id: 'key', name: 'on, engine key', closed: () => true, key: true },
  ];
}

/** Whether current reaches the end of a circuit: every switch before it closed, its key or relay made. Panel breakers are taken as closed. */
function liveCircuits(design: Design, state: State): ReadonlyMap<string, string | null> {
  const { order, feederOf } = circuitOrder(design.circuits);
  const bankOf = new Map<string, string | null>();
  for (const c of order) {
    const before = c.from.kind === 'bank' ? c.from.id : (bankOf.get(feederOf.get(c.from.id)?.id ?? '') ?? null);
    const opened =
      before === null ||
      (c.from.kind === 'bank' && hasSwitch(c) && !state.closed(before)) ||
      (c.from.kind === 'panel' &&
        c.supply === 'house switch' &&
        c.devices.some((d) => d.kind === 'battery switch') &&
        !state.closed(before)) ||
      (c.supply === 'engine key' && !state.key) ||
      (c.supply === 'relay' && !state.key);
    bankOf.set(c.id, opened ? null : before);
  }
  return bankOf;
}

export function positions(whole: Design): Position[] {
  const design = asDecided(whole);
  const circuitOf = new Map<string, Circuit>();
  for (const c of design.circuits)
    for (const t of c.taps) if (t.serves.kind === 'load' && !circuitOf.has(t.serves.id)) circuitOf.set(t.serves.id, c);
  const wired = design.loads.filter((l) => circuitOf.has(l.id));
  return states(design).map((state) => {
    const bankOf = liveCircuits(design, state);
    const drain = new Map<string, number>();
    const draws: Position['draws'][number][] = [];
    const live: string[] = [];
    const dead: string[] = [];
    const surprises: string[] = [];
    for (const load of wired) {
      const bank = bankOf.get(circuitOf.get(load.id)?.id ?? '') ?? null;
      (bank === null ? dead : live).push(load.id);
      if (bank !== null) drain.set(bank, (drain.get(bank) ?? 0) + standingA(load));
      if (bank !== null && standingA(load) > 0) draws.push({ name: load.name, amps: standingA(load) });
      const should = load.supply === 'always live';
      if (state.id === 'off' && (bank !== null) !== should) surprises.push(load.id);
    }
    const lasting = design.banks.flatMap((b) => {
      const amps = drain.get(b.id) ?? 0;
      const { usableAh } = bankSource(b);
      const days = usableAh / (24 * amps);
      return amps > 0
        ? [
            {
              days,
              told: `${b.name}: ${round3(usableAh)} Ah usable ÷ ${show(amps, 'A', design.boat)} ÷ 24 h = ${show(days, 'days', design.boat)}`,
            },
          ]
        : [];
    });
    const days = lasting.map((l) => l.days);
    return {
      id: state.id,
      name: state.name,
      live,
      dead,
      standingA: [...drain.values()].reduce((sum, a) => sum + a, 0),
      draws: draws.sort((a, b) => b.amps - a.amps),
      lasts: lasting.map((l) => l.told),
      days: days.length > 0 ? Math.min(...days) : null,
      surprises,
    };
  });
}
