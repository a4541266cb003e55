/** The AC side on the line drawing: sources, panels and branches with live, neutral and earth, and where neutral meets earth in a state. */
import { bankOfLoads } from '../topology';
import { type AcCircuitResult, acCircuits, type AcState, SERVICES } from '../ac';
import { type AcCircuit, type AcSource, type Design, type Load, rowOf, nominalVOf } from '../design';
import { round3, show, sizeName } from '../quantity';
import { type Pen, said } from './pen';
import type { About, SymbolKind } from './types';

const SIGNS: Readonly<Record<AcSource['kind'], SymbolKind | null>> = { shore: null, generator: 'generator', inverter: 'converter' };

const sourceId = (id: string) => `AC source ${id}`;
const panelId = (id: string) => `AC panel ${id}`;

export function drawAc(pen: Pen): void {
  const { design } = pen;
  const results = acCircuits(design);
  // From the battery and the bonds to the branches, so that the layout finds them in that order.
  const bonds = shownBonds(pen);
  for (const s of design.acSources) {
    const row = batteryRow(design, s);
    if (row)
      pen.put(`DC of ${s.id}`, 'cell', `${nominalVOf(design, bankOfLoads(design).get(row.id))} V bank`, row.name, {
        kind: 'load',
        id: row.id,
      });
  }
  for (const b of bonds) pen.put(b.id, b.aboard ? 'bond' : 'earth', b.label, b.under, b.about);
  for (const s of design.acSources) putSource(pen, s);
  for (const p of design.acPanels) {
    const ways = design.acCircuits.filter((c) => c.from.kind === 'panel' && c.from.id === p.id).length;
    const transfer = p.transfer === 'none' ? '' : `transfer ${p.transfer}${p.switchesNeutral ? ', neutral too' : ', live alone'}`;
    pen.put(
      panelId(p.id),
      'panel',
      p.name,
      said(transfer, p.polarityIndicator ? 'polarity lamp' : ''),
      { kind: 'AC panel', id: p.id },
      { ways },
    );
  }
  design.acCircuits.forEach((c, i) => {
    const r = results[i];
    if (r) drawRun(pen, c, r);
  });
  drawJoints(pen, bonds);
}

function putSource({ put }: Pen, s: AcSource): void {
  const { words } = SERVICES[s.service];
  const own =
    s.kind === 'shore'
      ? said(`${s.ratedA} A`, s.shore?.isolation === 'none' ? 'earth straight through' : (s.shore?.isolation ?? ''))
      : s.kind === 'generator'
        ? `${round3(s.generator?.kva ?? 0)} kVA`
        : `${(s.inverter?.units ?? 1) > 1 ? `${s.inverter?.units ?? 1} × ` : ''}${round3(s.inverter?.va ?? 0)} VA`;
  put(sourceId(s.id), 'bar', s.name, said(words, own), { kind: 'AC source', id: s.id }, { sign: SIGNS[s.kind] });
}

const from = (c: AcCircuit) => (c.from.kind === 'source' ? sourceId(c.from.id) : panelId(c.from.id));

function drawRun(pen: Pen, c: AcCircuit, r: AcCircuitResult): void {
  const { design, draw, put, worstOf } = pen;
  const about: About = { kind: 'AC circuit', id: c.id };
  const words = {
    no: c.no,
    over: `${r.cores.length} × ${sizeName(r.conductor.school, r.conductor.size)}, ${show(r.lengthM, 'm', design.boat)}`,
    below: said(`${round3(r.ratingA)} A${c.poles > 1 ? ', both poles' : ''}`, c.leakageMa === null ? '' : `${c.leakageMa} mA`),
    symbols: ['breaker'] as const,
    worst: worstOf(about),
  };
  if (c.to) {
    const to = c.to.kind === 'panel' ? panelId(c.to.id) : sourceId(c.to.id);
    draw(c.id, from(c), to, about, { ...words, rail: 'live' });
    draw(`${c.id} neutral`, from(c), to, about, { rail: 'neutral' });
    draw(`${c.id} earth`, from(c), to, about, { rail: 'earth' });
    return;
  }
  const rows = design.acLoads.filter((l) => c.loadIds.includes(l.id));
  const [first, ...rest] = rows;
  const outlets = c.outlets > 0 ? `${c.outlets} outlets` : '';
  const watts = (w: number) => (w > 0 ? `${round3(w)} W` : '');
  put(
    `end ${c.id}`,
    'load',
    first?.name ?? (outlets || 'nothing'),
    said(first ? watts(first.watts) : '', first ? outlets : ''),
    first ? { kind: 'AC load', id: first.id } : about,
    {
      taps: rest.map((l) => ({ about: { kind: 'AC load', id: l.id }, label: l.name, under: watts(l.watts), over: '' })),
    },
  );
  draw(c.id, from(c), `end ${c.id}`, about, { ...words, rail: 'trio' });
}

