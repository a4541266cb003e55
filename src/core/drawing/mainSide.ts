/** Sources, what joins the banks, bars and leads on the line drawing. */
import { type BatteryCableEnd, outputA, type Source, rowOf, sideOfTie } from '../design';
import { barNode, caseNode, endNode, tieSide, sourcePost } from '../topology';
import { round3, show, sizeName } from '../quantity';
import { type Pen, said, symbolsOf } from './pen';
import type { SymbolKind } from './types';

const sourceSymbol = ({ kind }: Source): SymbolKind =>
  kind === 'alternator' || kind === 'wind' ? 'generator' : kind === 'solar' ? 'sun' : 'converter';

const led = ({ design }: Pen, node: string): boolean => design.leads.some((l) => endNode(l.from, l) === node || endNode(l.to, l) === node);

/** Sources that have no row on the load sheet: those are drawn with their circuit. */
export function drawSources(pen: Pen): void {
  const { design, analysis } = pen;
  for (const s of design.sources) {
    if (s.loadId !== null && design.circuits.some((c) => c.taps.some((t) => t.serves.id === s.loadId))) continue;
    const about = { kind: 'source', id: s.id } as const;
    pen.put(`source ${s.id}`, sourceSymbol(s), s.name, `${round3(outputA(s))} A`, about);
    const node = sourcePost(s.id, '+');
    const mohm = s.pathMohm ?? analysis.paths[s.id];
    const over = mohm === undefined ? 'run not entered' : `${round3(mohm)} milliohm out and back`;
    if (s.bankId !== null && !led(pen, node)) pen.draw(node, `source ${s.id}`, `bank ${s.bankId}`, about, { over });
  }
}

export function drawTies(pen: Pen): void {
  for (const j of pen.design.joins) {
    const about = { kind: 'join', id: j.id } as const;
    pen.put(`join ${j.id}`, j.kind === 'splitter' ? 'converter' : 'selector', j.name, `${j.ratedA} A`, about);
    for (const [side, bankId] of [
      ['first', j.firstId],
      ['second', j.secondId],
    ] as const) {
      const node = tieSide(j.id, side);
      if (bankId !== null && !led(pen, node)) pen.draw(node, `bank ${bankId}`, `join ${j.id}`, about, { over: 'run not entered' });
    }
  }
}

/** The leads of the rails wished for, and the bars they meet at. */
export function drawLeads(pen: Pen): void {
  const { design, analysis, wish } = pen;
  const wanted = (rail: string) => wish.rails === 'both' || (rail === 'positive') === (wish.rails === 'one line');
  const shown = design.leads.flatMap((lead, i) => {
    const result = analysis.leads[i];
    return result && wanted(lead.rail) ? [{ lead, result }] : [];
  });
  putBars(pen, new Set(shown.flatMap(({ lead }) => [lead.from, lead.to].flatMap((e) => (e.kind === 'bar' ? [e.id] : [])))));
  const inStudy = new Map(wish.study?.leads.map((l) => [l.leadId, l.amps]));
  for (const { lead, result } of shown) {
    for (const end of [lead.from, lead.to]) putCase(pen, end);
    const carried = inStudy.get(lead.id);
    const amps = carried ?? wish.worst?.leads[lead.id]?.amps ?? 0;
    const rating = result.device?.own.protection.ratingA;
    const about = { kind: 'lead', id: lead.id } as const;
    pen.draw(`lead ${lead.id}`, thingOf(lead.from), thingOf(lead.to), about, {
      rail: lead.rail,
      symbols: symbolsOf(result.device, lead.through),
      over: `${sizeName(result.conductor.school, result.conductor.size)}, ${show(result.lengthM, 'm', design.boat)}`,
      below: said(
        rating === undefined ? '' : `${round3(rating)} A`,
        amps < 0.005 ? '' : `${carried === undefined ? 'at worst' : 'carries'} ${round3(amps)} A`,
      ),
      worst: pen.worstOf(about),
    });
  }
}

const thingOf = ({ kind, id }: BatteryCableEnd): string =>
  sideOfTie(kind) ? `join ${id}` : kind === 'source input' ? `source ${id}` : `${kind} ${id}`;

/** Bars the leads land on; with both rails or the earths all there are. What a bar stands at is counted from the first bank's negative. */
function putBars({ design, wish, put }: Pen, used: ReadonlySet<string>): void {
  for (const b of design.bars) {
    const all = wish.rails === 'both' || (wish.rails === 'earths' && b.kind !== 'starter' && b.kind !== 'positive bus');
    if (!all && !used.has(b.id)) continue;
    const v = wish.study?.nodes[barNode(b.id)] ?? NaN;
    const symbol = b.kind === 'starter' ? 'rotating' : b.kind === 'underwater metal' || b.kind === 'hull' ? 'earth' : 'bar';
    const carries = wish.worst?.bars.find((x) => x.about.kind === 'bar' && x.about.id === b.id);
    const under = said(
      Number.isNaN(v) ? '' : `${v.toFixed(Math.abs(v) < 1 ? 3 : 2)} V`,
      b.ratedA === null ? '' : `${round3(b.ratedA)} A bar`,
      carries ? `lasting ${round3(carries.amps)} A` : '',
    );
    put(barNode(b.id), symbol, b.name, under, { kind: 'bar', id: b.id });
  }
}

/** A case, with what a positive on it would come to. */
function putCase({ design, wish, put }: Pen, end: BatteryCableEnd): void {
  const load = end.kind === 'case' ? rowOf(design.loads, end.id) : undefined;
  if (!load) return;
  const fault = wish.worst?.cases.find((c) => c.loadId === load.id);
  const clears = fault && `${round3(fault.amps)} A: clears in ${Math.max(0.01, fault.opensS).toPrecision(2)} s`;
  put(caseNode(load.id), 'earth', `case of ${load.name}`, (fault?.verdict === 'clears' ? clears : fault?.verdict) ?? '', {
    kind: 'load',
    id: load.id,
  });
}
