/** What the hours of a job are counted from: ends, metres, things and awkward places, each with its names. */
import type { CircuitResult } from '../circuit';
import { type Design, rowOf } from '../design';
import { round3, show, small } from '../quantity';
import {
  BUS_BAR_MIN,
  ACCESS_MIN,
  CLIP_EVERY_M,
  CLIP_MIN,
  DEVICE_MIN,
  DRAWING_MIN,
  END_MIN,
  GLAND_MIN,
  HOLE_MIN,
  INLET_MIN,
  MACHINE_MIN,
  PANEL_MIN,
  PHOTOGRAPH_MIN,
  PULL,
  SHUNT_MIN,
  STRIP_MIN,
  STRIP_MIN_PER_M,
  SURVEY_MIN,
  TEST_MIN,
  type WorkKind,
} from '../rules';
import type { Lists } from './lists';
import type { MadePiece } from './made';
import { clipsOf, placesOf, pulledThrough } from './runs';

/** @field of names or lengths it is counted from */
export type Counted = readonly [kind: WorkKind, what: string, count: number, unit: string, each: number, of?: readonly string[]];

const circuitName = (c: { readonly no: string; readonly name: string }): string => `${c.no} ${c.name}`.trim();

function pulls(design: Design, circuits: readonly CircuitResult[], made: readonly MadePiece[]): Counted[] {
  const metres = new Map<keyof typeof PULL, number>();
  const runs = new Map<keyof typeof PULL, string[]>();
  const add = (way: keyof typeof PULL, m: number, name: string) => {
    metres.set(way, (metres.get(way) ?? 0) + m);
    runs.set(way, [...(runs.get(way) ?? []), `${name}: ${show(m, 'm', design.boat)}`]);
  };
  let clips = 0;
  for (const r of circuits) {
    const c = rowOf(design.circuits, r.id);
    if (!c || r.own.ladder.kept) continue;
    const through = pulledThrough(design, c, r.lengthM);
    for (const [way, m] of through) add(way, m, circuitName(c));
    clips += clipsOf(through, c);
  }
  // Battery cables, AC runs and small leads, each for itself.
  const others = made.reduce((m, { cut }) => (rowOf(design.circuits, cut.circuitId) ? m : m + cut.lengthM), 0);
  add('open', others, 'battery cables, AC runs and small leads');
  clips += others / CLIP_EVERY_M;
  return [
    ...[...metres].map(([way, m]): Counted => [
      'pull',
      way === 'open' ? 'run in the open' : `run, ${way}`,
      m,
      'm',
      PULL[way],
      runs.get(way),
    ]),
    [
      'support',
      'clip',
      Math.ceil(clips),
      '',
      CLIP_MIN,
      [
        `one every ${small(1000 * CLIP_EVERY_M, design.boat)} of ${show(clips * CLIP_EVERY_M, 'm', design.boat)} in the open; not what goes through conduit or up a mast`,
      ],
    ],
  ];
}

function ends(made: readonly MadePiece[]): Counted[] {
  const bySize = new Map<string, { count: number; minutes: number; of: string[] }>();
  let landed = 0;
  for (const { cut, ends: both } of [...made].sort((a, b) => a.cut.cores - b.cut.cores || b.cut.areaMm2 - a.cut.areaMm2))
    for (const e of both) {
      const key = `${cut.size}${e.inPlace ? ', in place' : ''}`;
      const line = bySize.get(key) ?? { count: 0, minutes: 0, of: [] };
      bySize.set(key, {
        count: line.count + cut.cores,
        minutes: line.minutes + e.minutes,
        of: [...line.of, `${cut.label}, ${e.terminal}: ${round3(e.minutes)} min`],
      });
      landed += cut.cores;
    }
  return [
    ...[...bySize].map(([what, { count, minutes, of }]): Counted => ['ends', what, count, 'ends', minutes / count, of]),
    ['land and torque', 'ends', landed, 'ends', END_MIN, [`both ends of ${made.length} pieces, each core for itself`]],
  ];
}

