/** The workings of the AC side: a run, an inverter on its battery, a generator, a setting's room (docs/methods.md, M12). */
import {
  type AcCircuitResult,
  acCircuits,
  ASSUMED_PEDESTAL_OHM,
  chainsTo,
  cordOhm,
  cordPct,
  INTERRUPTS,
  INTERRUPTS_AT_LEAST,
  runningOn,
  settingsOf,
  withBreakers,
  sourceOhm,
  TRANSFORMER_UK,
  transformerOhm,
  vaOf,
} from '../ac';
import { type GeneratorAnswer, type InverterAnswer } from '../network';
import type { AcPower } from '../check';
import { type Design, rowOf } from '../design';
import { CONDUCTORS, RIPPLE, DROP_PCT, TOTAL_DROP_PCT } from '../rules';
import { type Kind, round3, show, sizeName, type Units } from '../quantity';
import { COMES_FIRST } from './circuit';
import type { Neighbour, Working, WorkingLine } from './types';

const line = (label: string, value: number, kind: Kind, text: string, extra: Partial<WorkingLine> = {}): WorkingLine => ({
  label,
  value,
  kind,
  text,
  ...extra,
});
const ohms = (ohm: number) => `${round3(ohm)} Ω`;
const SHOCK = `AC kills: lead out and breaker off at both ends, inverter disconnect open, proved dead. ${COMES_FIRST}`;

