/** What the main side gives cause to say: what hangs on nothing, loops, banks side by side, returns through the hull, what goes round the shunt. */
import type { Design, Lead } from '../design/schema';
import { endName, endNode } from '../mainSide/ends';
import { loops, loose, paralleled, shuntLead } from '../mainSide/graph';
import type { LeadResult } from '../mainSide/leads';
import type { Finding, Severity } from './findings';

export function mainSideFindings(design: Design, results: readonly LeadResult[]): Finding[] {
  const out: Finding[] = [];
  const say = (rule: string, severity: Severity, kind: 'lead' | 'bar' | 'bank', id: string, title: string, why: string, todo: string) =>
    out.push({ id: `${rule}:${id}`, severity, about: { kind, id }, title, why, todo });
  const nameOf = (bankId: string) => design.banks.find((b) => b.id === bankId)?.name ?? bankId;

  design.leads.forEach((lead, i) => oneLead(design, lead, results[i], say));
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
  if (lead.rail === 'positive' && !lead.fused && !isStarter(design, lead))
    say(
      'unfused',
      'stop',
      'lead',
      lead.id,
      'has no device at its first end',
      'A short on it burns until the bank is empty: fire.',
      'Protect it at the battery; only the starter’s own cable may do without.',
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