function fitted(design: Design, circuits: readonly CircuitResult[]): Counted[] {
  const onRuns = [
    ...design.circuits.flatMap((c) => c.devices.map((d) => ({ kind: d.kind, where: circuitName(c) }))),
    ...design.leads.flatMap((l) => l.through.map((d) => ({ kind: d.kind, where: l.name }))),
  ];
  const shunts = design.leads.flatMap((l) => l.through.filter((d) => d.kind === 'shunt').map(() => l.name));
  const devices = [
    ...onRuns.filter((d) => d.kind !== 'shunt' || !shunts.includes(d.where)).map((d) => `${d.kind}: ${d.where}`),
    ...circuits.flatMap((r) => {
      const c = rowOf(design.circuits, r.id);
      return c?.from.kind === 'bank' && !r.own.protection.missing ? [`at the post: ${circuitName(c)}`] : [];
    }),
    ...design.leads.filter((l) => l.fused).map((l) => `of a lead: ${l.name}`),
  ];
  const panels = [...design.panels.filter((p) => p.kind === 'panel' && p.partOfId === null), ...design.acPanels];
  const bars = [...design.panels.filter((p) => p.kind === 'bus'), ...design.bars.filter((b) => / bus$|bar$/.test(b.kind))];
  const machines = design.sources.filter((s) => s.outputOf === null && s.kind !== 'alternator' && s.kind !== 'portable');
  const inverters = design.acSources.filter((s) => s.inverter);
  const inlets = design.acSources.filter((s) => s.shore !== null);
  const units = inverters.reduce((n, s) => n + (s.inverter?.units ?? 0), 0);
  const names = (rows: readonly { readonly name: string }[]) => rows.map((r) => r.name);
  return [
    ['devices and panels', 'devices in line and at posts', devices.length, '', DEVICE_MIN, devices],
    ['devices and panels', 'panels cut out and hung', panels.length, '', PANEL_MIN, names(panels)],
    ['devices and panels', 'bus bars', bars.length, '', BUS_BAR_MIN, names(bars)],
    ['machines', 'shunts, with their gauges programmed', shunts.length, '', SHUNT_MIN, shunts],
    ['machines', 'chargers, converters, controllers', machines.length, '', MACHINE_MIN, names(machines)],
    ['machines', 'inverters', units, '', MACHINE_MIN, names(inverters)],
    ['machines', 'shore inlets', inlets.length, '', INLET_MIN, names(inlets)],
  ];
}

/** Everything but what goes by the day. */
export function counted(design: Design, circuits: readonly CircuitResult[], made: readonly MadePiece[], lists: Lists): Counted[] {
  const { stripOut } = lists.found;
  const touched = new Map(design.circuits.flatMap((c) => placesOf(design, c).map((p) => [p.id, p.name] as const)));
  const through = (kind: 'bulkhead' | 'gland') => lists.penetrations.filter((p) => (p.kind === 'bulkhead') === (kind === 'bulkhead'));
  const found = design.circuits.filter((c) => c.found !== null);
  const drawn = [...design.circuits, ...design.acCircuits].map(circuitName);
  const feeding = design.circuits.filter((c) => c.taps.length > 0);
  const places = [...touched.values()];
  const metres = (m: number) => show(m, 'm', design.boat);
  return [
    ['survey and drawings', 'circuits found', found.length, '', SURVEY_MIN, found.map(circuitName)],
    ['survey and drawings', 'circuits drawn and recorded', drawn.length, '', DRAWING_MIN, drawn],
    ['photographs and labels', 'places', places.length, '', PHOTOGRAPH_MIN, places],
    ['access', 'places opened and made good', places.length, '', ACCESS_MIN, places],
    [
      'holes and glands',
      'holes through bulkheads, sealed',
      through('bulkhead').length,
      '',
      HOLE_MIN,
      through('bulkhead').map((p) => p.place),
    ],
    ['holes and glands', 'glands', through('gland').length, '', GLAND_MIN, through('gland').map((p) => p.place)],
    [
      'strip-out',
      'wire',
      stripOut.reduce((m, l) => m + l.lengthM, 0),
      'm',
      STRIP_MIN_PER_M,
      stripOut.map((l) => `${l.circuit}: ${metres(l.lengthM)}`),
    ],
    ['strip-out', 'circuits', stripOut.length, '', STRIP_MIN, stripOut.map((l) => l.circuit)],
    ...pulls(design, circuits, made),
    ...fitted(design, circuits),
    ...ends(made),
    ['tests', 'DC circuits', feeding.length, '', TEST_MIN['DC circuit'], feeding.map(circuitName)],
    ['tests', 'heavy paths, part by part', design.leads.length, '', TEST_MIN['heavy path part'], design.leads.map((l) => l.name)],
    ['tests', 'AC circuits', design.acCircuits.length, '', TEST_MIN['AC circuit'], design.acCircuits.map(circuitName)],
  ];
}
