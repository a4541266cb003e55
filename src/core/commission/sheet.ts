/** The sheet a boat is commissioned by, made from her design: only what she has, in the order in which it is safe (docs/methods.md, M15). */
import { acCircuits } from '../ac';
import type { Analysis } from '../analysis';
import { bankSource, chemistryOf } from '../bank';
import { listsOf } from '../build';
import { compensatedV } from '../charging';
import type { CircuitResult } from '../circuit';
import { asDecided, type Circuit, type Design, kindOf, madeForV, rowOf, SERVICE_V } from '../design';
import { nominalW } from '../demand';
import { alarmsOf } from '../monitoring';
import { restV } from '../rules';
import { type Band, bandOf, clamp, even, type Limit, meter, type Spread } from './band';
import { type Element, pathOf } from './path';

export const STAGES = [
  'dead',
  'DC energised by stages',
  'circuits, each alone',
  'heavy paths',
  'charging',
  'AC, source by source',
  'monitor and alarms',
  'dead and live',
] as const;

/** Asked once, and again when they change. */
export interface Conditions {
  /** Rest volts of each bank, by id, where they were read. */
  readonly restV: Readonly<Record<string, number>>;
  readonly ambientC: number;
}

export const USUAL_CONDITIONS: Conditions = { restV: {}, ambientC: 20 };

export interface TestLine {
  readonly id: string;
  /** 0 to 7. */
  readonly stage: number;
  readonly what: string;
  /** State the boat is in. */
  readonly state: string;
  readonly probes: string;
  /** What is typed; 'seen': nothing is, it is looked at. */
  readonly unit: 'V' | 'mV' | 'A' | 'Ω' | 'kΩ' | 'MΩ' | 'ms' | '°C' | 'seen';
  readonly band: Band | null;
  readonly limit: Limit;
  readonly working: string;
  readonly hazard: string;
  readonly outside: string;
  /** Of a drop: the current it is stated at, A, and the elements it lies over; another current moves it in proportion. */
  readonly drop: { readonly atA: number; readonly elements: readonly Element[] } | null;
}

const NONE: Limit = { least: null, most: null };
const HEAVY_A = 50;
/** Sigma of a load's current: typical, its maker's, measured; two of them. */
const LOAD = { typical: 0.25, "maker's": 0.1, measured: 0.05, estimated: 0.25, assumed: 0.25 } as const;

type Given = Pick<TestLine, 'id' | 'what' | 'state' | 'probes' | 'unit'> & Partial<TestLine>;
const line = (stage: number, given: Given): TestLine => ({
  stage,
  band: null,
  limit: NONE,
  working: '',
  hazard: '',
  outside: '',
  drop: null,
  ...given,
});

/** Millivolts over elements at a current, with the band of all their causes; the meter and the clamp are shared. */
export function dropBand(elements: readonly Element[], amps: number, clamped = true): Band {
  const sum = elements.reduce((n, e) => n + e.mohm, 0);
  const mv = sum * amps;
  const shared = new Map<string, { up: number; down: number }>();
  const own: Spread[] = [];
  for (const e of elements)
    if (e.shared === null) own.push({ what: e.what, up: e.up * amps, down: e.down * amps });
    else {
      const had = shared.get(e.shared) ?? { up: 0, down: 0 };
      shared.set(e.shared, { up: had.up + e.up * amps, down: had.down + e.down * amps });
    }
  return bandOf(mv, [
    ...own,
    ...[...shared].map(([what, s]) => ({ what: `copper ${what}`, ...s })),
    meter(mv, mv < 200 ? 0.1 : 1),
    ...(clamped && amps > 0 ? [even('clamp', sum * clamp(amps))] : []),
  ]);
}

const emf = (design: Design, bankId: string, given: Conditions): number => {
  const read = given.restV[bankId];
  if (read !== undefined) return read;
  const bank = rowOf(design.banks, bankId);
  return bank ? restV(chemistryOf(bank), 1) * (bankSource(bank).nominalV / 12) : 12.7;
};