/** A bond of the state shown, or that there is none aboard. */
interface Shown {
  readonly id: string;
  readonly to: string;
  readonly about: About;
  readonly label: string;
  readonly under: string;
  readonly aboard: boolean;
}

function shownBonds({ wish }: Pen): readonly Shown[] {
  const out = new Map<string, Shown>();
  for (const origin of wish.ac?.origins ?? []) {
    for (const b of origin.bonds) {
      if (b.kind === 'ashore') {
        const aboard = origin.bonds.some((x) => x.kind !== 'ashore');
        out.set(b.id, {
          id: `ashore ${b.id}`,
          to: sourceId(b.id),
          about: { kind: 'AC source', id: b.id },
          label: 'joined ashore',
          under: aboard ? b.at : 'none aboard',
          aboard: false,
        });
        continue;
      }
      const about: About = { kind: b.kind === 'source' ? 'AC source' : 'AC panel', id: b.id };
      const to = b.kind === 'source' ? sourceId(b.id) : panelId(b.id);
      out.set(`${b.kind} ${b.id}`, { id: `bond ${b.kind} ${b.id}`, to, about, label: 'neutral–earth bond', under: b.at, aboard: true });
    }
  }
  return [...out.values()];
}

/** Bonds to their source or panel, the battery to its inverter, and the joint of the AC earth to the DC side. */
function drawJoints(pen: Pen, bonds: readonly Shown[]): void {
  const { design, put, draw } = pen;
  for (const s of design.acSources) {
    const row = batteryRow(design, s);
    if (row) draw(`DC of ${s.id}`, `DC of ${s.id}`, sourceId(s.id), { kind: 'load', id: row.id }, { rail: 'pair' });
  }
  for (const b of bonds) {
    draw(`${b.id} n`, b.id, b.to, b.about, { rail: 'neutral' });
    if (b.aboard) draw(`${b.id} e`, b.id, b.to, b.about, { rail: 'earth' });
  }
  const main = design.acPanels[0];
  const joined = design.bars.find((b) => b.kind === 'AC earth bar');
  if (!main || !joined) return;
  put(`bar ${joined.id}`, 'earth', joined.name, design.acRules.earthing, { kind: 'bar', id: joined.id });
  draw('AC earth', panelId(main.id), `bar ${joined.id}`, { kind: 'AC panel', id: main.id }, { rail: 'earth' });
}

const batteryRow = (design: Design, s: AcSource): Load | undefined => rowOf(design.loads, s.inverter?.loadId);

/** What is dead in a state, as kind and id: sources that are not there, panels nothing reaches, runs behind either. */
export function deadIn(design: Design, state: AcState): ReadonlySet<string> {
  const panels = new Set(state.origins.flatMap((o) => o.panels));
  const passing = (id: string) => state.inverters[id] === 'passing';
  const live = new Set(state.origins.map((o) => o.sourceId));
  const dead = new Set<string>();
  for (const s of design.acSources) if (!live.has(s.id) && !passing(s.id)) dead.add(`AC source ${s.id}`);
  for (const p of design.acPanels) if (!panels.has(p.id)) dead.add(`AC panel ${p.id}`);
  for (const c of design.acCircuits) {
    const begins = c.from.kind === 'source' ? live.has(c.from.id) || passing(c.from.id) : panels.has(c.from.id);
    const chosen = c.to?.kind === 'panel' ? state.positions[c.to.id] : undefined;
    if (begins && (chosen === undefined || chosen === c.id)) continue;
    dead.add(`AC circuit ${c.id}`);
    for (const id of c.loadIds) dead.add(`AC load ${id}`);
  }
  return dead;
}
