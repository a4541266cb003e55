/** The walk-round: what only eyes can see, asked place by place of this boat's own things (docs/methods.md, "Walk-round"). */
import { type About, blankFault, blankFound, type Circuit, type Design, type FoundFault, type Op, rowOf, setOp } from '../design';
import { chemistryOf } from '../bank';
import { small } from '../quantity';
import { CLIP_EVERY_M, type CONDITIONS } from '../rules';
import { placeIdOf } from './where';

export interface WalkItem {
  /** Stable while its thing is there: records of it are kept by it. */
  readonly id: string;
  readonly placeId: string | null;
  readonly about: About;
  /** What is well, in words: it is, or it is not. */
  readonly ask: string;
  readonly why: string;
  /** What the design says of it already; null: nothing, or no field of it holds it. */
  readonly known: boolean | null;
  /** What is entered when it is well, and when it is not; empty: it stays a record. */
  readonly well: readonly Op[];
  readonly bad: readonly Op[];
  /** Conditions its wire may be found in, where it is not well: taken up as found. */
  readonly conditions: readonly FoundFault['kind'][];
}

type Ops = readonly (Op | undefined)[];
type Kind = (typeof CONDITIONS)[number]['id'];
const some = (ops: Ops): readonly Op[] => ops.flatMap((op) => op ?? []);

type Add = (
  key: string,
  about: About,
  ask: string,
  why: string,
  rest?: {
    readonly placeId?: string | null;
    readonly known?: boolean | null;
    readonly well?: Ops;
    readonly bad?: Ops;
    readonly conditions?: readonly Kind[];
  },
) => void;

/** A yes or no of the design, set by what is seen. @param yes what it is set to when it is well. */
const fact = (design: Design, path: readonly string[], value: unknown, yes: unknown = true, no: unknown = false) => ({
  known: value === yes ? true : value === no ? false : null,
  well: [setOp(design, path, yes)],
  bad: [setOp(design, path, no)],
});

function places(design: Design, add: Add): void {
  for (const p of design.places) {
    const about: About = { kind: 'place', id: p.id };
    const at = { placeId: p.id };
    const holds = [...design.panels, ...design.sources, ...design.acSources, ...design.acPanels, ...design.banks].some(
      (t) => t.placeId === p.id,
    );
    if (holds) {
      add(`dry-${p.id}`, about, 'it is dry, also when heeled and in rain', 'Salt water on live metal corrodes, tracks and burns.', {
        ...at,
        ...fact(design, ['places', p.id, 'wet'], p.wet, false, true),
      });
      add(`drips-${p.id}`, about, 'nothing drips there from above', 'Condensation and deck leaks find the machine under them.', {
        ...at,
        ...fact(design, ['places', p.id, 'drips'], p.drips, false, true),
      });
    }
    const through = design.circuits.filter((c) => c.via.includes(p.id) || placeIdOf(design, { kind: 'circuit', id: c.id }) === p.id);
    if (through.length > 0) {
      add(
        `ties-${p.id}`,
        about,
        `cables are held every ${small(1000 * CLIP_EVERY_M, design.boat)}, and nothing chafes them`,
        'What hangs works until its ends break; what chafes shorts.',
        at,
      );
      if (p.exhaust || p.moving)
        add(
          `clear-${p.id}`,
          about,
          'cables are clear of the exhaust and of what moves, and clamped on both sides',
          'Insulation melts, or a belt takes them along.',
          {
            ...at,
            known: through.every((c) => c.guarded) ? true : null,
            well: through.map((c) => setOp(design, ['circuits', c.id, 'guarded'], true)),
            bad: through.map((c) => setOp(design, ['circuits', c.id, 'guarded'], false)),
          },
        );
    }
    if (p.engineSpace || p.vapour)
      add(`loose-${p.id}`, about, 'no loose or taped-off ends, no clip-on leads', 'A loose end may be live, and sparks.', at);
  }
}

