/** Rules on the main side: what lands on nothing, loops, banks side by side, returns through the hull, what goes round the shunt. */
import { dropOp, type BatteryCable, type BatteryCableEnd, setOp, rowOf } from '../../design';
import { endName, endNode, loops, loose, paralleled, returnBar, shuntCable } from '../../topology';
import { type BatteryCableResult, ledOhm, MOST_ON_A_STUD } from '../../mainSide';
import { sizeName } from '../../quantity';
import { endTakes, largestAtEnd, studName } from '../../rules';
import { ASK_SHORT, type Rule, type Said, SOURCES, type Told, when } from '../rule';
import type { MainSideParts } from './reads';

export interface MainSideFacts {
  readonly design: MainSideParts;
  /** By their order in the design. */
  readonly leads: readonly BatteryCableResult[];
}

export type MainSideRule = Rule<MainSideFacts>;
type Row = Omit<MainSideRule, 'find' | 'about' | 'source'> & { readonly source?: string };

const endsOn = (lead: BatteryCable, kind: BatteryCableEnd['kind'], id: string): boolean =>
  [lead.from, lead.to].some((e) => e.kind === kind && e.id === id);

interface OneLead {
  readonly lead: BatteryCable;
  readonly result: BatteryCableResult | undefined;
  readonly design: MainSideParts;
  /** Rating of the device before it where it has none of its own, A; null: none. */
  readonly beforeA: number | null;
  /** A positive without a device that is no starter's. */
  readonly bare: boolean;
  readonly atBank: boolean;
}

const isStarter = (design: MainSideParts, lead: BatteryCable): boolean =>
  [lead.from, lead.to].some((e) => e.kind === 'bar' && rowOf(design.bars, e.id)?.kind === 'starter');

/** Rating of the device before a lead: the largest of those that end where it starts or ends. */
function upstreamA(design: MainSideParts, leads: readonly BatteryCableResult[], l: BatteryCable): number | null {
  const nodes = [endNode(l.from, l), endNode(l.to, l)];
  let most: number | null = null;
  design.leads.forEach((other, i) => {
    const rating = leads[i]?.device?.own.protection.ratingA;
    if (other.id === l.id || other.rail !== 'positive' || rating === undefined) return;
    if (nodes.includes(endNode(other.to, other))) most = Math.max(most ?? 0, rating);
  });
  return most;
}

const gone = (design: MainSideParts, lead: BatteryCable): boolean =>
  endName(design, lead, lead.from) === null || endName(design, lead, lead.to) === null;
const toItself = (lead: BatteryCable): boolean => endNode(lead.from, lead) === endNode(lead.to, lead);

/** A rule asked of every lead that lands somewhere. */
const lead = (row: Row, told: (one: OneLead) => readonly Said[]): MainSideRule => ({
  source: SOURCES.dc,
  ...row,
  about: 'lead',
  find: ({ design, leads }) =>
    design.leads.flatMap((l, i) => {
      if (gone(design, l) || toItself(l)) return [];
      const result = leads[i];
      const one: OneLead = {
        lead: l,
        result,
        design,
        beforeA: upstreamA(design, leads, l),
        bare: l.rail === 'positive' && (!l.fused || !result?.device) && !isStarter(design, l),
        atBank: l.from.kind === 'bank' || l.to.kind === 'bank',
      };
      return told(one).map((t) => ({ ...t, id: l.id }));
    }),
});

const fuseIt: MainSideRule['cure'] = (design, { about }) => {
  const l = rowOf(design.leads, about.id);
  if (!l) return null;
  const turn = l.to.kind === 'bank' && l.from.kind !== 'bank';
  return [
    setOp(design, ['leads', l.id, 'fused'], true),
    ...(turn
      ? [
          setOp(design, ['leads', l.id, 'from'], l.to),
          setOp(design, ['leads', l.id, 'to'], l.from),
          setOp(design, ['leads', l.id, 'fromStud'], l.toStud),
          setOp(design, ['leads', l.id, 'toStud'], l.fromStud),
        ]
      : []),
  ];
};
const removeIt: MainSideRule['cure'] = (design, { about }) => [dropOp(design, 'leads', about.id)];