/** A run of the AC side; undefined where it is not there. */
export function acCircuitWorking(design: Design, id: string, units: Units): Working | undefined {
  const at = design.acCircuits.findIndex((c) => c.id === id);
  const [c, r] = [design.acCircuits[at], acCircuits(design)[at]];
  if (!c || !r) return undefined;
  const sourceName = (sourceId: string) => rowOf(design.acSources, sourceId)?.name ?? '';
  const rows = design.acLoads.filter((l) => c.loadIds.includes(l.id));
  const shores = chainsTo(design, c).filter((x) => x.source.shore !== null);
  return {
    title: `${c.no} ${c.name}`.trim(),
    neighbours: neighboursOf(design, r, c.size !== null),
    margins: marginsOf(r, units),
    beside: otherSchool(design, id),
    cautions: [SHOCK],
    sections: [
      {
        title: 'What it carries',
        lines: [
          ...rows.map((l) =>
            line(l.name, vaOf(design, l) / r.volts, 'A', show(vaOf(design, l) / r.volts, 'A', units), {
              formula: `${round3(vaOf(design, l))} VA ÷ ${r.volts} V`,
              mark: l.mark,
            }),
          ),
          line(
            r.feeder ? 'as much as what feeds it' : c.outlets > 0 ? 'outlets, or the largest plugged in' : 'together',
            r.amps,
            'A',
            show(r.amps, 'A', units),
          ),
          line(c.ratingA === null ? 'breaker, next rating' : 'breaker, pinned', r.ratingA, 'A', `${round3(r.ratingA)} A`, {
            source: `${r.family.name}; ${r.family.source}`,
            mark: 'typical',
          }),
          line('interrupts', INTERRUPTS[r.family.id] ?? 0, 'A', `${round3(INTERRUPTS[r.family.id] ?? 0)} A`, {
            source: `${round3(INTERRUPTS_AT_LEAST[design.boat.acRegion][r.feeder ? 'main' : 'branch'])} A at least; verify`,
            mark: 'typical',
          }),
          line('length', r.lengthM, 'm', show(r.lengthM, 'm', units), {
            mark: c.lengthM === null ? 'estimated' : 'measured',
            source: c.lengthM === null ? 'from where its ends stand, slack at both' : 'taped',
          }),
        ],
      },
      {
        title: 'What each test asks for',
        lines: r.rungs.map((x) =>
          line(x.test, 0, 'none', x.size === null ? 'no size in the table' : sizeName(r.conductor.school, x.size), {
            source: x.says,
            breaks: r.failing.includes(x.test),
          }),
        ),
      },
      {
        title: c.size ? 'Pinned' : `Chosen, governed by ${r.governs}`,
        lines: [
          line(
            c.earthSize === null ? `${r.cores.length} cores, all alike` : `${r.cores.length - 1} cores and a lighter earth`,
            r.conductor.areaMm2,
            'none',
            sizeName(r.conductor.school, r.conductor.size),
          ),
          line('earth', r.earth.areaMm2, 'none', sizeName(r.earth.school, r.earth.size), {
            source: `${sizeName(r.earthLeast.school, r.earthLeast.size)} at least behind ${round3(r.ratingA)} A; verify`,
            breaks: r.earth.areaMm2 < r.earthLeast.areaMm2 - 1e-9,
          }),
          line('terminals good for', r.terminalC, 'C', show(r.terminalC, 'C', units), {
            source: c.terminalC === null ? 'the least of the inlet’s and the school’s; verify against the device' : 'entered for this run',
            mark: c.terminalC === null ? 'typical' : "maker's",
          }),
          line('ampacity', r.izA, 'A', show(r.izA, 'A', units), {
            formula: `${r.conductor.ampacityA[r.derating.ratingC] ?? 0} A × ${round3(r.derating.fAmbient)} (heat) × ${round3(r.derating.fBundle)} (bundle) × ${round3(r.derating.fEnclosure)} (enclosure)`,
          }),
          line('drop in this run', r.ownDropPct, 'pct', `${round3(r.ownDropPct)} %`, {
            formula: `2 × ${show(r.conductor.r20OhmPerKm, 'ohmPerKm', units)} × 1.157 × ${show(r.lengthM, 'm', units)} × ${round3(r.amps)} A ÷ ${r.spanV} V`,
          }),
          line('drop aboard', r.dropPct, 'pct', `${round3(r.dropPct)} %`, {
            source: `feeder and branch, out and back, copper at ${show(60, 'C', units)}; ${DROP_PCT} % is the most`,
            breaks: r.dropPct > DROP_PCT + 1e-9,
          }),
          line('from the pedestal on', r.totalPct, 'pct', `${round3(r.totalPct)} %`, {
            source: `${TOTAL_DROP_PCT} % is the most`,
            breaks: r.totalPct > TOTAL_DROP_PCT + 1e-9,
          }),
        ],
      },
      ...shores.map(({ source }) => ({
        title: `${source.name}: the cord`,
        lines: [
          line('cord, out and back', cordOhm(source), 'none', ohms(cordOhm(source)), { source: `copper at ${show(40, 'C', units)}` }),
          line('at its rating', cordPct(source, source.ratedA), 'pct', `${round3(cordPct(source, source.ratedA))} %`, {
            formula: `${source.ratedA} A × ${ohms(cordOhm(source))}`,
          }),
        ],
      })),
      {
        title: 'A live case at its far end',
        lines: r.faults.flatMap((f) => {
          const source = rowOf(design.acSources, f.sourceId);
          return [
            line(`on ${sourceName(f.sourceId)}`, f.amps, 'A', show(f.amps, 'A', units), {
              formula: `${r.volts} V ÷ ${ohms(f.loopOhm)}`,
              source:
                source?.kind === 'shore'
                  ? `pedestal ${ohms(sourceOhm(source) - transformerOhm(source))}${transformerOhm(source) > 0 ? `, transformer ${ohms(transformerOhm(source))} (uk ${100 * TRANSFORMER_UK} %, typical)` : ''}${source.shore?.pedestalOhm == null ? `, assumed (${ASSUMED_PEDESTAL_OHM} Ω where nobody asked)` : ''}`
                  : 'what the machine gives into a short',
              mark: source?.kind === 'shore' && source.shore?.pedestalOhm != null ? 'measured' : 'assumed',
            }),
            line('cut by', f.opensS, 's', f.cutBy === 'breaker' ? `its breaker in ${round3(f.opensS)} s` : f.cutBy, {
              source: `within ${f.withinS} s`,
              breaks: f.cutBy === 'nothing',
            }),
          ];
        }),
      },
    ],
  };
}

