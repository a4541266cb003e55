/** What the design as a whole gives cause to say. */
import type { CircuitResult } from '../circuitResult';
import type { Circuit, Design } from '../design/schema';
import { ringWords } from '../network/feeds';
import type { Ring } from '../network/solve/rings';
import type { Finding } from './findings';

export function designFindings(
  design: Design,
  results: readonly CircuitResult[],
  circuitOfLoad: ReadonlyMap<string, string>,
  feederOf: ReadonlyMap<string, Circuit>,
  loops: readonly Ring[],
): Finding[] {
  const out: Finding[] = [];
  const add = (
    rule: string,
    severity: Finding['severity'],
    kind: Finding['about']['kind'],
    id: string,
    title: string,
    why: string,
    todo: string,
  ) => out.push({ id: `${rule}:${id}`, severity, about: { kind, id }, title, why, todo });

  if (design.banks.length === 0)
    add(
      'no-bank',
      'stop',
      'boat',
      'boat',
      'has no battery bank',
      'Fault currents, interrupting capacity and sag cannot be reckoned.',
      'Enter a first bank on Survey.',
    );
  for (const bank of design.banks) {
    const volts = bank.blockV * bank.series;
    if (volts !== design.boat.systemV)
      add(
        'bank-volts',
        'stop',
        'bank',
        bank.id,
        `makes ${volts} V on a ${design.boat.systemV} V boat`,
        'Everything aboard is reckoned at the system voltage.',
        'Correct the blocks in series, or the system voltage.',
      );
  }
  const seen = new Map<string, string>();
  for (const circuit of design.circuits) {
    const loop = loops.find((l) => l.edges.includes(circuit.id));
    if (loop)
      add(
        'loop',
        'stop',
        'circuit',
        circuit.id,
        `feeds itself: ${ringWords(design, loop)}`,
        'A panel may not be fed from its own ways: nothing is known of its volts, its faults or what it carries.',
        'Feed one of the panels in the loop from the bank or the main bus.',
      );
    for (const tap of circuit.taps) {
      if (tap.serves.kind === 'place') continue;
      const key = `${tap.serves.kind}:${tap.serves.id}`;
      const first = seen.get(key);
      if (first !== undefined && first !== circuit.id)
        add(
          `twice-${circuit.id}`,
          'stop',
          tap.serves.kind,
          tap.serves.id,
          'is fed by two circuits',
          'Opening one device leaves it live: shock and fire.',
          'Take it off one of them.',
        );
      seen.set(key, first ?? circuit.id);
    }
  }
  for (const load of design.loads) {
    if (load.rating === 0)
      add(
        'no-rating',
        'note',
        'load',
        load.id,
        'has no watts or amps yet',
        'It counts as nothing in every sum.',
        "Enter the maker's figure, or measure it.",
      );
    if (!circuitOfLoad.has(load.id))
      add(
        'no-circuit',
        'note',
        'load',
        load.id,
        'is on no circuit',
        'It has no cable and no protection.',
        'Wiring, "propose", or drag it onto a circuit.',
      );
    if (load.placeId === null && load.at === null)
      add('no-place', 'note', 'load', load.id, 'has no place', 'Its run is reckoned from amidships.', 'Give it a place.');
    const place = design.places.find((p) => p.id === load.placeId);
    if (place && load.group === 'electronics' && (place.wet || place.vapour || place.drips || place.engineSpace))
      add(
        'electronics-place',
        'fix',
        'load',
        load.id,
        `stands in ${place.name}`,
        'Electronics belong in no wet, dripping, hot or vapour place.',
        'Move it, or use one its maker rates for the place.',
      );
  }
  const resultOf = new Map(results.map((r) => [r.id, r]));
  for (const panel of design.panels) {
    const ways = design.circuits.filter((c) => c.from.kind === 'panel' && c.from.id === panel.id);
    if (ways.length > panel.ways)
      add(
        'ways',
        'stop',
        'panel',
        panel.id,
        `has ${panel.ways} ways and ${ways.length} circuits`,
        'A way feeds one circuit.',
        'Add ways, or regroup.',
      );
    if (ways.length > 0 && !feederOf.has(panel.id))
      add('no-feeder', 'stop', 'panel', panel.id, 'has no feeder', 'Nothing reaches its circuits.', 'Wiring, "propose".');
    const own = ways.flatMap((c) => resultOf.get(c.id) ?? []);
    const unfit = own.find((c) => panel.family !== null && c.own.protection.noneAllowed);
    if (unfit) {
      const { refused } = unfit.own.protection;
      add(
        'panel-family',
        'stop',
        'panel',
        panel.id,
        `may not hold ${refused[0]?.family ?? 'its'}s`,
        `Each ${refused[0]?.reason ?? 'is refused'}.`,
        'Use a panel whose devices can, a current-limiting fuse (class T) proved for the pair by its maker, or a longer or thinner feeder.',
      );
    }
    const spoiled = own.filter((c) => c.own.state.fault?.passes && !c.own.state.fault.sendingPasses);
    if (spoiled.length > 0)
      add(
        'sending-end',
        'note',
        'panel',
        panel.id,
        `a short at ${spoiled.length === own.length ? 'any' : spoiled.length} of its ways would spoil the cable there`,
        `The device opens, but lets more through first than the thin conductors bear: ${spoiled
          .slice(0, 4)
          .map((c) => c.name)
          .join(', ')}${spoiled.length > 4 ? ' …' : ''}.`,
        'Replace such a run after a fault, or fit a current-limiting fuse (class T) upstream.',
      );
    const feeder = resultOf.get(feederOf.get(panel.id)?.id ?? '');
    if (panel.maxTotalA !== null && feeder && feeder.workingA > panel.maxTotalA)
      add(
        'panel-total',
        'stop',
        'panel',
        panel.id,
        `carries ${feeder.workingA.toFixed(0)} A of ${panel.maxTotalA} A`,
        'Its bus bar overheats.',
        'Move heavy loads to the main bus.',
      );
  }
  return out;
}