const LEADS: readonly MainSideRule[] = [
  {
    id: 'dangling',
    about: 'lead',
    severity: 'fix',
    reads: ['leads.from', 'leads.to'],
    when: 'a lead ends on something that was removed',
    why: 'A live end that lies loose shorts.',
    todo: 'Say where it lands, or remove it.',
    hazard: 'fire',
    confirm: 'eyes',
    source: SOURCES.data,
    find: ({ design }) =>
      design.leads.flatMap((l): readonly Told[] => when(gone(design, l), () => ({ id: l.id, title: 'ends on something that is gone' }))),
    cure: removeIt,
  },
  {
    id: 'to-itself',
    about: 'lead',
    severity: 'fix',
    reads: ['leads.from', 'leads.to'],
    when: 'a lead starts and ends at the same place',
    why: 'It does nothing.',
    todo: 'Say where it lands.',
    hazard: 'none',
    confirm: 'nothing',
    source: SOURCES.data,
    find: ({ design }) =>
      design.leads.flatMap((l): readonly Told[] =>
        when(!gone(design, l) && toItself(l), () => ({ id: l.id, title: 'starts and ends at the same place' })),
      ),
    cure: removeIt,
  },
  lead(
    {
      id: 'unfused',
      severity: 'stop',
      reads: ['leads.fused', 'leads.from', 'leads.rail'],
      when: 'a positive lead at a battery has no device at that end',
      why: 'A short on it burns until the bank is empty: fire.',
      todo: 'Protect it at the battery: begin the lead there. Only the starter’s own cable may do without.',
      hazard: 'fire',
      confirm: 'eyes',
      cure: fuseIt,
    },
    ({ lead: l, bare, atBank, beforeA }) =>
      when(bare && (atBank || (beforeA === null && !l.fused)), () => ({
        title: l.fused ? 'has its device at the end away from the battery' : 'has no device at its first end',
      })),
  ),
  lead(
    {
      id: 'reduction',
      severity: 'stop',
      reads: ['leads.fused', 'leads.size'],
      when: 'a lead gets smaller without a device of its own',
      why: 'The device upstream lets this conductor burn.',
      todo: 'A device of its own where it begins, or a heavier conductor.',
      hazard: 'fire',
      confirm: 'eyes',
      cure: fuseIt,
    },
    ({ lead: l, result, bare, atBank, beforeA, design }) =>
      when(bare && !atBank && result !== undefined && beforeA !== null && result.izA < beforeA, () => ({
        title: `good for ${Math.round(result?.izA ?? 0)} A, and the device before it is ${Math.round(beforeA ?? 0)} A`,
        todo: `A device of its own where it begins, at ${endName(design, l, l.from) ?? 'its first end'}, or a conductor good for ${Math.round(beforeA ?? 0)} A.`,
      })),
  ),
  lead(
    {
      id: 'lead',
      severity: 'stop',
      reads: ['leads', 'circuits', 'sources', 'engine'],
      when: 'the conductor of a lead fails one of its tests',
      why: 'It is too thin.',
      todo: 'A heavier conductor, or a shorter way.',
      hazard: 'fire',
      confirm: 'nothing',
      cure: (design, { about }) => {
        const l = rowOf(design.leads, about.id);
        return l?.size ? [setOp(design, ['leads', l.id, 'size'], null)] : null;
      },
    },
    ({ result }) =>
      (result?.failing ?? []).map((test) => ({
        suffix: `-${test.replace(/\W+/g, '-')}`,
        severity: test === 'protection' ? 'stop' : 'fix',
        title: `${result?.conductor.size ?? ''}${result?.conductor.school === 'metric' ? ' mm²' : ' AWG'} fails ${test}`,
        why: `${result?.rungs.find((r) => r.by === test)?.why ?? 'It is too thin'}.`,
      })),
  ),
  lead(
    {
      id: 'lead-conflict',
      severity: 'stop',
      reads: ['leads.family', 'leads.ratingA', 'banks', 'sources'],
      when: 'the device of a battery cable cannot interrupt a short there, or does not suit what it carries',
      why: 'It bursts, or opens in use.',
      todo: 'Another family, or the rating the cable asks for.',
      hazard: 'fire',
      confirm: 'eyes',
      cure: (design, { about }) => {
        const l = rowOf(design.leads, about.id);
        return l && (l.family !== null || l.ratingA !== null)
          ? [setOp(design, ['leads', l.id, 'family'], null), setOp(design, ['leads', l.id, 'ratingA'], null)]
          : null;
      },
    },
    ({ result }) => {
      const conflict = result?.device?.own.protection.conflict ?? null;
      const asks = result?.device?.own.protection.asksMaker ?? false;
      return when(conflict !== null, () => ({
        ...(asks
          ? { severity: 'fix' as const, title: 'its device may not interrupt the bank', todo: ASK_SHORT }
          : { title: 'no device suits both sides' }),
        why: conflict ?? '',
      }));
    },
  ),
  lead(
    {
      id: 'lead-end',
      severity: 'stop',
      reads: ['leads.fromStud', 'leads.toStud', 'leads.size'],
      when: 'a stud of a battery cable does not take the conductor',
      why: 'A lug hangs on a stud that is too small: it runs hot, and works loose.',
      todo: 'A larger stud or an adapter post there, or two conductors in parallel on studs of their own.',
      hazard: 'fire',
      confirm: 'eyes',
      source: SOURCES.practice,
    },
    ({ lead: l, result, design }) => {
      if (!result) return [];
      const { school, size, areaMm2 } = result.conductor;
      const studs = new Map([
        [l.fromStud, endName(design, l, l.from) ?? 'its first end'],
        [l.toStud, endName(design, l, l.to) ?? 'its far end'],
      ]);
      return [...studs].flatMap(([stud, at], i) =>
        when(!endTakes(stud, school, areaMm2), () => ({
          suffix: i === 0 ? '' : `-${i}`,
          title: `${sizeName(school, size)} does not fit ${studName(school, stud)} at ${at}: ${sizeName(school, largestAtEnd(stud, school)?.size ?? '')} at most`,
        })),
      );
    },
  ),
  lead(
    {
      id: 'lead-device',
      severity: 'stop',
      reads: ['leads.through'],
      when: 'something in line with a lead carries more than it is rated for',
      why: 'Its contacts overheat or weld.',
      todo: 'One with a higher rating.',
      hazard: 'fire',
      confirm: 'eyes',
      source: SOURCES.maker,
    },
    ({ lead: l, result }) =>
      l.through.flatMap((d) =>
        when(
          result !== undefined && d.ratingA !== null && result.carries.amps > d.ratingA && !(result.carries.cranks && d.kind !== 'shunt'),
          () => ({
            suffix: `-${d.id}`,
            severity: d.kind === 'shunt' ? 'fix' : 'stop',
            title: `its ${d.kind} rated ${d.ratingA ?? 0} A carries ${Math.round(result?.carries.amps ?? 0)} A`,
            why: d.kind === 'shunt' ? 'It warms, and reads wrong.' : 'Its contacts overheat or weld.',
          }),
        ),
      ),
  ),
  lead(
    {
      id: 'lead-device-unrated',
      severity: 'note',
      reads: ['leads.through.ratingA'],
      when: 'the rating of something in line with a lead is not entered',
      why: 'Whether it bears the current is not known.',
      todo: 'Read its rating off it, and enter it.',
      hazard: 'fire',
      confirm: 'eyes',
      source: SOURCES.maker,
    },
    ({ lead: l, result }) =>
      l.through.flatMap((d) =>
        when(d.ratingA === null && result !== undefined && result.carries.amps > 0, () => ({
          suffix: `-${d.id}`,
          title: `the rating of its ${d.kind} is not entered; it carries ${Math.round(result?.carries.amps ?? 0)} A`,
        })),
      ),
  ),
];

