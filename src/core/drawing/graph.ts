/** The line drawing as things and lines, before anything has a place: made from the design and its analysis, never drawn by hand. */
import type { Analysis } from '../analysis';
import type { Finding, Severity } from '../check/findings';
import type { Circuit, Design, Load } from '../design/schema';
import { asDecided } from '../design/decided';
import { barNode, bankPost, caseNode, endNode, joinSide, panelBar, sourcePost } from '../mainSide/ends';
import { circuitOrder } from '../network/order';
import { returnBar } from '../mainSide/graph';
import type { StudyAnswer } from '../network/study';
import type { Worst } from '../network/worst';
import { choiceName, round3, show, sizeName } from '../quantity';
import { findFamily } from '../rules/devices';

/** General symbols of the IEC 60617 kind. */
export type SymbolKind =
  'cell' | 'bar' | 'panel' | 'rotating' | 'generator' | 'lamp' | 'converter' | 'load' | 'sun' | 'selector' | 'earth' | 'place';
export type InlineSymbol = 'fuse' | 'breaker' | 'switch' | 'relay' | 'diode' | 'shunt' | 'plug';
export type Rail = 'positive' | 'negative' | 'earth' | 'pair';

/** What a thing or line on the drawing stands for in the design. */
export interface About {
  readonly kind: 'circuit' | 'lead' | 'load' | 'panel' | 'bank' | 'bar' | 'source' | 'join' | 'place';
  readonly id: string;
}

export interface Drawn {
  readonly id: string;
  readonly symbol: SymbolKind;
  /** What it is named by, then what is said under it. */
  readonly label: string;
  readonly under: string;
  readonly about: About;
  readonly worst: Severity | null;
  /** Loads tapped along one run, after the first: each with the stretch that leads to it. */
  readonly taps: readonly Tapped[];
  /** Of a panel: its circuits are not drawn. */
  readonly folded: boolean;
  /** Circuits of a panel, folded or not. */
  readonly ways: number;
}

export interface Tapped {
  readonly about: About;
  readonly label: string;
  readonly under: string;
  readonly over: string;
}

export interface Line {
  readonly id: string;
  readonly from: string;
  readonly to: string;
  readonly rail: Rail;
  readonly symbols: readonly InlineSymbol[];
  /** The circuit's number, where the line begins it. */
  readonly no: string;
  /** Above the line: size and length; below it: device, volts or amps. */
  readonly over: string;
  readonly below: string;
  readonly about: About;
  readonly worst: Severity | null;
}

export interface Drawing {
  readonly things: readonly Drawn[];
  readonly lines: readonly Line[];
}

export interface DrawingWish {
  /** Positive, negative and earth; the positive alone; or the negatives and earths of the main side alone. */
  readonly rails: 'both' | 'one line' | 'earths';
  readonly folded: ReadonlySet<string>;
  readonly study: StudyAnswer | null;
  /** Instead of one study, the worst of all at each load and lead. */
  readonly worst?: Worst | null;
}

/** Beyond this many circuits drawn, panels begin folded, the largest first. */
const OPEN_CIRCUITS = 48;

/** Panels to fold so that the drawing stays readable; none on a small boat. */
export function foldAtFirst(design: Design): ReadonlySet<string> {
  const ways = (id: string) => design.circuits.filter((c) => c.from.kind === 'panel' && c.from.id === id).length;
  let drawn = design.circuits.length;
  const folded = new Set<string>();
  for (const p of [...design.panels].sort((a, b) => ways(b.id) - ways(a.id))) {
    if (drawn <= OPEN_CIRCUITS) break;
    // What feeds further panels stays open: they would hang in the air.
    if (design.circuits.some((c) => c.from.id === p.id && c.taps.some((t) => t.serves.kind === 'panel'))) continue;
    folded.add(p.id);
    drawn -= ways(p.id);
  }
  return folded;
}

const symbolOf = (load: Load): SymbolKind => {
  if (load.group === 'lights' || load.group === 'navigation') return 'lamp';
  if (load.group === 'charging') return /alternator/i.test(load.name) ? 'generator' : 'converter';
  if (load.behaviour === 'current' || load.group === 'pump' || load.group === 'blower') return 'rotating';
  if (load.group === 'heavy' && load.behaviour === 'power') return 'converter';
  return 'load';
};