function banks(design: Design, add: Add): void {
  for (const b of design.banks) {
    const about: About = { kind: 'bank', id: b.id };
    const seen = (key: keyof typeof b.mounting) => fact(design, ['banks', b.id, 'mounting', key], b.mounting[key]);
    add(`held-${b.id}`, about, 'it is held down: pulled by hand it does not move', 'In a knockdown it flies.', seen('held'));
    add(`covered-${b.id}`, about, 'its positive posts are covered', 'A dropped spanner welds itself on and burns.', seen('covered'));
    if (chemistryOf(b).leadAcid)
      add(
        `vented-${b.id}`,
        about,
        'it is aired, out at the top to the open',
        'Charging makes hydrogen: a spark sets it off.',
        seen('vented'),
      );
    add(
      `posts-${b.id}`,
      about,
      'its posts are bright and tight, four terminals on each at the most, the largest lowest',
      'A loose or green post heats under load and drops volts.',
    );
    add(`swollen-${b.id}`, about, 'its cases are neither swollen, cracked nor wet', 'A block that bulges is failing, and may vent.');
  }
}

function panels(design: Design, add: Add): void {
  for (const p of design.panels) {
    const about: About = { kind: 'panel', id: p.id };
    add(`labels-${p.id}`, about, 'every way says what it feeds, and it is so', 'Somebody will need the right one in the dark.');
    add(
      `backs-${p.id}`,
      about,
      'behind it: no browned plastic, loose strands, bare metal or missing covers',
      'Heat leaves its marks before it burns.',
    );
    add(`marks-${p.id}`, about, 'fuses and breakers carry marks of amps and DC volts', 'What is not marked opens at nobody knows what.');
  }
}

/** Ends of a run: what is found goes to the row it is kept in as found. */
const END_CONDITIONS: readonly Kind[] = [
  'green',
  'strands-lost',
  'loose-strands',
  'failed-crimp',
  'wrong-barrel',
  'one-crimp',
  'no-sleeve',
  'gap',
  'liquid-coating',
  'open-fork',
  'set-screw',
  'steel-washer',
  'clip-on',
  'unmarked-device',
  'chafed',
  'cracked',
  'burnt',
  'unlabelled',
];

function runs(design: Design, add: Add): void {
  for (const c of design.circuits)
    if (c.found !== null && c.found.decision !== 'remove')
      add(
        `ends-${c.id}`,
        { kind: 'circuit', id: c.id },
        'both ends: every strand in a barrel of its size, crimped, sleeved, bright, marked',
        'A bad end heats, and lets go when it is needed.',
        { known: c.found.faults.length > 0 ? false : null, conditions: END_CONDITIONS },
      );
  const switches = [...design.circuits.flatMap((c) => c.devices), ...design.leads.flatMap((l) => l.through)].filter(
    (d) => d.kind === 'battery switch',
  );
  for (const d of switches)
    add(
      `switch-${d.id}`,
      { kind: 'boat', id: 'boat' },
      'the battery switch is reached without going past what burns, and turns',
      'In a fire somebody must reach it.',
      { placeId: d.placeId },
    );
}

function charging(design: Design, add: Add): void {
  for (const s of design.sources) {
    if (s.outputOf !== null || s.insteadOfId !== null) continue;
    const about: About = { kind: 'source', id: s.id };
    if (s.kind === 'alternator') {
      add(`belt-${s.id}`, about, 'its belt is tight, unworn, in line, and leaves no dust', 'A slipping belt gives no amps and glazes.');
      add(
        `boots-${s.id}`,
        about,
        'its main post is booted, its lug tight, its leads clamped within a hand’s breadth',
        'It is live at all times, beside bare iron that shakes.',
      );
      if (s.alternator?.suppressor)
        add(
          `surge-${s.id}`,
          about,
          'its suppressor’s lug lies under the main lug, its lamp is seen',
          'It must stay when the main lug falls off.',
          {
            ...(s.alternator.suppressorPart
              ? fact(design, ['sources', s.id, 'alternator', 'suppressorPart', 'underMainLug'], s.alternator.suppressorPart.underMainLug)
              : {}),
          },
        );
    } else if (s.kind !== 'portable')
      add(
        `air-${s.id}`,
        about,
        'it has its air, fins upright, and is not too hot to touch while it works',
        'Without air it gives less, and dies young.',
      );
  }
}