const joinsNegative = (design: MainSideParts, l: BatteryCable): boolean =>
  [l.from, l.to].some((e) => {
    if (e.kind === 'bank') return true;
    const kind = e.kind === 'bar' ? rowOf(design.bars, e.id)?.kind : undefined;
    return kind === 'negative bus' || kind === 'engine';
  });
const onBar = (design: MainSideParts, barId: string): readonly BatteryCable[] => design.leads.filter((l) => endsOn(l, 'bar', barId));
const bankName = (design: MainSideParts, id: string): string => rowOf(design.banks, id)?.name ?? id;

const second = (
  rail: 'earth' | 'negative',
  row: Pick<MainSideRule, 'id' | 'severity' | 'when' | 'why'> & { title: string },
): MainSideRule => ({
  ...row,
  about: 'lead',
  reads: ['leads'],
  todo: 'Leave one joint, take the other off.',
  hazard: 'stray current',
  confirm: 'a meter',
  source: SOURCES.dc,
  find: ({ design }) =>
    loops(design)
      .filter((l) => (l.rail === 'earth') === (rail === 'earth'))
      .map((l) => ({ id: l.id, title: row.title })),
  cure: removeIt,
});

/** Terminals on a post of a bank: its leads, and its circuits where they land on the post itself. */
function onPost(design: MainSideParts, bankId: string, rail: 'positive' | 'negative'): number {
  const circuits = design.circuits.filter((c) => c.from.kind === 'bank' && c.from.id === bankId).reduce((sum, c) => sum + c.pin.legs, 0);
  const leads = design.leads.filter((l) => l.rail === rail && endsOn(l, 'bank', bankId)).length;
  return leads + (rail === 'positive' || returnBar(design, bankId) === null ? circuits : 0);
}

