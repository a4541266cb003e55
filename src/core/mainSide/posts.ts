/** What lands on each battery post, bus and bar, in the order it is stacked: largest lowest (docs/methods.md, "Main side"). */
import type { CircuitResult } from '../circuit';
import type { Circuit, Design } from '../design';
import { standingA } from '../demand';
import { bankPost, barNode, endName, endNode, panelBar, returnBar, shuntCable } from '../topology';
import type { BatteryCableResult } from './sizing';

export interface Landing {
  readonly kind: 'circuit' | 'lead' | 'link';
  readonly id: string;
  readonly name: string;
  readonly areaMm2: number;
  readonly size: string;
  readonly school: 'awg' | 'metric';
  /** Rating of the device right here, A; null: none. */
  readonly fuseA: number | null;
  /** Of what hangs on it, while nobody uses it, A. */
  readonly standingA: number;
}

export interface Post {
  readonly node: string;
  readonly name: string;
  readonly kind: 'bank' | 'bus' | 'bar';
  readonly stud: string;
  /** Largest first: the largest lies lowest, on the conducting face. */
  readonly landings: readonly Landing[];
  /** Of a battery's negative post: what goes round the shunt. null where there is no shunt. */
  readonly bypasses: readonly string[] | null;
}

/** Terminals one stud may take; small-craft standards of both schools. */
export const MOST_ON_A_STUD = 4;

/** @param circuits, leads as analysed, by their order in the design. */
export function postInventory(design: Design, circuits: readonly CircuitResult[], leads: readonly BatteryCableResult[]): Post[] {
  const found = new Map<string, { name: string; kind: Post['kind']; stud: string; landings: Landing[]; bankId: string | null }>();
  const open = (node: string, name: string, kind: Post['kind'], stud: string, bankId: string | null = null) =>
    found.set(node, { name, kind, stud, landings: [], bankId });
  for (const b of design.banks)
    for (const rail of ['+', '-'] as const) open(bankPost(b.id, rail), `${b.name} ${rail === '+' ? '+' : '−'}`, 'bank', 'M8', b.id);
  for (const p of design.panels) if (p.kind === 'bus') open(panelBar(p.id, '+'), `${p.name} +`, 'bus', p.stud);
  for (const b of design.bars) open(barNode(b.id), b.name, 'bar', b.stud);
  const land = (node: string, landing: Landing) => found.get(node)?.landings.push(landing);

  const results = new Map(circuits.map((r) => [r.id, r]));
  const standing = new Map(design.loads.map((l) => [l.id, standingA(l)]));
  const fromPanel = new Map<string, Circuit[]>();
  for (const c of design.circuits) if (c.from.kind === 'panel') fromPanel.set(c.from.id, [...(fromPanel.get(c.from.id) ?? []), c]);
  /** Of all that is reached from a circuit, each once. */
  const below = (first: Circuit): number => {
    const seen = new Set([first]);
    let sum = 0;
    for (const c of seen)
      for (const { serves } of c.taps)
        if (serves.kind === 'load') sum += standing.get(serves.id) ?? 0;
        else if (serves.kind === 'panel') for (const next of fromPanel.get(serves.id) ?? []) seen.add(next);
    return sum;
  };
  for (const c of design.circuits) {
    const r = results.get(c.id);
    if (!r) continue;
    const { state, protection } = r.own;
    const one: Landing = {
      kind: 'circuit',
      id: c.id,
      name: `${c.no} ${c.name}`.trim(),
      areaMm2: state.conductor.areaMm2,
      size: state.candidate.size,
      school: state.candidate.school,
      fuseA: protection.missing ? null : protection.ratingA,
      standingA: below(c),
    };
    const plus = c.from.kind === 'bank' ? bankPost(c.from.id, '+') : panelBar(c.from.id, '+');
    const bar = c.from.kind === 'bank' ? returnBar(design, c.from.id) : null;
    const minus = bar !== null ? barNode(bar) : c.from.kind === 'bank' ? bankPost(c.from.id, '-') : null;
    for (let leg = 0; leg < state.candidate.legs; leg++) {
      land(plus, one);
      if (minus !== null) land(minus, { ...one, fuseA: null });
    }
    for (const t of c.taps) if (t.serves.kind === 'panel') land(panelBar(t.serves.id, '+'), { ...one, fuseA: null, standingA: 0 });
  }
  design.leads.forEach((lead, i) => {
    const r = leads[i];
    if (!r) return;
    const { conductor } = r;
    for (const [at, end, other] of [
      [0, lead.from, lead.to],
      [1, lead.to, lead.from],
    ] as const)
      land(endNode(end, lead), {
        kind: 'lead',
        id: lead.id,
        name: `${lead.name}, to ${endName(design, lead, other) ?? 'nothing'}`,
        areaMm2: conductor.areaMm2,
        size: conductor.size,
        school: conductor.school,
        fuseA: at === 0 ? (r.device?.own.protection.ratingA ?? null) : null,
        standingA: 0,
      });
  });
  return [...found].map(([node, { name, kind, stud, landings, bankId }]): Post => {
    const shunt = bankId !== null && node.endsWith('-') ? shuntCable(design, bankId) : null;
    return {
      node,
      name,
      kind,
      stud,
      landings: landings.sort((a, b) => b.areaMm2 - a.areaMm2),
      bypasses: shunt ? landings.filter((l) => l.id !== shunt.id).map((l) => l.name) : null,
    };
  });
}
