/** Ways out of what is found on a circuit: heavier copper, another device, another way, the rest. */
import type { Analysis } from '../analysis';
import { addOp, ALONGS, blankCircuit, blankPanel, type Circuit, type Design, idsFor, type Op, rowOf, setOp } from '../../design';
import { sizeName } from '../../quantity';
import { CONDUCTORS, DC_FAMILIES, FAMILY_ORDER } from '../../rules';
import { servingOf, upFrom } from '../../topology';
import type { Series, Try } from './try';

/** Sizes heavier that are tried of a shared part. */
const FEEDER_STEPS = 4;

const pinOf = (design: Design, c: Circuit, change: Partial<Circuit['pin']>): Op | undefined =>
  setOp(design, ['circuits', c.id, 'pin'], { ...c.pin, ...change });

/** Sizes of the boat's school heavier than what a circuit has. */
export function heavier(design: Design, analysis: Analysis, id: string) {
  const now = rowOf(analysis.circuits, id)?.own.state.conductor.areaMm2 ?? Infinity;
  return CONDUCTORS[design.boat.ruleSet].filter((s) => s.areaMm2 > now + 1e-9);
}

/** Families that are customary where a circuit starts; a panel made for one takes no other. */
function customary(design: Design, { from }: Circuit): readonly string[] {
  if (from.kind === 'bank') return FAMILY_ORDER.bank;
  const panel = rowOf(design.panels, from.id);
  if (panel?.kind === 'bus') return FAMILY_ORDER.bus;
  return panel?.family ? [] : ['blade', 'maxi-blade', 'panel-breaker'];
}

export function devices(design: Design, c: Circuit, analysis: Analysis): Series[] {
  const now = rowOf(analysis.circuits, c.id)?.own.protection;
  const larger = DC_FAMILIES.find((f) => f.id === now?.familyId)?.ratingsA.filter((r) => r > (now?.ratingA ?? 0)) ?? [];
  return [
    ...DC_FAMILIES.filter((f) => f.id !== now?.familyId && customary(design, c).includes(f.id)).map((f): Series => [
      {
        id: `family-${f.id}`,
        say: `a ${f.name} instead of the ${now?.familyName ?? 'device'}`,
        ops: [pinOf(design, c, { family: f.id, ratingA: null })],
      },
    ]),
    larger.slice(0, 2).map((r) => ({
      id: `rating-${r}`,
      say: `${r} A instead of ${now?.ratingA ?? 0} A: a larger device loses less`,
      ops: [pinOf(design, c, { ratingA: r })],
    })),
    c.pin.ratingA === null && c.pin.family === null
      ? []
      : [{ id: 'device', say: 'the device left to the program', ops: [pinOf(design, c, { family: null, ratingA: null })] }],
  ];
}

export function copper(design: Design, c: Circuit, analysis: Analysis): Series[] {
  const own = heavier(design, analysis, c.id).map((s): Try => ({
    id: `own-${s.size}`,
    say: `${sizeName(s.school, s.size)} in its own run`,
    ops: [pinOf(design, c, { size: { school: s.school, size: s.size } }), setOp(design, ['circuits', c.id, 'stepDown'], true)],
  }));
  const shared = upFrom(design.circuits, c.id)
    .filter((up) => up.id !== c.id)
    .map((up): Series =>
      heavier(design, analysis, up.id)
        .slice(0, FEEDER_STEPS)
        .map((s) => {
          const size = { school: s.school, size: s.size };
          return {
            id: `shared-${up.id}-${s.size}`,
            say: `${sizeName(s.school, s.size)} in ${`${up.no} ${up.name}`.trim()}`,
            ops: up.pin.size ? [pinOf(design, up, { size })] : [setOp(design, ['circuits', up.id, 'together'], size)],
          };
        }),
    );
  return [own, ...shared];
}

