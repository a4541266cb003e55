/** What the main side gives cause to say: what hangs on nothing, loops, banks side by side, returns through the hull, what goes round the shunt. */
import type { Bank, Design, Lead } from '../design/schema';
import { endName, endNode } from '../mainSide/ends';
import { loops, loose, paralleled, returnBar, shuntLead } from '../mainSide/graph';
import { MOST_ON_A_STUD } from '../mainSide/posts';
import type { LeadResult } from '../mainSide/leads';
import type { Finding, Severity } from './findings';

export function mainSideFindings(design: Design, results: readonly LeadResult[]): Finding[] {
  const out: Finding[] = [];
  const say = (rule: string, severity: Severity, kind: 'lead' | 'bar' | 'bank', id: string, title: string, why: string, todo: string) =>
    out.push({ id: `${rule}:${id}`, severity, about: { kind, id }, title, why, todo });
  const nameOf = (bankId: string) => design.banks.find((b) => b.id === bankId)?.name ?? bankId;

  design.leads.forEach((lead, i) => oneLead(design, lead, results[i], upstreamA(design, results, lead), say));
  for (const { barId, empty } of loose(design))
    say(
      'loose',
      'fix',
      'bar',
      barId,
      empty ? 'nothing lands on it' : 'hangs on no battery',
      'What is earthed or returned there has no way back.',
      'Give it a lead: Wiring, main side.',
    );
  for (const { lead, banks } of paralleled(design))
    say(
      'paralleled',
      'stop',
      'lead',
      lead.id,
      `puts ${nameOf(banks[0])} and ${nameOf(banks[1])} side by side`,
      'Two banks fed and drained as one for ever: the weaker one drains the other, and no switch parts them.',
      'Lead it to one of them, or through a selector, a relay or a DC–DC charger.',
    );
  for (const lead of loops(design))
    say(
      'second-joint',
      lead.rail === 'earth' ? 'stop' : 'fix',
      'lead',
      lead.id,
      lead.rail === 'earth' ? 'joins the earths to the negative a second time' : 'closes a loop of negatives',
      lead.rail === 'earth'
        ? 'Starting and charging current finds its way through the bonding and eats the metal under water.'
        : 'Current divides as it likes, and a shunt in the loop reads wrong.',
      'Leave one joint, take the other off.',
    );
  for (const bar of design.bars) {
    const on = design.leads.filter((l) => [l.from, l.to].some((e) => e.kind === 'bar' && e.id === bar.id));
    if (bar.kind === 'hull' && on.some((l) => l.rail !== 'earth'))
      say(
        'hull-return',
        'stop',
        'bar',
        bar.id,
        'carries current',
        'The hull is never a return: it is eaten from within.',
        'Insulated two-wire DC, and a leakage check; the hull is bonded at one point only.',
      );
    if (bar.kind === 'AC earth bar' && on.length > 0 && !on.some((l) => l.rail === 'earth' && joinsNegative(design, l)))
      say(
        'ac-earth',
        'fix',
        'bar',
        bar.id,
        'is not joined to the DC negative',
        'An AC fault to anything on the DC side finds no way back and trips nothing.',
        'One earth lead to the main negative bus or the engine’s negative; or a whole-boat residual-current device or an isolation transformer, where the school allows it.',
      );
  }
  for (const bank of design.banks) studs(design, bank, say);
  for (const bank of design.banks) {
    const shunt = shuntLead(design, bank.id);
    if (!shunt) continue;
    const round = design.leads.filter(
      (l) => l.id !== shunt.id && l.rail === 'negative' && [l.from, l.to].some((e) => e.kind === 'bank' && e.id === bank.id),
    );
    if (round.length > 0)
      say(
        'round-shunt',
        'fix',
        'bank',
        bank.id,
        `its gauge does not see ${round.map((l) => l.name).join(', ')}`,
        'What lands on the battery’s post goes round the shunt: the gauge is wrong for ever.',
        'Land it on the negative bus, on the far side of the shunt.',
      );
  }
  return out;
}

/** More terminals than a stud takes on either post of a bank: its circuits, and its leads. */
function studs(
  design: Design,
  bank: Bank,
  say: (rule: string, severity: Severity, kind: 'bank', id: string, title: string, why: string, todo: string) => void,
): void {
  const circuits = design.circuits.filter((c) => c.from.kind === 'bank' && c.from.id === bank.id).reduce((sum, c) => sum + c.pin.legs, 0);
  for (const rail of ['positive', 'negative'] as const) {
    const leads = design.leads.filter((l) => l.rail === rail && [l.from, l.to].some((e) => e.kind === 'bank' && e.id === bank.id)).length;
    const back = rail === 'positive' || returnBar(design, bank.id) === null ? circuits : 0;
    if (leads + back > MOST_ON_A_STUD)
      say(
        `stud-${rail}`,
        'fix',
        'bank',
        bank.id,
        `${leads + back} terminals on its ${rail} post`,
        `More than ${MOST_ON_A_STUD} on a stud: the lower ones loosen and heat.`,
        'A bus bar beside it, one cable to the post.',
      );
  }
}