/** How much longer, and how much more loaded, it may become with the size it has. */
function marginsOf(r: AcCircuitResult, units: Units): readonly string[] {
  if (r.failing.length > 0 || r.amps <= 0 || r.ownDropPct <= 0) return [];
  const left = (DROP_PCT - r.dropPct + r.ownDropPct) / r.ownDropPct;
  return [`${show(r.lengthM * left, 'm', units)} of run`, `${round3(Math.min(r.izA, r.ratingA, r.amps * left))} A`];
}

/** What the other school would take for it, its sizes free. */
function otherSchool(design: Design, id: string): string {
  const ruleSet = design.boat.ruleSet === 'awg' ? 'metric' : 'awg';
  const free = design.acCircuits.map((c) => ({ ...c, size: null, earthSize: null, family: null }));
  const r = acCircuits({ ...design, boat: { ...design.boat, ruleSet }, acCircuits: free }).find((x) => x.id === id);
  if (!r) return '';
  return `The ${ruleSet === 'awg' ? 'AWG' : 'metric'} school would take ${sizeName(r.conductor.school, r.conductor.size)} and ${round3(r.ratingA)} A, governed by ${r.governs}.`;
}

function neighboursOf(design: Design, r: AcCircuitResult, pinned: boolean): Neighbour[] {
  const sizes = CONDUCTORS[design.boat.ruleSet];
  const at = sizes.findIndex((s) => s.size === r.conductor.size);
  const one = (label: string, i: number): Neighbour[] => {
    const s = sizes[i];
    if (!s) return [];
    const own = (100 * 2 * s.r20OhmPerKm * 1.157 * r.lengthM * r.amps) / 1000 / r.spanV;
    const iz = (s.ampacityA[r.derating.ratingC] ?? 0) * r.derating.factor;
    return [
      {
        label,
        size: sizeName(s.school, s.size),
        passes: iz >= r.ratingA,
        figures: [`${round3(iz)} A`, `${round3(own)} % in this run`, iz >= r.ratingA ? 'carries its breaker' : 'fails ampacity'],
      },
    ];
  };
  return [...one('one down', at - 1), ...one(pinned ? 'pinned' : 'chosen', at), ...one('one up', at + 1)];
}

/** A source: an inverter on its battery, a generator, or what a pedestal leaves room for. */
export function acSourceWorking(design: Design, power: AcPower, id: string, units: Units): Working | undefined {
  const source = rowOf(design.acSources, id);
  if (!source) return undefined;
  const inverter = power.inverters.find((i) => i.id === id);
  const generator = power.generators.find((g) => g.id === id);
  return {
    title: source.name,
    neighbours: [],
    margins: [],
    cautions: [
      ...(inverter
        ? ['An inverter asleep looks dead to every tester and wakes when touched: DC disconnect open and locked before any work.']
        : []),
      ...(generator ? ['Carbon monoxide kills asleep: exhaust and alarms first. It may start by itself: start switch locked off.'] : []),
      SHOCK,
    ],
    sections: [
      ...withBreakers(design, settingsOf(design))
        .filter((s) => s.sourceId === id)
        .map((s) => {
          const { wanted } = runningOn(design, s, design.acRules.wanted, false);
          const l = s.limit;
          return {
            title: s.name,
            lines: [
              line(
                'gives',
                l.volts * l.amps * l.legs,
                'none',
                `${l.legs === 2 ? '2 × ' : ''}${round3(l.amps)} A at ${l.volts} V`,
                l.kva === null ? {} : { source: `${round3(l.kva)} kVA, ${round3(l.kw ?? 0)} kW at most` },
              ),
              line('wanted together', wanted.va, 'none', `${round3(wanted.va)} VA`, {
                formula: `√(Σ W² + Σ var²), ${wanted.ids.length} appliances`,
                source: `${round3(wanted.watts)} W`,
              }),
              line('room', wanted.roomVa, 'none', `${round3(wanted.roomVa)} VA`, { breaks: wanted.roomVa < 0 }),
              ...(l.legs === 2
                ? [
                    line(
                      'legs, and neutral',
                      wanted.legs.neutralA,
                      'A',
                      `${wanted.legs.amps.map(round3).join(' and ')} A; neutral ${round3(wanted.legs.neutralA)} A`,
                    ),
                  ]
                : []),
            ],
          };
        }),
      ...(inverter ? inverterSections(design, inverter, units) : []),
      ...(generator ? generatorSections(generator, units) : []),
    ],
  };
}