function dead(design: Design): TestLine[] {
  const eyes = (id: string, what: string, state: string): TestLine =>
    line(0, {
      id,
      what,
      state,
      probes: 'eyes and hands',
      unit: 'seen',
      outside: 'Put right, and looked at again, before anything is closed.',
    });
  const dc = design.banks.map((b) =>
    line(0, {
      id: `dead.ohms.${b.id}`,
      what: `positive to negative of all that hangs on ${b.name}`,
      state: 'its posts off, capacitors empty, fuses of standing loads out',
      probes: `positive cable to negative cable of ${b.name}, both ways round`,
      unit: 'kΩ',
      limit: { least: 1, most: null },
      working: 'after 30 s; what is always on reads lower: its fuse out',
      hazard: 'Never an insulation tester on a DC circuit: its volts kill electronics.',
      outside: 'Under 0.01 kΩ either way it is a short: stop, find it circuit by circuit.',
    }),
  );
  const hull = design.boat.hull === 'steel' || design.boat.hull === 'aluminium';
  const ac = acCircuits(design);
  return [
    eyes('dead.rings', 'rings, watch and chain off; everybody aboard told', 'all sources isolated, locked and proved dead'),
    eyes('dead.devices', 'ratings of all devices are those of the list', 'panels open'),
    eyes('dead.torque', 'every stud torqued and marked across, no free end, covers at hand', 'panels open'),
    eyes('dead.support', 'supported every 450 mm, no chafe, clear of heat and of what moves', 'runs in sight'),
    ...dc,
    ...(hull
      ? (['positive', 'negative'] as const).map((pole) =>
          line(0, {
            id: `dead.hull.${pole}`,
            what: `${pole} to the hull`,
            state: 'dead, bond to the engine apart',
            probes: `${pole} bus to bare hull`,
            unit: 'kΩ',
            limit: { least: 10, most: null },
            working: 'typical; verify',
            outside: 'A leak to a metal hull eats it: found before she is afloat.',
          }),
        )
      : []),
    ...ac.flatMap((r) => {
      const name = rowOf(design.acCircuits, r.id)?.name ?? r.id;
      const earthMohm = r.earth.r20OhmPerKm * r.lengthM;
      return [
        line(0, {
          id: `dead.insulation.${r.id}`,
          what: `insulation of AC ${name}`,
          state: 'shore lead out, generator and inverter locked, no DC on; hard-wired electronics disconnected and listed',
          probes: 'live and neutral joined, to protective earth; never live to neutral',
          unit: 'MΩ',
          limit: { least: 1, most: null },
          working: `${design.boat.acRegion === '230 V' ? 500 : 250} V DC for a minute`,
          hazard: 'The tester’s volts shock: discharge after it, reconnect, prove polarity again.',
          outside: 'What cannot be disconnected only with its maker’s consent; else it stands as “not tested”.',
        }),
        line(0, {
          id: `dead.earth.${r.id}`,
          what: `earth continuity of AC ${name}`,
          state: 'as before',
          probes: 'earth bar to earth of its farthest outlet, leads nulled',
          unit: 'Ω',
          band: bandOf(earthMohm / 1000, [even('length and copper', 0.16 * (earthMohm / 1000)), even('joints', 0.02), even('meter', 0.02)]),
          limit: { least: null, most: earthMohm / 1000 + 0.1 },
          working: `${r.lengthM.toFixed(1)} m of its earth, and 0.1 Ω at most for joints`,
          outside: 'An earth that is not there: every outlet behind it is unsafe.',
        }),
      ];
    }),
  ];
}

function energised(design: Design, given: Conditions): TestLine[] {
  return [
    ...design.banks.map((b) => {
      const volts = emf(design, b.id, given);
      const times = bankSource(b).nominalV / 12;
      return line(1, {
        id: `rest.${b.id}`,
        what: `rest volts of ${b.name}`,
        state: 'full, four hours at rest, its posts off',
        probes: `post to post of ${b.name}`,
        unit: 'V',
        band: bandOf(volts, [even('charge and rest', 0.1 * times), meter(volts, 0.01)]),
        working: given.restV[b.id] === undefined ? `a full ${chemistryOf(b).name} at 25 °C, typical` : 'as read before',
        outside: 'Charge and rest it first; a block apart from its neighbours is weak.',
      });
    }),
    ...design.banks
      .filter((b) => b.strings > 1)
      .map((b) => {
        const times = bankSource(b).nominalV / 12;
        const most = (b.chemistry === 'lfp' ? 0.05 : 0.1) * times;
        return line(1, {
          id: `strings.${b.id}`,
          what: `strings of ${b.name} against each other, before they are joined`,
          state: 'each full, rested, not yet joined',
          probes: 'post of one string to the same post of the next',
          unit: 'V',
          limit: { least: null, most },
          working: `within ${most.toFixed(2)} V, then joined through a lamp or a resistor`,
          hazard: 'Unlike batteries drive hundreds of amps into each other.',
          outside: 'Charge each alone until they agree.',
        });
      }),
    line(1, {
      id: 'first-closing',
      what: 'the first closing through a fuse of 5 to 10 A, or a lamp',
      state: 'every switch and breaker open; gauge’s sense fuse in after both shunt posts',
      probes: 'across the open contact: volts and polarity before it is closed',
      unit: 'seen',
      outside: 'It blows or the lamp lights: something draws that should not. Open again.',
    }),
    ...design.gauges
      .filter((g) => g.kind === 'counting')
      .map((g) =>
        line(1, {
          id: `zero.${g.id}`,
          what: `zero of ${g.name}`,
          state: 'nothing flows',
          probes: 'the gauge itself',
          unit: 'A',
          band: bandOf(0, [even('its step', Math.max(g.stepA, 0.05))]),
          working: 'then a known lamp must read minus, and agree with a clamp',
          outside: 'Set its zero; a wrong sign: its sense leads are crossed.',
        }),
      ),
    ...design.circuits
      .filter((c) => c.taps.some((t) => t.serves.kind === 'panel'))
      .map((c) =>
        line(1, {
          id: `polarity.${c.id}`,
          what: `polarity and volts of ${`${c.no} ${c.name}`.trim()}`,
          state: 'its device closed, every way of what it feeds open',
          probes: `positive to negative of ${c.taps.map((t) => rowOf(design.panels, t.serves.id)?.name ?? '').join(', ')}`,
          unit: 'V',
          band: bandOf(emf(design, bankBehind(design, c), given), [
            even('charge and rest', 0.2 * (madeForV(design.boat.systemV) / 12)),
            even('meter', 0.1),
          ]),
          outside: 'Open it again: crossed, or a joint is not made.',
        }),
      ),
  ];
}