/** The device that stands before a lead without one of its own: the largest at the nodes it starts or ends on. */
function upstreamA(design: Design, results: readonly LeadResult[], lead: Lead): number | null {
  const nodes = [endNode(lead.from, lead), endNode(lead.to, lead)];
  let most: number | null = null;
  design.leads.forEach((other, i) => {
    const rating = results[i]?.device?.own.protection.ratingA;
    if (other.id === lead.id || other.rail !== 'positive' || rating === undefined) return;
    if (nodes.includes(endNode(other.to, other))) most = Math.max(most ?? 0, rating);
  });
  return most;
}

/** A lead between the earths and the negative side. */
function joinsNegative(design: Design, lead: Lead): boolean {
  return [lead.from, lead.to].some((e) => {
    if (e.kind === 'bank') return true;
    const kind = e.kind === 'bar' ? design.bars.find((b) => b.id === e.id)?.kind : undefined;
    return kind === 'negative bus' || kind === 'engine';
  });
}

function oneLead(
  design: Design,
  lead: Lead,
  result: LeadResult | undefined,
  beforeA: number | null,
  say: (rule: string, severity: Severity, kind: 'lead', id: string, title: string, why: string, todo: string) => void,
): void {
  if (endName(design, lead, lead.from) === null || endName(design, lead, lead.to) === null)
    return say(
      'dangling',
      'fix',
      'lead',
      lead.id,
      'ends on something that is gone',
      'A live end that lies loose shorts.',
      'Say where it lands, or remove it.',
    );
  if (endNode(lead.from, lead) === endNode(lead.to, lead))
    return say('to-itself', 'fix', 'lead', lead.id, 'starts and ends at the same place', 'It does nothing.', 'Say where it lands.');
  const bare = lead.rail === 'positive' && (!lead.fused || !result?.device) && !isStarter(design, lead);
  const atBank = lead.from.kind === 'bank' || lead.to.kind === 'bank';
  if (bare && (atBank || (beforeA === null && !lead.fused)))
    say(
      'unfused',
      'stop',
      'lead',
      lead.id,
      lead.fused ? 'has its device at the end away from the battery' : 'has no device at its first end',
      'A short on it burns until the bank is empty: fire.',
      'Protect it at the battery: begin the lead there. Only the starter’s own cable may do without.',
    );
  if (bare && !atBank && result && beforeA !== null && result.izA < beforeA)
    say(
      'reduction',
      'stop',
      'lead',
      lead.id,
      `good for ${Math.round(result.izA)} A, and ${Math.round(beforeA)} A stands before it`,
      'The device upstream lets this conductor burn.',
      `A device of its own where it begins, at ${endName(design, lead, lead.from) ?? 'its first end'}, or a conductor good for ${Math.round(beforeA)} A.`,
    );
  if (!result) return;
  for (const test of result.failing)
    say(
      `lead-${test.replace(/\W+/g, '-')}`,
      test === 'protection' ? 'stop' : 'fix',
      'lead',
      lead.id,
      `${result.conductor.size}${result.conductor.school === 'metric' ? ' mm²' : ' AWG'} fails ${test}`,
      result.rungs.find((r) => r.by === test)?.why ?? '',
      'A heavier conductor, or a shorter way.',
    );
  for (const d of lead.through)
    if (d.ratingA !== null && result.carries.amps > d.ratingA && !(result.carries.cranks && d.kind !== 'shunt'))
      say(
        `lead-device-${d.id}`,
        d.kind === 'shunt' ? 'fix' : 'stop',
        'lead',
        lead.id,
        `its ${d.kind} rated ${d.ratingA} A carries ${Math.round(result.carries.amps)} A`,
        d.kind === 'shunt' ? 'It warms, and reads wrong.' : 'Its contacts overheat or weld.',
        'One with a higher rating.',
      );
}

const isStarter = (design: Design, lead: Lead): boolean =>
  [lead.from, lead.to].some((e) => e.kind === 'bar' && design.bars.find((b) => b.id === e.id)?.kind === 'starter');