function inverterSections(design: Design, i: InverterAnswer, units: Units): Working['sections'] {
  const source = rowOf(design.acSources, i.id)?.inverter;
  const volts = (v: number) => (Number.isNaN(v) ? 'not wired' : v > 0 ? `${v.toFixed(2)} V` : 'collapses');
  return [
    {
      title: 'Its output',
      lines: [
        line('continuous where it is mounted', i.va, 'none', `${round3(i.va)} VA`, {
          formula: `${source?.va ?? 0} VA × (1 − ${source?.lossPctPerC ?? 0} % × ${round3(Math.max(0, i.ambientC - (source?.atC ?? 25)))} K)`,
          mark: "maker's",
        }),
        ...i.starts.map((s) =>
          line(`${s.name} starting`, s.va, 'none', `${round3(s.va)} VA`, {
            source: `bears ${round3(s.bearsVa)} VA for ${round3(s.seconds)} s`,
            breaks: !s.passes,
          }),
        ),
      ],
    },
    {
      title: `From the battery, at ${Math.round(100 * design.acRules.inverterSoc)} % charge`,
      lines: [
        line('wanted set', i.dcW, 'W', show(i.dcW, 'W', units), {
          formula: `${round3(i.wantedW)} W ÷ ${source?.efficiency ?? 1} + ${source?.idleW ?? 0} W idling`,
        }),
        line('volts at its posts', i.dcV, 'V', volts(i.dcV), { source: 'the whole network, with what runs long', breaks: i.dcV < i.minV }),
        line('amps', i.dcA, 'A', show(i.dcA, 'A', units)),
        line('volts at full output', i.fullV, 'V', volts(i.fullV), {
          source: `it stops at ${i.minV.toFixed(2)} V`,
          breaks: i.fullV < i.minV,
        }),
        line('amps at full output', i.fullA, 'A', show(i.fullA, 'A', units)),
        line('heating cable and fuse', i.heatingA, 'A', show(i.heatingA, 'A', units), {
          formula: `${round3(i.fullA)} A × ${RIPPLE}`,
          source: 'ripple at twice the line frequency; up to 1.22',
          mark: 'typical',
          breaks: i.wired !== null && i.heatingA > i.wired.izA,
        }),
        ...(i.wired
          ? [
              line('its cable carries', i.wired.izA, 'A', show(i.wired.izA, 'A', units), {
                source: `${sizeName(i.wired.conductor.school, i.wired.conductor.size)}, ${show(i.wired.lengthM, 'm', units)} one way`,
              }),
              line('its device', i.wired.ratingA, 'A', i.wired.fused ? `${round3(i.wired.ratingA)} A ${i.wired.deviceName}` : 'none', {
                breaks: !i.wired.fused || i.fullA > i.wired.ratingA,
              }),
              line('case earth', 0, 'none', i.caseHas ? sizeName(i.caseHas.school, i.caseHas.size) : 'none', {
                source: i.caseWanted ? `one size below its DC positive: ${sizeName(i.caseWanted.school, i.caseWanted.size)}` : '',
                breaks: !i.caseHas || (i.caseWanted !== null && i.caseHas.areaMm2 < i.caseWanted.areaMm2 - 1e-9),
              }),
            ]
          : []),
      ],
    },
    {
      title: 'Hours and idling',
      lines: [
        line('from full to the end of the window', i.hoursFromFull, 'h', show(i.hoursFromFull, 'h', units), {
          source: 'at the rate of the draw (Peukert)',
        }),
        line(`from ${Math.round(100 * design.acRules.inverterSoc)} %`, i.hoursFromSoc, 'h', show(i.hoursFromSoc, 'h', units)),
        line('left on, a day', i.idleAhDay, 'Ah', show(i.idleAhDay, 'Ah', units), {
          formula: `24 h × ${source?.idleW ?? 0} W ÷ ${i.nominalV} V`,
        }),
        ...(i.sleepAhDay === null
          ? []
          : [
              line('asleep, a day', i.sleepAhDay, 'Ah', show(i.sleepAhDay, 'Ah', units), {
                source: `saves ${round3(i.idleAhDay - i.sleepAhDay)} Ah a day, and looks dead while it does`,
              }),
            ]),
      ],
    },
  ];
}