const WHOLE: readonly MainSideRule[] = [
  {
    id: 'charge-path',
    about: 'source',
    severity: 'fix',
    reads: ['sources.ratedA', 'leads', 'house.criticalDropPct'],
    when: 'the battery cables of a source, out and back together, lose more than a critical load may',
    why: 'The regulator sees its volts before the battery does: it goes over to absorption early, and the bank is never full.',
    todo: 'Heavier cables where most is lost, a shorter way, or sensing at the battery.',
    hazard: 'none',
    confirm: 'a meter',
    source: SOURCES.dc,
    find: ({ design, leads }) =>
      design.sources.flatMap((s): readonly Told[] => {
        const lostV = s.ratedA * ledOhm(design, s, leads);
        const pct = (100 * lostV) / design.boat.systemV;
        return when(pct > design.house.criticalDropPct + 1e-9, () => ({
          id: s.id,
          title: `its battery cables lose ${lostV.toFixed(2)} V at ${Math.round(s.ratedA)} A, ${pct.toFixed(1)} % of nominal; ${design.house.criticalDropPct} % may be lost`,
        }));
      }),
  },
  {
    id: 'loose',
    about: 'bar',
    severity: 'fix',
    reads: ['bars', 'leads'],
    when: 'a bar is connected to no battery',
    why: 'What is earthed or returned there has no way back.',
    todo: 'Give it a lead: Wiring, main side.',
    hazard: 'shock',
    confirm: 'a meter',
    source: SOURCES.practice,
    find: ({ design }) =>
      loose(design).map(({ barId, empty }) => ({ id: barId, title: empty ? 'nothing lands on it' : 'is connected to no battery' })),
  },
  {
    id: 'paralleled',
    about: 'lead',
    severity: 'stop',
    reads: ['leads', 'banks', 'joins'],
    when: 'a lead ties two banks together for good',
    why: 'Two banks fed and drained as one at all times: the weaker one drains the other, and no switch parts them.',
    todo: 'Lead it to one of them, or through a selector, a relay or a DC–DC charger.',
    hazard: 'fire',
    confirm: 'eyes',
    source: SOURCES.practice,
    find: ({ design }) =>
      paralleled(design).map(({ lead: l, banks }) => ({
        id: l.id,
        title: `puts ${bankName(design, banks[0])} and ${bankName(design, banks[1])} side by side`,
      })),
    cure: removeIt,
  },
  second('earth', {
    id: 'second-joint',
    severity: 'stop',
    title: 'joins the earths to the negative a second time',
    when: 'the earths are joined to the negative twice',
    why: 'Starting and charging current finds its way through the bonding and eats the metal under water.',
  }),
  second('negative', {
    id: 'second-joint',
    severity: 'fix',
    title: 'closes a loop of negatives',
    when: 'negative leads close a loop',
    why: 'Current divides as it likes, and a shunt in the loop reads wrong.',
  }),
  {
    id: 'hull-return',
    about: 'bar',
    severity: 'stop',
    reads: ['bars.kind', 'leads.rail'],
    when: 'a positive or negative lead lands on the hull',
    why: 'The hull is never a return: it is eaten from within.',
    todo: 'Insulated two-wire DC, and a leakage check; the hull is bonded at one point only.',
    hazard: 'stray current',
    confirm: 'a meter',
    source: SOURCES.dc,
    find: ({ design }) =>
      design.bars.flatMap((b): readonly Told[] =>
        when(b.kind === 'hull' && onBar(design, b.id).some((l) => l.rail !== 'earth'), () => ({ id: b.id, title: 'carries current' })),
      ),
  },
  {
    id: 'ac-earth',
    about: 'bar',
    severity: 'fix',
    reads: ['bars.kind', 'leads'],
    when: 'the AC earth bar is not joined to the DC negative',
    why: 'An AC fault to anything on the DC side finds no way back and trips nothing.',
    todo: 'One earth lead to the main negative bus or the engine’s negative; or a whole-boat residual-current device or an isolation transformer, where the school allows it.',
    hazard: 'shock',
    confirm: 'a meter',
    source: SOURCES.ac,
    find: ({ design }) =>
      design.bars.flatMap((b): readonly Told[] => {
        const on = onBar(design, b.id);
        return when(b.kind === 'AC earth bar' && on.length > 0 && !on.some((l) => l.rail === 'earth' && joinsNegative(design, l)), () => ({
          id: b.id,
          title: 'is not joined to the DC negative',
        }));
      }),
  },
  {
    id: 'stud',
    about: 'bank',
    severity: 'fix',
    reads: ['leads', 'circuits.from', 'circuits.pin'],
    when: `more than ${MOST_ON_A_STUD} terminals land on a battery's post`,
    why: `More than ${MOST_ON_A_STUD} on a stud: the lower ones loosen and heat.`,
    todo: 'A bus bar beside it, one cable to the post.',
    hazard: 'fire',
    confirm: 'eyes',
    source: SOURCES.dc,
    find: ({ design }) =>
      design.banks.flatMap((b) =>
        (['positive', 'negative'] as const).flatMap((rail): readonly Told[] => {
          const n = onPost(design, b.id, rail);
          return when(n > MOST_ON_A_STUD, () => ({ id: b.id, suffix: `-${rail}`, title: `${n} terminals on its ${rail} post` }));
        }),
      ),
  },
  {
    id: 'round-shunt',
    about: 'bank',
    severity: 'fix',
    reads: ['leads.through', 'leads'],
    when: 'a negative lands on the battery’s post beside the shunt',
    why: 'What lands on the battery’s post goes round the shunt: the gauge is wrong from then on.',
    todo: 'Land it on the negative bus, on the far side of the shunt.',
    hazard: 'stranded',
    confirm: 'eyes',
    source: SOURCES.practice,
    find: ({ design }) =>
      design.banks.flatMap((b): readonly Told[] => {
        const shunt = shuntCable(design, b.id);
        const round = shunt ? design.leads.filter((l) => l.id !== shunt.id && l.rail === 'negative' && endsOn(l, 'bank', b.id)) : [];
        return when(round.length > 0, () => ({ id: b.id, title: `its gauge does not count ${round.map((l) => l.name).join(', ')}` }));
      }),
    cure: (design, { about }) => {
      const shunt = shuntCable(design, about.id);
      const bar = shunt && [shunt.from, shunt.to].find((e) => e.kind === 'bar');
      return bar
        ? design.leads
            .filter((l) => l.id !== shunt.id && l.rail === 'negative' && endsOn(l, 'bank', about.id))
            .map((l) => setOp(design, ['leads', l.id, l.from.kind === 'bank' && l.from.id === about.id ? 'from' : 'to'], bar))
        : null;
    },
  },
];

export const MAIN_SIDE_RULES: readonly MainSideRule[] = [...LEADS, ...WHOLE];