function bankBehind(design: Design, circuit: Circuit): string {
  const seen = new Set<string>();
  for (let c: Circuit | undefined = circuit; c && !seen.has(c.id);) {
    seen.add(c.id);
    if (c.from.kind === 'bank') return c.from.id;
    const panelId: string = c.from.id;
    c = design.circuits.find((x) => x.taps.some((t) => t.serves.kind === 'panel' && t.serves.id === panelId));
  }
  return design.banks[0]?.id ?? '';
}

function circuitLines(design: Design, circuits: readonly CircuitResult[], given: Conditions): TestLine[] {
  const out: TestLine[] = [];
  for (const c of design.circuits) {
    const r = rowOf(circuits, c.id);
    if (!r) continue;
    for (const [i, t] of c.taps.entries()) {
      const load = t.serves.kind === 'load' ? rowOf(design.loads, t.serves.id) : undefined;
      if (!load || load.group === 'charging' || kindOf(load) === 'starter') continue;
      const amps = nominalW(load) / load.nominalV;
      const elements = pathOf(design, circuits, c.id, i, given.ambientC);
      if (elements.length === 0) continue;
      const heavy = amps >= HEAVY_A;
      const name = `${c.no} ${load.name}`.trim();
      const amp = LOAD[load.mark];
      out.push(
        line(heavy ? 3 : 2, {
          id: `amps.${c.id}.${t.id}`,
          what: `amps of ${name}`,
          state: 'it alone is on',
          probes: 'clamp round its positive, at the panel',
          unit: 'A',
          band: bandOf(amps, [even(`${load.mark} figure`, amp * amps), even('clamp', clamp(amps))]),
          working: `${nominalW(load).toFixed(0)} W at ${load.nominalV} V, ${load.mark}`,
          hazard: hazardOf(kindOf(load)),
          outside: 'Another machine than the list says, or it works harder than it should.',
        }),
        line(heavy ? 3 : 2, {
          id: `drop.${c.id}.${t.id}`,
          what: `volts lost to ${name}, there and back`,
          state: 'it alone is on; its amps as just read',
          probes: `bank + to its + terminal, and its − terminal to bank −; both added`,
          unit: 'mV',
          band: dropBand(elements, amps),
          limit: { least: null, most: (1000 * limitPct(design, load.critical) * design.boat.systemV) / 100 },
          working: `${elements.reduce((n, e) => n + e.mohm, 0).toFixed(2)} mΩ at ${amps.toFixed(1)} A, copper at ${given.ambientC} °C`,
          hazard: hazardOf(kindOf(load)),
          outside: 'Part by part along the path: one of them has what it should not.',
          drop: { atA: amps, elements },
        }),
      );
    }
  }
  return out;
}

const limitPct = (design: Design, critical: boolean): number => (critical ? design.house.criticalDropPct : design.house.generalDropPct);

const hazardOf = (kind: ReturnType<typeof kindOf>): string =>
  kind === 'windlass or thruster'
    ? 'Windlass: chain secured, clutch free. Thruster: afloat, propellers clear, a look-out. Its duty is not exceeded.'
    : kind === 'blower' || kind === 'radar'
      ? 'Clear of what turns and of what radiates.'
      : '';

