/** Stage 5: AC, source by source. */
import { acCircuits } from '../../ac';
import { type AcSource, type Design, rowOf, SERVICE_V } from '../../design';
import type { GensetStart } from '../../network';
import { bandOf, even } from '../band';
import { line, type TestLine } from '../line';

/** Two sigma of a loop's ohms: pedestal, length, joints. Ours. */
const LOOP_SPREAD = 0.4;
/** What an outlet is loaded with to see its volts under load, W. */
const TEST_LOAD_W = 1500;
/** From the pedestal to the outlet, a part of its volts. */
const MOST_FALL = 0.05;
const COVER = 'Live AC behind a cover: one hand, insulated probes, or leave it to who is licensed.';

/** @param starts a generator's start as the network has it: volts at its solenoid at rest and while the engine cranks. */
export function acLines(design: Design, starts: (source: AcSource) => GensetStart | null): TestLine[] {
  return [
    ...sourceLines(design),
    ...branchLines(design),
    ...transferLines(design),
    ...design.acSources.flatMap((s) => [...inletLines(s), ...inverterLines(s), ...generatorLines(s, starts(s))]),
  ];
}

/** Of each branch: its loop with every source, and its outlets under a load. */
function branchLines(design: Design): TestLine[] {
  return acCircuits(design).flatMap((r) => {
    if (r.feeder) return [];
    const run = rowOf(design.acCircuits, r.id);
    const name = run?.name ?? r.id;
    const plugged = (run?.outlets ?? 0) > 0;
    return [
      ...r.faults.map((f) =>
        line(5, {
          id: `loop.${r.id}.${f.sourceId}`,
          what: `loop of live and earth, ${name}, on ${rowOf(design.acSources, f.sourceId)?.name ?? ''}`,
          state: 'that source alone is on; the tester in its no-trip mode',
          probes: plugged ? 'loop tester at its farthest outlet' : 'loop tester at the terminals of what it feeds, its cover off',
          unit: 'Ω',
          band: bandOf(f.loopOhm, [even('pedestal, length and joints', LOOP_SPREAD * f.loopOhm), even('tester', 0.05)]),
          working: `${f.loopOhm.toFixed(2)} Ω: a dead short to earth draws ${f.amps.toFixed(0)} A and is cut by ${f.cutBy}`,
          hazard: COVER,
          outside: 'Higher: a loose earth or neutral. The device may not open in time: nothing is used until it is found.',
        }),
      ),
      ...(plugged
        ? [
            line(5, {
              id: `outlet.${r.id}`,
              what: `fall of volts at the farthest outlet of ${name} as about ${TEST_LOAD_W} W go on`,
              state: 'its source steady; a heater of known watts plugged in',
              probes: 'live to neutral at that outlet: before less during',
              unit: 'V' as const,
              limit: { least: null, most: MOST_FALL * r.spanV },
              working: `5 % from the pedestal on is the most; ${r.totalPct.toFixed(2)} % at ${r.amps.toFixed(1)} A as it is calculated`,
              hazard: COVER,
              outside: 'It flickers or warms: the outlet’s own terminals first.',
            }),
          ]
        : []),
    ];
  });
}

/** Transfers: never two sources, and none left through the neutral. */
const transferLines = (design: Design): TestLine[] =>
  design.acPanels
    .filter((p) => p.transfer !== 'none')
    .map((p) =>
      line(5, {
        id: `transfer.${p.id}`,
        what: `transfer of ${p.name}: in every position one source, and in between none`,
        state: 'each source on in turn, then two at once; no load',
        probes: 'a lamp on the panel, a meter on the dead source’s own live and neutral: nothing comes back',
        unit: 'seen',
        hazard: COVER,
        outside: 'Two sources meet, or a dead inlet’s pins are live: locked off until it is changed.',
      }),
    );