function ac(design: Design, add: Add): void {
  for (const s of design.acSources) {
    const about: About = { kind: 'AC source', id: s.id };
    if (s.shore) {
      add(
        `inlet-${s.id}`,
        about,
        'inlet and cord show no browning, no green pins, no cuts',
        'A poor contact at full current starts fires.',
      );
      add(
        `ashore-${s.id}`,
        about,
        'its main is at the inlet or as near as entered, and opens when its test button is pressed',
        'Before it nothing opens.',
      );
    }
    if (s.inverter) {
      add(
        `aired-${s.id}`,
        about,
        'it has free air all round',
        'It shuts down or burns.',
        fact(design, ['acSources', s.id, 'inverter', 'aired'], s.inverter.aired),
      );
      add(
        `sheltered-${s.id}`,
        about,
        'nothing can drip into it',
        'Water inside is live at mains volts.',
        fact(design, ['acSources', s.id, 'inverter', 'dry'], s.inverter.dry),
      );
      add(`sleeps-${s.id}`, about, 'a sign at it and at the panel says that it may wake', 'Asleep it looks dead to every tester.');
    }
    if (s.generator)
      add(
        `set-${s.id}`,
        about,
        'its exhaust, fuel and water are tight, its guards are on',
        'Carbon monoxide and fuel kill before electricity does.',
      );
  }
  for (const p of design.acPanels) {
    const about: About = { kind: 'AC panel', id: p.id };
    add(
      `bars-${p.id}`,
      about,
      'neutral and earth end on bars of their own',
      'Joined there, current runs in the earth and in the water.',
      fact(design, ['acPanels', p.id, 'barsApart'], p.barsApart),
    );
    add(
      `linked-${p.id}`,
      about,
      'no link joins neutral and earth in it',
      'A second bond puts current into the water.',
      fact(design, ['acPanels', p.id, 'linked'], p.linked, false, true),
    );
    if (p.besideDcId !== null)
      add(
        `barrier-${p.id}`,
        about,
        'a barrier stands between AC and DC',
        'A slipped tool joins them.',
        fact(design, ['acPanels', p.id, 'barrier'], p.barrier),
      );
  }
}

function rest(design: Design, add: Add): void {
  for (const b of design.bars)
    if (b.kind === 'bonding bus' || b.kind === 'underwater metal')
      add(
        `bond-${b.id}`,
        { kind: 'bar', id: b.id },
        'straps are whole and bright; anodes have half of them left',
        'What is not bonded, or has no anode, is eaten.',
      );
  for (const l of design.loads)
    if (l.critical)
      add(
        `works-${l.id}`,
        { kind: 'load', id: l.id },
        'it works, and its ends are dry',
        'Somebody’s life hangs on it. That it works proves nothing of its fuse.',
      );
  for (const g of design.gauges)
    add(
      `zero-${g.id}`,
      { kind: 'gauge', id: g.id },
      'with everything off it shows what draws always, and no more',
      'Otherwise something goes round it, or draws unseen.',
    );
}

/** All of it, place by place in the order of the list of places; what has no place last. */
export function walkOf(design: Design): readonly WalkItem[] {
  const out: WalkItem[] = [];
  const add: Add = (key, about, ask, why, { placeId, known = null, well = [], bad = [], conditions = [] } = {}) => {
    out.push({
      id: key,
      placeId: placeId === undefined ? placeIdOf(design, about) : placeId,
      about,
      ask,
      why,
      known,
      well: some(well),
      bad: some(bad),
      conditions,
    });
  };
  places(design, add);
  banks(design, add);
  panels(design, add);
  runs(design, add);
  charging(design, add);
  ac(design, add);
  rest(design, add);
  const order = new Map(design.places.map((p, i) => [p.id, i]));
  const last = design.places.length;
  return out
    .map((item, i) => ({ item, i }))
    .sort((a, b) => (order.get(a.item.placeId ?? '') ?? last) - (order.get(b.item.placeId ?? '') ?? last) || a.i - b.i)
    .map(({ item }) => item);
}

/** What is seen at an end of a wire, added to how it was found; a circuit not yet entered as found becomes one that is. */
export function foundOps(design: Design, circuitId: string, fault: FoundFault): readonly Op[] {
  const circuit: Circuit | undefined = rowOf(design.circuits, circuitId);
  if (!circuit) return [];
  const found = circuit.found ?? blankFound(design.boat.ruleSet);
  return some([setOp(design, ['circuits', circuitId, 'found'], { ...found, faults: [...found.faults, fault] })]);
}

/** A condition with nothing measured. */
export const seenFault = (id: string, kind: FoundFault['kind'], alike = 1, strands: FoundFault['strands'] = null): FoundFault => ({
  ...blankFault(id, kind),
  alike,
  strands,
});
