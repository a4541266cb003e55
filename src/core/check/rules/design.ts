/** Rules on the design as a whole: banks, loads, panels and what feeds them. */
import { elsewhere } from './elsewhere';
import { circuitProposed } from './proposed';
import type { CircuitResult } from '../../circuit';
import { addOp, blankCircuit, type Circuit, enclosureOf, idsFor, rowOf, setOp, waterFigure, blocksV } from '../../design';
import { ringWords, servingOf, startKey } from '../../topology';
import type { Ring } from '../../solve';
import { ASK_SHORT, type Rule, shortIsCause, SOURCES, type Told, when } from '../rule';
import type { DesignParts } from './reads';

export interface DesignFacts {
  readonly design: DesignParts;
  readonly results: ReadonlyMap<string, CircuitResult>;
  readonly circuitOfLoad: ReadonlyMap<string, Circuit>;
  readonly feederOf: ReadonlyMap<string, Circuit>;
  readonly loops: readonly Ring[];
}

/** Ways a panel may have. */
const MOST_WAYS = 60;
/** Second figure of the IP code asked for: jets of water where it is wet, drips where it drips. */
const WET_FIGURE = 5;
const DRIP_FIGURE = 2;

type DesignRule = Rule<DesignFacts>;

const waysOf = (design: DesignParts, panelId: string): readonly Circuit[] =>
  servingOf(design.circuits).starting.get(startKey({ kind: 'panel', id: panelId }))?.circuits ?? [];

/** Loads and panels that two circuits serve: the second circuit, and what it serves again. */
const fedTwice = (design: DesignParts) => servingOf(design.circuits).again;

