/** A large boat for the bench: 200 loads on about 120 circuits, or as many as are asked for. Prints it as a design file, or times the core on it. --thousand prints one of 1000 loads on 1000 circuits. */
import { analyse, APPLIANCES, createMemory, loadFrom, proposeCircuits } from '../src/core';
import { blankFault, applyEdit, blankFound, deltaOf, type Design, setOp, withDelta } from '../src/core/design';
import { marram } from '../src/server/demo/marram';
import { largeBoat as thousand } from '../src/testing/largeBoat';

function largeBoat(most: number): Design {
  const base = marram();
  const places = new Set(base.places.map((p) => p.id));
  const loads = Array.from({ length: 200 }, (_, i) => {
    const appliance = APPLIANCES[i % APPLIANCES.length];
    if (!appliance) throw new Error('no appliance');
    return { ...loadFrom(appliance, `n${i}`, 12, places), name: `${appliance.name} ${i}` };
  });
  // A bank to match: ten times the demo's, or nothing would start.
  const banks = base.banks.map((b) => ({ ...b, blockAh: b.blockAh * 10 }));
  const bare: Design = { ...base, boat: { ...base.boat, name: 'Bench' }, banks, loads, circuits: [], panels: [] };
  let n = 0;
  const { panels, circuits } = proposeCircuits(bare, (prefix) => `${prefix}b${++n}`);
  // Bring it to that many circuits: the smallest neighbours are joined on one way.
  const joined = [...circuits];
  for (let i = joined.length - 2; i >= 0 && joined.length > most; i--) {
    const [a, b] = [joined[i], joined[i + 1]];
    if (
      !a ||
      !b ||
      a.from.id !== b.from.id ||
      a.supply !== b.supply ||
      a.taps.concat(b.taps).some((t) => t.serves.kind === 'panel') ||
      a.taps.length > 2
    )
      continue;
    const last = a.taps[a.taps.length - 1]?.id ?? null;
    joined.splice(i, 2, { ...a, taps: [...a.taps, ...b.taps.map((t) => ({ ...t, parent: t.parent ?? last }))] });
  }
  return { ...bare, panels: [...panels], circuits: joined };
}

/** Every load on a circuit of its own, as many as it takes. */
const onePerWay = (design: Design): Design => ({
  ...design,
  panels: design.panels.map((p) => ({ ...p, ways: 60 })),
  circuits: design.circuits.flatMap((c) =>
    c.taps.some((t) => t.serves.kind === 'panel')
      ? [c]
      : c.taps.map((t, i) => ({ ...c, id: i === 0 ? c.id : `${c.id}-${i}`, taps: [{ ...t, parent: null }] })),
  ),
});

/** The boat found aboard: every other circuit is kept as it was, aged and with bad joints. */
const asFoundBoat = (design: Design): Design => ({
  ...design,
  circuits: design.circuits.map((c, i) =>
    i % 2 === 0
      ? c
      : {
          ...c,
          found: {
            ...blankFound('metric'),
            decision: i % 4 === 1 ? ('keep' as const) : ('undecided' as const),
            kind: 'bare strands' as const,
            ageYears: 25,
            lengthM: 4 + (i % 7),
            faults: [blankFault('f1', 'green'), blankFault('f2', 'open-fork', 4)],
          },
        },
  ),
});

/** Edits until the engine has compiled what they run through, and those measured after. */
const [WARM, MEASURED] = [200, 400];

const [, , act, circuits = '122'] = process.argv;
const design = largeBoat(Number(circuits));
if (act === '--thousand') process.stdout.write(JSON.stringify(thousand(1000)));
else if (act === '--print') process.stdout.write(JSON.stringify(design));
else {
  time('', design);
  time(', half of them as found', asFoundBoat(onePerWay(design)));
}

function time(what: string, design: Design): void {
  const median = (xs: number[]) => [...xs].sort((a, b) => a - b)[Math.floor(xs.length / 2)] ?? NaN;
  const worst = (xs: number[]) => Math.max(...xs);
  console.log(`core: ${design.loads.length} loads on ${design.circuits.length} circuits${what}`);
  for (let i = 0; i < 3; i++) analyse(design);
  const cold: number[] = [];
  for (let i = 0; i < 9; i++) {
    const from = performance.now();
    analyse(design);
    cold.push(performance.now() - from);
  }
  const memory = createMemory();
  let current = design;
  analyse(current, memory);
  const edits: number[] = [];
  for (let i = 0; i < WARM + MEASURED; i++) {
    const load = current.loads[(i * 37) % current.loads.length];
    if (!load) continue;
    const next = applyEdit(current, { ops: [setOp(current, ['loads', load.id, 'rating'], load.rating * (i % 2 ? 1.07 : 0.94) + 0.1)] });
    if (!next.ok) continue;
    // As it comes to the worker: what changed, copied.
    const delta = structuredClone(deltaOf(current, next.design));
    const from = performance.now();
    current = withDelta(current, delta);
    analyse(current, memory);
    edits.push(performance.now() - from);
  }
  console.log(`  whole analysis afresh: median ${median(cold).toFixed(1)} ms`);
  const warm = edits.slice(WARM);
  console.log(
    `  after one edit of a load, taken in and all analysed: median ${median(warm).toFixed(1)} ms, worst ${worst(warm).toFixed(1)} ms of ${warm.length} (aim: 6 ms median); of the first ${WARM}, while the engine still compiles, ${median(edits.slice(0, WARM)).toFixed(1)} ms`,
  );
}