/** Other ways to lead it: from nearer the bank, from a panel near it, along another side, in two. */
export function ways(design: Design, c: Circuit): Series[] {
  const fresh = idsFor(design);
  const out: Series[] = [];
  const feeder = c.from.kind === 'panel' ? servingOf(design.circuits).panels.get(c.from.id) : undefined;
  if (feeder) {
    const name =
      (feeder.from.kind === 'panel' ? rowOf(design.panels, feeder.from.id) : rowOf(design.banks, feeder.from.id))?.name ?? 'the bank';
    out.push([
      {
        id: 'own-way',
        say: `a way of its own from ${name}`,
        ops: [
          setOp(design, ['circuits', c.id, 'from'], feeder.from),
          setOp(design, ['circuits', c.id, 'supply'], feeder.supply),
          setOp(design, ['circuits', c.id, 'stepDown'], true),
        ],
      },
    ]);
    const load = rowOf(design.loads, c.taps.find((t) => t.serves.kind === 'load')?.serves.id);
    const place = rowOf(design.places, load?.placeId);
    if (load && place) {
      const panel = {
        ...blankPanel(fresh('p'), `Panel, ${place.name.toLowerCase()}`, 'panel', place.id),
        family: 'panel-breaker',
        ways: 6,
      };
      const id = fresh('c');
      const near = design.circuits.filter(
        (x) =>
          x.from.id === c.from.id &&
          x.taps.length > 0 &&
          x.taps.every((t) => t.serves.kind === 'load' && rowOf(design.loads, t.serves.id)?.placeId === place.id),
      );
      const feed: Circuit = {
        ...blankCircuit(id, c.no ? `${c.no}f` : '', `${panel.name} feeder`, feeder.from),
        supply: feeder.supply,
        stepDown: true,
        taps: [{ id: `${id}-1`, parent: null, serves: { kind: 'panel', id: panel.id }, tapedM: null }],
      };
      const moved = near.some((x) => x.id === c.id) ? near : [...near, c];
      out.push([
        {
          id: 'second-panel',
          say: `a second panel in ${place.name.toLowerCase()}, with ${moved.length} of the circuits there`,
          ops: [
            addOp(design, 'panels', panel),
            addOp(design, 'circuits', feed),
            ...moved.map((x) => setOp(design, ['circuits', x.id, 'from'], { kind: 'panel', id: panel.id })),
          ],
        },
      ]);
    }
  }
  for (const along of ALONGS)
    if (along !== c.along)
      out.push([
        {
          id: `along-${along}`,
          say: `led ${along === 'straight' ? 'straight' : along === 'under the sole' ? along : `along the ${along}`}, if it can be`,
          ops: [setOp(design, ['circuits', c.id, 'along'], along)],
        },
      ]);
  if (c.taps.length > 1) {
    const at = Math.ceil(c.taps.length / 2);
    const [stay, go] = [c.taps.slice(0, at), c.taps.slice(at)];
    const id = fresh('c');
    const gone = new Set(stay.map((t) => t.id));
    const second: Circuit = {
      ...blankCircuit(id, c.no ? `${c.no}b` : '', `${c.name}, second half`, c.from),
      supply: c.supply,
      stepDown: true,
      taps: go.map((t) => (t.parent !== null && gone.has(t.parent) ? { ...t, parent: null, tapedM: null } : t)),
    };
    out.push([
      {
        id: 'split',
        say: `split: ${go.length} of its ${c.taps.length} on a way of their own`,
        ops: [setOp(design, ['circuits', c.id, 'taps'], stay), addOp(design, 'circuits', second)],
      },
    ]);
  }
  return out;
}

export function rest(design: Design, c: Circuit): Series[] {
  return [
    c.pin.legs > 1 && !c.pin.ownDevices
      ? [{ id: 'per-leg', say: 'a device for each leg, at both ends', ops: [pinOf(design, c, { ownDevices: true })] }]
      : [],
    c.insulationC === 125 ? [] : [{ id: 'hot', say: 'cable for 125 °C', ops: [setOp(design, ['circuits', c.id, 'insulationC'], 125)] }],
    c.pin.size === null || c.found
      ? []
      : [
          {
            id: 'unpin',
            say: 'the size left to the program',
            ops: [pinOf(design, c, { size: null, legs: 1, ownDevices: false }), setOp(design, ['circuits', c.id, 'stepDown'], true)],
          },
        ],
    c.stepDown
      ? []
      : [{ id: 'step-down', say: 'step-down pieces at its ends', ops: [setOp(design, ['circuits', c.id, 'stepDown'], true)] }],
  ];
}