function inletLines(s: AcSource): TestLine[] {
  const { shore } = s;
  if (!shore || shore.isolation === 'none') return [];
  return [
    line(5, {
      id: `isolator.${s.id}`,
      what: `${shore.isolation} of ${s.name}`,
      state: shore.isolation === 'galvanic isolator' ? 'shore lead out; then with it in, nothing running' : 'shore lead out, then in',
      probes:
        shore.isolation === 'galvanic isolator'
          ? 'diode test over it both ways, leads nulled: 0.8 to 1.2 V each way; with shore on, no steady volts over it above 1 V'
          : 'pedestal’s earth to the boat’s: open; secondary neutral to the boat’s earth: joined, once',
      unit: 'seen',
      hazard: COVER,
      outside: 'Shorted it protects no metal; open it leaves no earth: nobody aboard until it is changed.',
    }),
  ];
}

function inverterLines(s: AcSource): TestLine[] {
  const { inverter } = s;
  if (!inverter) return [];
  return [
    ...(inverter.rest === 'sleeps'
      ? [
          line(5, {
            id: `wake.${s.id}`,
            what: `${s.name} wakes for the smallest thing it is to run`,
            state: 'asleep, everything off; then that thing alone',
            probes: 'eyes; its outlets are treated as live all the while',
            unit: 'seen' as const,
            hazard: 'Asleep it looks dead to every tester, and wakes when touched.',
            outside: 'Its search threshold lower, or its sleep off.',
          }),
        ]
      : []),
    line(5, {
      id: `off.${s.id}`,
      what: `${s.name} is dead with its DC disconnect open`,
      state: 'disconnect open, capacitors empty',
      probes: 'live to neutral and live to earth at its nearest outlet',
      unit: 'V' as const,
      limit: { least: null, most: 1 },
      working: 'nothing feeds it but its cable',
      hazard: COVER,
      outside: 'Another source comes through its transfer: found before anybody opens it.',
    }),
  ];
}

function generatorLines(s: AcSource, start: GensetStart | null): TestLine[] {
  if (!s.generator || !start) return [];
  return [
    line(5, {
      id: `solenoid.${s.id}`,
      what: `volts at the start solenoid of ${s.name} while its starter turns`,
      state: 'remote start pressed with the bank as it usually is; once more while the engine cranks',
      probes: 'over the solenoid’s own coil',
      unit: 'V',
      limit: { least: start.pullInV, most: null },
      working: `${start.atRestV.toFixed(2)} V at rest, ${start.engineV.toFixed(2)} V while the engine cranks; it pulls in at ${start.pullInV.toFixed(2)} V`,
      hazard: 'It starts by itself: locked out by hand before anybody reaches in; belts, exhaust, carbon monoxide.',
      outside: 'Heavier run, a relay at the machine, or a nearer switch: AC compares them.',
    }),
  ];
}

function sourceLines(design: Design): TestLine[] {
  const volts = SERVICE_V[design.boat.acRegion];
  return design.acSources.flatMap((s) => [
    line(5, {
      id: `bond.${s.id}`,
      what: `bond of neutral and earth, ${s.name}`,
      state: s.kind === 'shore' ? 'lead in, selector on shore' : `${s.name} alone is on`,
      probes: 'neutral to earth at the panel',
      unit: 'V',
      limit: { least: null, most: 2 },
      working: s.kind === 'shore' ? 'joined ashore, never aboard' : 'joined in the source, once',
      hazard: COVER,
      outside: 'Earth floats or is joined twice: off, and the bonds looked at.',
    }),
    line(5, {
      id: `volts.${s.id}`,
      what: `volts and polarity, ${s.name}`,
      state: `${s.name} alone is on`,
      probes: 'live to neutral, live to earth, at an outlet tester',
      unit: 'V',
      band: bandOf(volts, [even('service', 0.1 * volts)]),
      hazard: 'Crossed live and neutral: everything switched off stays live.',
      outside: 'Off at once; the lead, the inlet, the source.',
    }),
    ...(s.kind === 'inverter'
      ? []
      : [
          line(5, {
            id: `leak.${s.id}`,
            what: `residual device of ${s.name} at its rated current`,
            state: 'loads off',
            probes: 'tester at the nearest outlet behind it',
            unit: 'ms',
            limit: { least: null, most: 100 },
            working: 'at its rated current, main device; the pedestal’s tripping with it is no failure. 5 mA class by its own test: verify',
            outside: 'It does not trip: it protects nobody. Changed before anything is used.',
          }),
        ]),
  ]);
}
