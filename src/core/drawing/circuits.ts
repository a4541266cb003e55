/** Banks, panels and circuits on the line drawing. */
import type { CircuitResult } from '../circuit';
import { type Circuit, type Load, rowOf } from '../design';
import { bankPost, barNode, circuitOrder, panelBar, returnBar } from '../topology';
import { choiceName, round3, show } from '../quantity';
import { type Pen, said, symbolsOf } from './pen';
import type { About, SymbolKind, Tapped } from './types';

const symbolOf = (load: Load): SymbolKind => {
  if (load.group === 'lights' || load.group === 'navigation') return 'lamp';
  if (load.group === 'charging') return /alternator/i.test(load.name) ? 'generator' : 'converter';
  if (load.behaviour === 'current' || load.group === 'pump' || load.group === 'blower') return 'rotating';
  if (load.group === 'heavy' && load.behaviour === 'power') return 'converter';
  return 'load';
};

/** Volts between two nodes of the study that is shown; '' without one. */
function voltsBetween({ wish }: Pen, node: string, back: string): string {
  const v = (wish.study?.nodes[node] ?? NaN) - (wish.study?.nodes[back] ?? NaN);
  return Number.isNaN(v) ? '' : `${v.toFixed(2)} V`;
}

export function putBanks(pen: Pen): void {
  for (const b of pen.design.banks)
    pen.put(
      `bank ${b.id}`,
      'cell',
      b.name,
      said(
        `${b.blockV * b.series} V ${round3(b.blockAh * b.strings)} Ah ${b.chemistry}`,
        b.strings > 1 && b.stringFuseA !== null ? `${b.strings} fuses of ${b.stringFuseA} A` : '',
        voltsBetween(pen, bankPost(b.id, '+'), bankPost(b.id, '-')),
      ),
      { kind: 'bank', id: b.id },
    );
}

/** Panels in the order the circuits reach them; those nothing feeds last. */
export function putPanels(pen: Pen): void {
  const { design, wish } = pen;
  const reached = circuitOrder(design.circuits).order.flatMap((c) =>
    c.taps.flatMap((t) => (t.serves.kind === 'panel' ? design.panels.filter((p) => p.id === t.serves.id) : [])),
  );
  for (const p of new Set([...reached, ...design.panels])) {
    const ways = design.circuits.filter((c) => c.from.kind === 'panel' && c.from.id === p.id).length;
    const used = p.kind === 'bus' ? '' : `${ways} of ${p.ways} ways`;
    const at = voltsBetween(pen, panelBar(p.id, '+'), panelBar(p.id, '-'));
    const more = { folded: wish.folded.has(p.id), ways };
    pen.put(`panel ${p.id}`, p.kind === 'bus' ? 'bar' : 'panel', p.name, said(used, at), { kind: 'panel', id: p.id }, more);
  }
}

export function drawCircuits(pen: Pen): void {
  const { design, analysis, wish } = pen;
  const results = new Map(analysis.circuits.map((r) => [r.id, r]));
  const volts = new Map(
    (wish.study?.loads ?? wish.worst?.loads ?? []).map((l) => [
      l.id,
      Number.isNaN(l.volts) ? 'dead' : `${l.volts.toFixed(2)} V${l.falls ? ', falls' : ''}`,
    ]),
  );
  for (const c of circuitOrder(design.circuits).order) {
    const r = results.get(c.id);
    const hidden = c.from.kind === 'panel' && wish.folded.has(c.from.id);
    if (r && !hidden) drawCircuit(pen, c, r, volts);
  }
}

function drawCircuit(pen: Pen, c: Circuit, r: CircuitResult, volts: ReadonlyMap<string, string>): void {
  const { design, wish } = pen;
  const units = design.boat;
  const { protection, state } = r.own;
  const about: About = { kind: 'circuit', id: c.id };
  const taps = c.taps.map((_, i) => tapped(pen, c, r, i, volts));
  // Loads alone are drawn as one thing with its taps; a run that goes on to a panel is drawn segment by segment.
  const stacked = c.taps.length > 1 && c.taps.every((t) => t.serves.kind !== 'panel');
  const thingAt = (at: number): string => {
    const tap = c.taps[at];
    return tap?.serves.kind === 'panel' ? `panel ${tap.serves.id}` : `${c.id}/${tap?.id ?? ''}`;
  };
  const carried = wish.study?.runs.find((run) => run.circuitId === c.id)?.amps ?? 0;
  const bar = wish.rails === 'both' && c.from.kind === 'bank' ? returnBar(design, c.from.id) : null;
  c.taps.forEach((tap, i) => {
    const one = taps[i];
    const segment = r.taps[i];
    if (!one || !segment || (stacked && i > 0)) return;
    const load = rowOf(design.loads, tap.serves.id);
    if (tap.serves.kind !== 'panel')
      pen.put(thingAt(i), load ? symbolOf(load) : 'place', one.label, one.under, one.about, { taps: stacked ? taps.slice(1) : [] });
    const parent = c.taps.findIndex((t) => t.id === tap.parent);
    const over = `${choiceName(state.candidate)}, ${show(segment.lengthM, 'm', units)}`;
    const worst = pen.worstOf(about);
    if (parent >= 0)
      return pen.draw(`${c.id}/${tap.id}`, thingAt(parent), thingAt(i), about, {
        rail: wish.rails === 'both' ? 'pair' : 'positive',
        over,
        worst,
      });
    pen.draw(`${c.id}/${tap.id}`, `${c.from.kind} ${c.from.id}`, thingAt(i), about, {
      rail: wish.rails === 'both' && c.from.kind !== 'bank' ? 'pair' : 'positive',
      symbols: symbolsOf(r, c.devices),
      no: c.no,
      over,
      below: said(
        protection.missing ? 'no device' : `${round3(protection.ratingA)} A`,
        carried >= 0.005 ? `carries ${round3(carried)} A` : '',
      ),
      worst,
    });
    // A bank's circuits return to its negative bus, where it has one.
    if (bar !== null) pen.draw(`${c.id}/${tap.id}-`, barNode(bar), thingAt(i), about, { rail: 'negative', over });
  });
}

/** What a tap serves, in words, with the stretch that leads to it. */
function tapped({ design }: Pen, c: Circuit, r: CircuitResult, i: number, volts: ReadonlyMap<string, string>): Tapped {
  const serves = c.taps[i]?.serves;
  const load = rowOf(design.loads, serves?.id);
  const place = rowOf(design.places, serves?.id);
  const before = c.taps.findIndex((t) => t.id === c.taps[i]?.parent);
  const aside = before >= 0 && before !== i - 1 ? ' aside' : '';
  return {
    about: { kind: load ? 'load' : 'place', id: serves?.id ?? '' },
    label: load?.name ?? place?.name ?? '?',
    under: (load && volts.get(load.id)) ?? '',
    over: `${show(r.taps[i]?.lengthM ?? 0, 'm', design.boat)}${aside}`,
  };
}