function generatorSections(g: GeneratorAnswer, units: Units): Working['sections'] {
  return [
    {
      title: 'Motors, in the order to start them',
      lines: [
        ...g.starts.map((s) =>
          line(s.name, s.dip, 'pct', `dips ${round3(100 * s.dip)} %`, {
            source: `beside ${round3(s.besidesKva)} kVA; ${round3(100 * g.mostDip)} % is the most${s.by === 'maker' ? `; its maker’s ${round3(g.startKva ?? 0)} kVA decides` : ''}`,
            breaks: !s.passes,
          }),
        ),
        line('least rating for that', g.leastKva, 'none', `${round3(g.leastKva)} kVA`, {
          formula: `X'd ${g.xd} × start × (1 − dip) ÷ dip, or all that runs`,
        }),
      ],
    },
    {
      title: 'A day',
      lines: g.days.flatMap((d) => [
        line(`${d.name}: as planned`, d.hours, 'h', show(d.hours, 'h', units), {
          source: d.hours > 0 ? `${round3(d.litres)} L at ${Math.round(100 * d.part)} % of its rating` : 'it does not run',
        }),
        ...(d.needsH === null
          ? []
          : [
              line(`${d.name}: to make what is lacking`, d.needsH, 'h', show(d.needsH, 'h', units), {
                formula: `${round3(d.lacksAh)} Ah ÷ ${round3(d.chargesA)} A`,
                source: 'at full charging current; the last part of a charge takes longer',
                breaks: d.hours < d.needsH - 0.05 && d.hours > 0,
              }),
            ]),
      ]),
    },
    ...(g.start
      ? [
          {
            title: 'Remote start',
            lines: [
              line('at the solenoid before anything turns', g.start.atRestV, 'V', `${g.start.atRestV.toFixed(2)} V`, {
                source: `pulls in at ${g.start.pullInV.toFixed(2)} V`,
                breaks: g.start.atRestV < g.start.pullInV,
              }),
              line('while the engine’s starter turns', g.start.engineV, 'V', `${g.start.engineV.toFixed(2)} V`, {
                breaks: g.start.engineV < g.start.pullInV,
              }),
              line('while its own starter turns', g.start.turningV, 'V', `${g.start.turningV.toFixed(2)} V`, {
                source: `lets go at ${g.start.holdInV.toFixed(2)} V`,
                breaks: !g.start.holds,
              }),
              line('its starter', g.start.starterA, 'A', show(g.start.starterA, 'A', units), {
                source: `on ${g.start.bankName}: ${g.start.starterV.toFixed(2)} V at its terminals`,
                mark: g.start.typical ? 'typical' : "maker's",
              }),
            ],
          },
        ]
      : []),
  ];
}
