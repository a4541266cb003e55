/** The largest fault at each bank's posts with everything that can be paralleled and all that charges (docs/methods.md, M7). */
import { round3 } from '../quantity';
import { conductorOhm } from '../conductor';
import { outputA, sideOfTie } from '../design';
import { bankPost, endNode, tieSide } from '../topology';
import type { PostFaultParts } from './parts';
import { batteryCableResult } from './sizing';
import type { BankSource } from '../bank';
import { type NetBranch, prepare, shortsOf } from '../solve';

const EARTH = 'negative';

/**
 * Banks as they stand with their posts' fault raised by what a closed selector or relay brings from another bank, through the leads of the
 * join (cold copper; joints and devices zero; a side nobody has entered counts as none), and by what charges them at its limit.
 * A splitter's diodes hold back. The same objects where nothing is added.
 */
export function withPostFaults(parts: PostFaultParts, banks: readonly BankSource[]): readonly BankSource[] {
  // What joins banks carries what it is rated for, whatever the circuits ask.
  const design = { ...parts, circuits: [], loads: [] };
  const joins = design.joins.filter((j) => j.kind !== 'splitter' && j.firstId !== null && j.secondId !== null);
  if (joins.length === 0 && design.sources.length === 0) return banks;
  const branches: NetBranch[] = [];
  const landed = new Set<string>();
  for (const lead of design.leads) {
    if (lead.rail !== 'positive') continue;
    const [a, b] = [endNode(lead.from, lead), endNode(lead.to, lead)];
    if (a === b || ![lead.from, lead.to].some((e) => sideOfTie(e.kind))) continue;
    const { conductor, lengthM } = batteryCableResult(design, [], banks, lead);
    branches.push({ id: lead.id, a, b, ohm: conductorOhm(conductor.r20OhmPerKm, lengthM, 20) });
    landed.add(a).add(b);
  }
  for (const tie of joins) {
    const side = (which: 'first' | 'second', bankId: string | null) => {
      const node = tieSide(tie.id, which);
      return landed.has(node) ? node : bankPost(bankId ?? '', '+');
    };
    branches.push({ id: tie.id, a: side('first', tie.firstId), b: side('second', tie.secondId), ohm: 0 });
  }
  const network = prepare({
    branches: branches.filter((b) => b.a !== b.b),
    banks: banks.map((b) => ({ id: b.bankId, plus: bankPost(b.bankId, '+'), minus: EARTH, emfV: b.fullV, ohm: b.fullV / b.largestFaultA })),
    sources: [],
    loads: [],
  });
  const shorts = shortsOf(
    network,
    banks.map((b) => [bankPost(b.bankId, '+'), EARTH] as const),
  );
  return banks.map((bank, i) => {
    const others = Math.max(0, (shorts[i]?.amps ?? 0) - bank.largestFaultA);
    const charging = design.sources
      .filter(
        (s) =>
          s.bankId === bank.bankId || joins.some((j) => j.id === s.joinId && (j.firstId === bank.bankId || j.secondId === bank.bankId)),
      )
      .reduce((sum, s) => sum + outputA(s), 0);
    if (others < 1 && charging === 0) return bank;
    const by = [
      others < 1 ? '' : `${round3(others)} A from what can be paralleled with it`,
      charging === 0 ? '' : `${round3(charging)} A of what charges it`,
    ];
    return { ...bank, postsFaultA: bank.largestFaultA + others + charging, postsFaultBy: by.filter(Boolean).join(' and ') };
  });
}