function charging(design: Design, given: Conditions): TestLine[] {
  return design.sources
    .filter((s) => s.outputOf === null)
    .flatMap((s) => {
      const bank = rowOf(design.banks, s.bankId);
      const times = bank ? bankSource(bank).nominalV / 12 : design.boat.systemV / 12;
      const volts = compensatedV(s.regulator.absorptionV, s, bank, given.ambientC);
      const alternator = s.kind === 'alternator';
      return [
        ...(s.kind === 'solar' && s.solar
          ? [
              line(4, {
                id: `array.${s.id}`,
                what: `open volts of ${s.name}`,
                state: 'array disconnected from its controller',
                probes: 'positive to negative of the array',
                unit: 'V' as const,
                band: bandOf(s.solar.vocV * s.solar.series, [
                  even('temperature', (Math.abs(s.solar.vocPctPerC) / 100) * 20 * s.solar.vocV * s.solar.series),
                  even('its maker', 0.05 * s.solar.vocV * s.solar.series),
                ]),
                limit: { least: null, most: s.solar.controllerV },
                working: `${s.solar.series} in series of ${s.solar.vocV} V`,
                hazard: 'An array is live whenever there is light: it cannot be switched off, only covered.',
                outside: 'Crossed polarity kills the controller: prove it before it is plugged.',
              }),
            ]
          : []),
        line(4, {
          id: `absorbs.${s.id}`,
          what: `absorption volts of ${s.name}`,
          state: alternator ? 'engine at cruising speed, after half an hour, machine warm' : 'after bulk, amps falling',
          probes: bank ? `at the posts of ${bank.name}` : 'at its bank',
          unit: 'V',
          band: bandOf(volts, [even('regulator', 0.1 * times), meter(volts, 0.01)]),
          working: `set to ${s.regulator.absorptionV.toFixed(2)} V${volts !== s.regulator.absorptionV ? `, ${volts.toFixed(2)} V at ${given.ambientC} °C` : ''}`,
          hazard: alternator ? 'Belt and fan: sleeves and hair. Never open its cable while it turns.' : '',
          outside: 'Sensed elsewhere than thought, a sensor missing, or set otherwise.',
        }),
        line(4, {
          id: `gives.${s.id}`,
          what: `largest amps of ${s.name}`,
          state: alternator
            ? 'engine at cruising speed, bank at 60 % or less, machine hot'
            : s.kind === 'solar'
              ? 'full sun, bank not full'
              : 'bank at 60 % or less',
          probes: 'clamp round its positive',
          unit: 'A',
          band: bandOf(s.ratedA * (alternator && s.alternator ? s.alternator.hotFactor : 1), [
            even(s.kind === 'solar' ? 'sun' : 'its curve', (s.kind === 'solar' ? 0.5 : 0.15) * s.ratedA),
            even('clamp', clamp(s.ratedA)),
          ]),
          working: alternator ? `${s.ratedA} A, hot ${Math.round(100 * (s.alternator?.hotFactor ?? 1))} %` : `${s.ratedA} A as rated`,
          outside: 'Belt, speed, field; or the bank takes no more: read its volts too.',
        }),
      ];
    });
}

function acLines(design: Design): TestLine[] {
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
      hazard: 'Live AC behind a cover: one hand, insulated probes, or leave it to who is licensed.',
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

/** @param given what was read before; expected figures follow. */
export function testSheet(whole: Design, analysis: Analysis, given: Conditions): readonly TestLine[] {
  const design = asDecided(whole);
  const alarms = design.banks.flatMap((b) => alarmsOf(design, b).lines.map((a) => ({ b, a })));
  const lists = listsOf(design, analysis.circuits);
  const named = (ids: readonly string[]) => ids.map((id) => rowOf(design.loads, id)?.name ?? id).join(', ');
  return [
    ...dead(design),
    ...energised(design, given),
    ...circuitLines(design, analysis.circuits, given),
    ...charging(design, given),
    ...acLines(design),
    ...design.gauges
      .filter((g) => g.kind === 'counting')
      .map((g) =>
        line(6, {
          id: `set.${g.id}`,
          what: `${g.name} is set as its sheet says`,
          state: 'bank full',
          probes: 'the gauge’s own menu against the sheet of Monitoring',
          unit: 'seen',
        }),
      ),
    ...alarms.map(({ b, a }) =>
      line(6, {
        id: `alarm.${b.id}.${a.id}`.replaceAll(' ', '-'),
        what: `${a.what}, ${b.name}: at ${a.value}`,
        state: 'everything else quiet',
        probes: a.proof,
        unit: 'seen',
        outside: 'An alarm nobody hears is none.',
      }),
    ),
    ...lists.positions.map((p) =>
      line(7, {
        id: `position.${p.id}`,
        what: `switches: ${p.name}`,
        state: 'switches as named',
        probes: `live: ${named(p.live) || 'nothing'}. Dead: ${named(p.dead) || 'nothing'}`,
        unit: 'seen',
        outside: 'What is live and should be dead is found before she is left alone.',
      }),
    ),
  ].sort((a, b) => a.stage - b.stage);
}

/** A line's band as the current really was. */
export const bandAt = (l: TestLine, amps: number | null): Band | null =>
  l.drop !== null && amps !== null && amps > 0 ? dropBand(l.drop.elements, amps) : l.band;