const INLINE: Readonly<Record<Circuit['devices'][number]['kind'], InlineSymbol>> = {
  switch: 'switch',
  'lit switch': 'switch',
  'momentary switch': 'switch',
  'changeover switch': 'switch',
  'battery switch': 'switch',
  'float switch': 'switch',
  isolator: 'switch',
  plug: 'plug',
  relay: 'relay',
  diode: 'diode',
  shunt: 'shunt',
};

const pathSaid = (mohm: number | undefined): string => (mohm === undefined ? 'run not entered' : `${round3(mohm)} milliohm out and back`);

const RANK: Readonly<Record<Severity, number>> = { stop: 0, fix: 1, note: 2 };

/** The worst of what is found about each thing; what somebody accepts does not count. */
function worstOf(findings: readonly Finding[]): ReadonlyMap<string, Severity> {
  const worst = new Map<string, Severity>();
  for (const f of findings) {
    if (f.accepted) continue;
    const key = `${f.about.kind} ${f.about.id}`;
    const known = worst.get(key);
    if (known === undefined || RANK[f.severity] < RANK[known]) worst.set(key, f.severity);
  }
  return worst;
}

/** @param analysis of the same design. Total: what hangs on nothing is drawn and hangs on nothing. */
export function drawingOf(whole: Design, analysis: Analysis, wish: DrawingWish): Drawing {
  const design = asDecided(whole);
  const units = design.boat;
  const both = wish.rails === 'both';
  const earths = wish.rails === 'earths';
  const worst = worstOf(analysis.findings);
  const things = new Map<string, Drawn>();
  const lines: Line[] = [];
  const results = new Map(analysis.circuits.map((r) => [r.id, r]));
  const volts = (node: string, back: string): string => {
    const [v, w] = [wish.study?.nodes[node], wish.study?.nodes[back]];
    return v === undefined || w === undefined || Number.isNaN(v - w) ? '' : `${(v - w).toFixed(2)} V`;
  };
  const put = (id: string, symbol: SymbolKind, label: string, under: string, about: About, more: Partial<Drawn> = {}) => {
    if (!things.has(id))
      things.set(id, {
        id,
        symbol,
        label,
        under,
        about,
        worst: worst.get(`${about.kind} ${about.id}`) ?? null,
        taps: [],
        folded: false,
        ways: 0,
        ...more,
      });
  };

  if (!earths) sources();
  for (const b of design.banks) {
    const said = `${b.blockV * b.series} V ${round3(b.blockAh * b.strings)} Ah ${b.chemistry}`;
    const at = volts(bankPost(b.id, '+'), bankPost(b.id, '-'));
    put(`bank ${b.id}`, 'cell', b.name, at ? `${said}, ${at}` : said, { kind: 'bank', id: b.id });
  }
  const { order } = circuitOrder(design.circuits);
  const reached = order.flatMap((c) =>
    c.taps.flatMap((t) => (t.serves.kind === 'panel' ? design.panels.filter((p) => p.id === t.serves.id) : [])),
  );
  for (const p of earths ? [] : new Set([...reached, ...design.panels])) {
    const ways = design.circuits.filter((c) => c.from.kind === 'panel' && c.from.id === p.id).length;
    const folded = wish.folded.has(p.id);
    const at = volts(panelBar(p.id, '+'), panelBar(p.id, '-'));
    const said = p.kind === 'bus' ? '' : `${ways} of ${p.ways} ways`;
    put(
      `panel ${p.id}`,
      p.kind === 'bus' ? 'bar' : 'panel',
      p.name,
      [said, at].filter(Boolean).join(', '),
      { kind: 'panel', id: p.id },
      { folded, ways },
    );
  }
  const hidden = (c: Circuit) => c.from.kind === 'panel' && wish.folded.has(c.from.id);
  const ofStudy = new Map(wish.study?.runs.map((r) => [r.circuitId, r]));
  const loadVolts = new Map((wish.study?.loads ?? wish.worst?.loads ?? []).map((l) => [l.id, l]));
  for (const c of earths ? [] : order) {
    const r = results.get(c.id);
    if (!r || hidden(c)) continue;
    const { protection, state } = r.own;
    const family = findFamily(protection.familyId);
    const severity = worst.get(`circuit ${c.id}`) ?? null;
    const run = ofStudy.get(c.id);
    const about: About = { kind: 'circuit', id: c.id };
    // Loads alone are drawn as one thing with its taps; a run that goes on to a panel is drawn segment by segment.
    const stacked = c.taps.length > 1 && c.taps.every((t) => t.serves.kind !== 'panel');
    const said = (loadId: string) => {
      const known = loadVolts.get(loadId);
      return known ? (Number.isNaN(known.volts) ? 'dead' : `${known.volts.toFixed(2)} V${known.falls ? ', falls' : ''}`) : '';
    };
    const tapped = c.taps.map(({ serves }, i): Tapped => {
      const load = serves.kind === 'load' ? design.loads.find((l) => l.id === serves.id) : undefined;
      const name = load?.name ?? design.places.find((p) => p.id === serves.id)?.name ?? '?';
      const about: About = { kind: serves.kind === 'load' ? 'load' : 'place', id: serves.id };
      const before = c.taps.findIndex((t) => t.id === c.taps[i]?.parent);
      const off = before >= 0 && before !== i - 1 ? ' aside' : '';
      return {
        about,
        label: name,
        under: serves.kind === 'load' ? said(serves.id) : '',
        over: `${show(r.taps[i]?.lengthM ?? 0, 'm', units)}${off}`,
      };
    });
    const thingOf = (at: number): string | null => {
      const serves = c.taps[at]?.serves;
      if (!serves) return null;
      return serves.kind === 'panel' ? `panel ${serves.id}` : `${c.id}/${c.taps[at]?.id ?? ''}`;
    };
    c.taps.forEach((tap, i) => {
      const { serves } = tap;
      const one = tapped[i];
      if (serves.kind !== 'panel' && one && (!stacked || i === 0)) {
        const load = design.loads.find((l) => l.id === serves.id);
        put(`${c.id}/${tap.id}`, load ? symbolOf(load) : 'place', one.label, one.under, one.about, {
          taps: stacked ? tapped.slice(1) : [],
        });
      }
      if (stacked && i > 0) return;
      const parent = c.taps.findIndex((t) => t.id === tap.parent);
      const first = parent < 0;
      const from = first ? `${c.from.kind} ${c.from.id}` : thingOf(parent);
      const to = thingOf(i);
      const segment = r.taps[i];
      if (from === null || to === null || !segment) return;
      const device = protection.missing ? 'no device' : `${round3(protection.ratingA)} A`;
      lines.push({
        id: `${c.id}/${tap.id}`,
        from,
        to,
        rail: both && !(first && c.from.kind === 'bank') ? 'pair' : 'positive',
        symbols: first
          ? [
              ...(protection.missing ? [] : [family?.kind === 'breaker' ? ('breaker' as const) : ('fuse' as const)]),
              ...c.devices.map((d) => INLINE[d.kind]),
            ]
          : [],
        no: first ? c.no : '',
        over: `${choiceName(state.candidate)}, ${show(segment.lengthM, 'm', units)}`,
        below: [first ? device : '', run && first && run.amps >= 0.005 ? `carries ${round3(run.amps)} A` : ''].filter(Boolean).join(', '),
        about,
        worst: severity,
      });
      // A bank's circuits return to its negative bus, where it has one.
      const bar = both && first && c.from.kind === 'bank' ? returnBar(design, c.from.id) : null;
      if (bar !== null)
        lines.push({
          id: `${c.id}/${tap.id}-`,
          from: barNode(bar),
          to,
          rail: 'negative',
          symbols: [],
          no: '',
          over: `${choiceName(state.candidate)}, ${show(segment.lengthM, 'm', units)}`,
          below: '',
          about,
          worst: null,
        });
    });
  }
  mainSide();
  return { things: [...things.values()], lines: lines.filter((l) => things.has(l.from) && things.has(l.to)) };

  function sources(): void {
    for (const s of design.sources) {
      // What has a row on the load sheet is drawn there.
      if (s.loadId !== null && design.circuits.some((c) => c.taps.some((t) => t.serves.id === s.loadId))) continue;
      const symbol = s.kind === 'alternator' || s.kind === 'wind' ? 'generator' : s.kind === 'solar' ? 'sun' : 'converter';
      put(`source ${s.id}`, symbol, s.name, `${round3(s.ratedA)} A`, { kind: 'source', id: s.id });
      const node = sourcePost(s.id, '+');
      const led = design.leads.some((l) => endNode(l.from, l) === node || endNode(l.to, l) === node);
      if (s.bankId !== null && !led)
        lines.push({
          id: node,
          from: `source ${s.id}`,
          to: `bank ${s.bankId}`,
          rail: 'positive',
          symbols: [],
          no: '',
          over: pathSaid(s.pathMohm ?? analysis.paths[s.id]),
          below: '',
          about: { kind: 'source', id: s.id },
          worst: null,
        });
    }
  }

  function mainSide(): void {
    for (const j of earths ? [] : design.joins) {
      put(`join ${j.id}`, j.kind === 'splitter' ? 'converter' : 'selector', j.name, `${j.ratedA} A`, { kind: 'join', id: j.id });
      for (const [side, bankId] of [
        ['first', j.firstId],
        ['second', j.secondId],
      ] as const) {
        const node = joinSide(j.id, side);
        const led = design.leads.some((l) => endNode(l.from, l) === node || endNode(l.to, l) === node);
        if (bankId !== null && !led)
          lines.push({
            id: node,
            from: `bank ${bankId}`,
            to: `join ${j.id}`,
            rail: 'positive',
            symbols: [],
            no: '',
            over: 'run not entered',
            below: '',
            about: { kind: 'join', id: j.id },
            worst: null,
          });
      }
    }
    const shown = design.leads.flatMap((lead, i) => {
      const result = analysis.leads[i];
      return result && (earths ? lead.rail !== 'positive' : both || lead.rail === 'positive') ? [{ lead, result }] : [];
    });
    // Against the first bank's negative: of a negative or an earth, what it stands above it.
    const standsAt = (barId: string): string => {
      const v = wish.study?.nodes[barNode(barId)];
      return v === undefined || Number.isNaN(v) ? '' : `${v.toFixed(Math.abs(v) < 1 ? 3 : 2)} V`;
    };
    const used = new Set(shown.flatMap(({ lead }) => [lead.from, lead.to].filter((e) => e.kind === 'bar').map((e) => e.id)));
    for (const b of design.bars)
      if (both || (earths && b.kind !== 'starter') || used.has(b.id))
        put(
          barNode(b.id),
          b.kind === 'starter' ? 'rotating' : b.kind === 'underwater metal' || b.kind === 'hull' ? 'earth' : 'bar',
          b.name,
          standsAt(b.id),
          { kind: 'bar', id: b.id },
        );
    const cases = new Map(wish.worst?.cases.map((c) => [c.loadId, c]));
    const said = (loadId: string): string => {
      const fault = cases.get(loadId);
      if (!fault) return '';
      return fault.verdict === 'clears'
        ? `${Math.round(fault.amps)} A: clears in ${Math.max(0.01, fault.opensS).toPrecision(2)} s`
        : fault.verdict;
    };
    const carried = new Map(wish.study?.leads.map((l) => [l.leadId, l]));
    for (const { lead, result } of shown) {
      const ends = [lead.from, lead.to].map((end) => {
        if (end.kind === 'case') {
          const name = design.loads.find((l) => l.id === end.id)?.name;
          if (name !== undefined) put(caseNode(end.id), 'earth', `case of ${name}`, said(end.id), { kind: 'load', id: end.id });
          return caseNode(end.id);
        }
        return end.kind === 'join first' || end.kind === 'join second' ? `join ${end.id}` : `${end.kind} ${end.id}`;
      });
      const most = wish.worst?.leads[lead.id];
      const amps = carried.get(lead.id)?.amps ?? most?.amps;
      const rating = result.device?.own.protection.ratingA;
      lines.push({
        id: `lead ${lead.id}`,
        from: ends[0] ?? '',
        to: ends[1] ?? '',
        rail: lead.rail,
        symbols: [...(rating === undefined ? [] : ['fuse' as const]), ...lead.through.map((d) => INLINE[d.kind])],
        no: '',
        over: `${sizeName(result.conductor.school, result.conductor.size)}, ${show(result.lengthM, 'm', units)}`,
        below: [
          rating === undefined ? '' : `${round3(rating)} A`,
          amps === undefined || amps < 0.005 ? '' : `${carried.has(lead.id) ? 'carries' : 'at worst'} ${round3(amps)} A`,
        ]
          .filter(Boolean)
          .join(', '),
        about: { kind: 'lead', id: lead.id },
        worst: worst.get(`lead ${lead.id}`) ?? null,
      });
    }
  }
}