export const DESIGN_RULES: readonly DesignRule[] = [
  {
    id: 'no-bank',
    about: 'boat',
    severity: 'stop',
    reads: ['banks'],
    when: 'the boat has no battery bank',
    why: 'Fault currents, interrupting capacity and sag cannot be calculated.',
    todo: 'Enter a first bank on Survey.',
    hazard: 'none',
    confirm: 'nothing',
    source: SOURCES.data,
    find: ({ design }) => when(design.banks.length === 0, () => ({ id: 'boat', title: 'has no battery bank' })),
  },
  {
    id: 'bank-volts',
    about: 'bank',
    severity: 'stop',
    reads: ['banks.blockV', 'banks.series', 'boat.systemV'],
    when: 'the blocks of a house bank in series do not make the system volts',
    why: 'Everything aboard is calculated at the system voltage.',
    todo: 'Correct the blocks in series, or the system voltage.',
    hazard: 'damage',
    confirm: 'eyes',
    source: SOURCES.data,
    find: ({ design }) =>
      design.banks.flatMap((b): readonly Told[] =>
        when(b.job === 'house' && blocksV(b) !== design.boat.systemV, () => ({
          id: b.id,
          title: `makes ${blocksV(b)} V on a ${design.boat.systemV} V boat`,
        })),
      ),
    cure: (design, { about }) => {
      const bank = rowOf(design.banks, about.id);
      const series = bank ? design.boat.systemV / bank.blockV : 0;
      return Number.isInteger(series) && series > 0 ? [setOp(design, ['banks', about.id, 'series'], series)] : null;
    },
  },
  {
    id: 'loop',
    about: 'circuit',
    severity: 'stop',
    reads: ['circuits.from', 'circuits.taps'],
    when: 'a panel is fed from its own ways',
    why: 'A panel may not be fed from its own ways: nothing is known of its volts, its faults or what it carries.',
    todo: 'Feed one of the panels in the loop from the bank or the main bus.',
    hazard: 'fire',
    confirm: 'nothing',
    source: SOURCES.data,
    find: ({ design, loops }) =>
      design.circuits.flatMap((c): readonly Told[] => {
        const loop = loops.find((l) => l.edges.includes(c.id));
        return loop ? [{ id: c.id, title: `feeds itself: ${ringWords(design, loop)}` }] : [];
      }),
    cure: (design, { about }) => {
      const [bank] = design.banks;
      return bank ? [setOp(design, ['circuits', about.id, 'from'], { kind: 'bank', id: bank.id })] : null;
    },
  },
  {
    id: 'twice',
    about: 'load',
    severity: 'stop',
    reads: ['circuits.taps'],
    when: 'a load or a panel is on two circuits',
    why: 'Opening one device leaves it live: shock and fire.',
    todo: 'Take it off one of them.',
    hazard: 'shock',
    confirm: 'eyes',
    source: SOURCES.practice,
    find: ({ design }) =>
      fedTwice(design).map(({ circuit, kind, id }) => ({
        id,
        suffix: `-${circuit.id}`,
        about: { kind, id },
        title: 'is fed by two circuits',
      })),
    cure: (design, { about }) => {
      const again = fedTwice(design).find((x) => x.kind === about.kind && x.id === about.id)?.circuit;
      const taps = again?.taps.filter((t) => !(t.serves.kind === about.kind && t.serves.id === about.id));
      const parents = new Set(taps?.map((t) => t.id));
      return again && taps
        ? [
            setOp(
              design,
              ['circuits', again.id, 'taps'],
              taps.map((t) => ({ ...t, parent: t.parent !== null && parents.has(t.parent) ? t.parent : null })),
            ),
          ]
        : null;
    },
  },
  {
    id: 'no-rating',
    about: 'load',
    severity: 'note',
    reads: ['loads.rating'],
    when: 'a load has neither watts nor amps',
    why: 'It counts as nothing in every sum.',
    todo: "Enter the maker's figure, or measure it.",
    hazard: 'none',
    confirm: 'a meter',
    source: SOURCES.data,
    find: ({ design }) =>
      design.loads.flatMap((l): readonly Told[] => when(l.rating === 0, () => ({ id: l.id, title: 'has no watts or amps yet' }))),
  },
  {
    id: 'no-circuit',
    about: 'load',
    severity: 'note',
    reads: ['circuits.taps'],
    when: 'a load is on no circuit',
    why: 'It has no cable and no protection.',
    todo: 'Wiring, "propose", or drag it onto a circuit.',
    hazard: 'none',
    confirm: 'nothing',
    source: SOURCES.data,
    find: ({ design, circuitOfLoad }) =>
      design.loads.flatMap((l): readonly Told[] => when(!circuitOfLoad.has(l.id), () => ({ id: l.id, title: 'is on no circuit' }))),
    cure: (design, { about }) => circuitProposed(design, about.id),
  },
  {
    id: 'no-place',
    about: 'load',
    severity: 'note',
    reads: ['loads.placeId', 'loads.at'],
    when: 'a load has no place aboard',
    why: 'Its run is estimated from amidships.',
    todo: 'Give it a place.',
    hazard: 'none',
    confirm: 'eyes',
    source: SOURCES.data,
    find: ({ design }) =>
      design.loads.flatMap((l): readonly Told[] => when(l.placeId === null && l.at === null, () => ({ id: l.id, title: 'has no place' }))),
  },
  {
    id: 'panel-no-place',
    about: 'panel',
    severity: 'fix',
    reads: ['panels.placeId', 'places.vapour'],
    when: 'it is not entered where a panel is',
    why: 'Heat and damp there are not counted.',
    todo: 'Enter its place.',
    hazard: 'explosion',
    confirm: 'eyes',
    source: SOURCES.dc,
    find: ({ design }) => {
      const vapour = design.places.some((p) => p.vapour);
      return design.panels.flatMap((p): readonly Told[] =>
        when(p.placeId === null, () => ({
          id: p.id,
          severity: vapour ? 'fix' : 'note',
          title: 'has no place aboard',
          ...(vapour
            ? { why: 'Where petrol vapour is possible its devices would be an explosion; heat and damp there are not counted.' }
            : {}),
        })),
      );
    },
  },
  {
    id: 'electronics-place',
    about: 'load',
    severity: 'fix',
    reads: ['loads.group', 'loads.kind', 'loads.ip', 'loads.placeId', 'places'],
    when: 'electronics are in a wet or dripping place their body is not made for, or in a hot or vapour place',
    why: 'Water, heat and vapour end electronics that are not made for them.',
    todo: 'Move it, or use one its maker rates for the place, and enter its IP code.',
    hazard: 'damage',
    confirm: 'eyes',
    source: SOURCES.practice,
    find: ({ design }) =>
      design.loads.flatMap((l): readonly Told[] => {
        const place = rowOf(design.places, l.placeId);
        if (l.group !== 'electronics' || !place || !(place.wet || place.vapour || place.drips || place.engineSpace)) return [];
        const { ip, typical } = enclosureOf(l);
        const asked = place.wet ? WET_FIGURE : place.drips ? DRIP_FIGURE : 0;
        const hot = place.vapour || place.engineSpace;
        if (!hot && waterFigure(ip) >= asked)
          return when(typical, () => ({
            id: l.id,
            severity: 'note',
            title: `is in ${place.name}; its IP code is not entered`,
            why: `Its kind is usually made to IP ${ip}, and IP X${asked} is asked for there.`,
            todo: 'Read the code off its plate or sheet, and enter it.',
          }));
        return [
          {
            id: l.id,
            title: `is in ${place.name}`,
            ...(hot ? {} : { why: `IP X${asked} is asked for there; ${typical ? 'its kind is usually' : 'it is'} IP ${ip}.` }),
          },
        ];
      }),
    // Where only its code is asked for there is nothing to move.
    cure: (design, finding) => (finding.severity === 'note' ? null : elsewhere()(design, finding)),
  },
  {
    id: 'ways',
    about: 'panel',
    severity: 'stop',
    reads: ['panels.ways', 'panels.partOfId', 'circuits.from'],
    when: 'more circuits start at a panel and the parts of its body than it has ways',
    why: 'A way feeds one circuit.',
    todo: 'Add ways, or regroup.',
    hazard: 'none',
    confirm: 'eyes',
    source: SOURCES.maker,
    find: ({ design }) =>
      design.panels.flatMap((p): readonly Told[] => {
        const parts = design.panels.filter((x) => x.partOfId === p.id);
        const ways = [p, ...parts].reduce((sum, x) => sum + waysOf(design, x.id).length, 0);
        return when(p.partOfId === null && ways > p.ways, () => ({
          id: p.id,
          title: `has ${p.ways} ways and ${ways} circuits${parts.length > 0 ? `, those of ${parts.map((x) => x.name).join(', ')} among them` : ''}`,
        }));
      }),
    cure: (design, { about }) => {
      const ways = design.panels
        .filter((p) => p.id === about.id || p.partOfId === about.id)
        .reduce((sum, p) => sum + waysOf(design, p.id).length, 0);
      return ways <= MOST_WAYS ? [setOp(design, ['panels', about.id, 'ways'], ways)] : null;
    },
  },
  {
    id: 'part-of',
    about: 'panel',
    severity: 'fix',
    reads: ['panels.partOfId', 'panels.placeId', 'panels.family'],
    when: 'a part of a block is elsewhere than the block, takes other devices, or is a part of a part',
    why: 'One body stands in one place and takes one kind of device.',
    todo: 'Give both the same place and devices, or make it a block of its own.',
    hazard: 'none',
    confirm: 'eyes',
    source: SOURCES.data,
    find: ({ design }) =>
      design.panels.flatMap((p): readonly Told[] => {
        const body = rowOf(design.panels, p.partOfId);
        if (p.partOfId === null) return [];
        const wrong = !body
          ? 'is part of a block that is gone'
          : body.id === p.id || body.partOfId !== null
            ? `is part of ${body.name}, which is a part itself`
            : body.placeId !== p.placeId
              ? `is part of ${body.name}, which is in another place`
              : body.family !== p.family
                ? `is part of ${body.name}, whose ways take other devices`
                : null;
        return when(wrong !== null, () => ({ id: p.id, title: wrong ?? '' }));
      }),
    cure: (design, { about }) => {
      const body = rowOf(design.panels, rowOf(design.panels, about.id)?.partOfId);
      return body && body.id !== about.id && body.partOfId === null
        ? [setOp(design, ['panels', about.id, 'placeId'], body.placeId), setOp(design, ['panels', about.id, 'family'], body.family)]
        : [setOp(design, ['panels', about.id, 'partOfId'], null)];
    },
  },
  {
    id: 'way-class',
    about: 'circuit',
    severity: 'fix',
    reads: ['circuits.supply', 'circuits.from'],
    when: 'a circuit entered as always live starts at a panel whose feed is switched',
    why: 'It dies with the feed: it is not what it is entered as.',
    todo: 'A part of the block with a feed of its own that is always live, or another way to feed it.',
    hazard: 'flooding',
    confirm: 'a meter',
    source: SOURCES.data,
    find: ({ design, feederOf }) =>
      design.circuits.flatMap((c): readonly Told[] => {
        const feeder = c.from.kind === 'panel' ? feederOf.get(c.from.id) : undefined;
        return when(c.supply === 'always live' && c.taps.length > 0 && feeder !== undefined && feeder.supply !== 'always live', () => ({
          id: c.id,
          title: `is entered as always live; ${rowOf(design.panels, c.from.id)?.name ?? 'its panel'} is fed "${feeder?.supply ?? ''}"`,
        }));
      }),
    cure: (design, { about }) => {
      const c = rowOf(design.circuits, about.id);
      const body = rowOf(design.panels, c?.from.id);
      const { panels } = servingOf(design.circuits);
      const live = design.panels.find(
        (p) => p.partOfId !== null && p.partOfId === (body?.partOfId ?? body?.id) && panels.get(p.id)?.supply === 'always live',
      );
      return live ? [setOp(design, ['circuits', about.id, 'from'], { kind: 'panel', id: live.id })] : null;
    },
  },
  {
    id: 'no-feeder',
    about: 'panel',
    severity: 'stop',
    reads: ['circuits.taps', 'circuits.from'],
    when: 'circuits start at a panel that nothing feeds',
    why: 'Nothing reaches its circuits.',
    todo: 'Wiring, "propose".',
    hazard: 'none',
    confirm: 'nothing',
    source: SOURCES.data,
    find: ({ design, feederOf, loops }) =>
      design.panels.flatMap((p): readonly Told[] => {
        const loop = loops.find((l) => l.nodes.includes(p.id));
        return when(waysOf(design, p.id).length > 0 && !feederOf.has(p.id), () => ({
          id: p.id,
          title: 'has no feeder',
          ...(loop?.edges[0] === undefined ? {} : { cause: `loop:${loop.edges[0]}` }),
        }));
      }),
    cure: (design, { about }) => {
      const { panels } = servingOf(design.circuits);
      const bus = design.panels.find((p) => p.kind === 'bus' && p.id !== about.id && panels.get(p.id)?.supply === 'house switch');
      const [bank] = design.banks;
      const panel = rowOf(design.panels, about.id);
      const from = bus ? { kind: 'panel' as const, id: bus.id } : bank && { kind: 'bank' as const, id: bank.id };
      if (!from || !panel || panels.has(about.id)) return null;
      const id = idsFor(design)('c');
      const feed: Circuit = {
        ...blankCircuit(id, '', `${panel.name} feeder`, from),
        supply: 'house switch',
        taps: [{ id: `${id}-1`, parent: null, serves: { kind: 'panel', id: panel.id }, tapedM: null }],
      };
      return [addOp(design, 'circuits', feed)];
    },
  },
  {
    id: 'panel-family',
    about: 'panel',
    severity: 'stop',
    reads: ['panels.family', 'banks'],
    when: 'the devices of a panel may not be used where it is',
    why: 'Its devices cannot interrupt what a short there would bring.',
    todo: 'Use a panel whose devices can, a current-limiting fuse (class T) proved for the pair by its maker, or a longer or thinner feeder.',
    hazard: 'fire',
    confirm: 'eyes',
    source: SOURCES.dc,
    find: ({ design, results }) =>
      design.panels.flatMap((p): readonly Told[] => {
        const unfit = waysOf(design, p.id)
          .flatMap((c) => results.get(c.id) ?? [])
          .find((c) => p.family !== null && c.own.protection.noneAllowed);
        const [refusal] = unfit?.own.protection.refused ?? [];
        return when(unfit !== undefined, () => ({
          id: p.id,
          title: `may not hold ${refusal?.family ?? 'its'}s`,
          why: `Each ${refusal?.reason ?? 'is refused'}.`,
          ...shortIsCause(unfit?.own.protection.shortOf ?? null),
          ...(unfit?.own.protection.asksMaker ? { severity: 'fix' as const, todo: ASK_SHORT } : {}),
        }));
      }),
    cure: (design, { about }) => [setOp(design, ['panels', about.id, 'family'], null)],
  },
  {
    id: 'sending-end',
    about: 'panel',
    severity: 'note',
    reads: ['circuits', 'banks', 'places'],
    when: 'a short right at a way lets more through than the thin conductor withstands',
    why: 'The device opens, but lets more through first than the thin conductors withstand.',
    todo: 'Replace such a run after a fault, or fit a current-limiting fuse (class T) upstream.',
    hazard: 'fire',
    confirm: 'nothing',
    source: SOURCES.dc,
    find: ({ design, results }) =>
      design.panels.flatMap((p): readonly Told[] => {
        const own = waysOf(design, p.id).flatMap((c) => results.get(c.id) ?? []);
        const spoiled = own.filter((c) => c.own.state.fault?.passes && !c.own.state.fault.sendingPasses);
        return when(spoiled.length > 0, () => ({
          id: p.id,
          title: `a short at ${spoiled.length === own.length ? 'any' : spoiled.length} of its ways would spoil the cable there`,
          why: `The device opens, but lets more through first than the thin conductors withstand: ${spoiled
            .slice(0, 4)
            .map((c) => c.name)
            .join(', ')}${spoiled.length > 4 ? ` and ${spoiled.length - 4} more` : ''}.`,
        }));
      }),
  },
  {
    id: 'panel-total',
    about: 'panel',
    severity: 'stop',
    reads: ['panels.maxTotalA', 'circuits', 'loads'],
    when: 'a panel carries more than its maker allows in all',
    why: 'Its bus bar overheats.',
    todo: 'Move heavy loads to the main bus.',
    hazard: 'fire',
    confirm: 'a meter',
    source: SOURCES.maker,
    find: ({ design, results, feederOf }) =>
      design.panels.flatMap((p): readonly Told[] => {
        const feeder = results.get(feederOf.get(p.id)?.id ?? '');
        return when(p.maxTotalA !== null && feeder !== undefined && feeder.workingA > p.maxTotalA, () => ({
          id: p.id,
          title: `carries ${feeder?.workingA.toFixed(0) ?? ''} A of ${p.maxTotalA ?? 0} A`,
        }));
      }),
  },
];
