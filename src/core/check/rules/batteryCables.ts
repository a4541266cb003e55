/** Rules on single battery cables: their ends, their device, their conductor. */
import { setOp, rowOf } from '../../design';
import { endName } from '../../topology';
import { sizeName } from '../../quantity';
import { endTakes, largestAtEnd, studName } from '../../rules';
import { ASK_SHORT, NONE_INTERRUPTS, type Said, shortIsCause, SOURCES, type Told, when } from '../rule';
import { gone, type MainSideRow, type MainSideRule, type OneLead, removeIt, toItself } from './mainSideRule';

/** A rule asked of every battery cable that lands somewhere. */
const lead = (row: MainSideRow, told: (one: OneLead) => readonly Said[]): MainSideRule => ({
  source: SOURCES.dc,
  ...row,
  about: 'lead',
  find: ({ each }) => each.flatMap((one) => told(one).map((t) => ({ ...t, id: one.lead.id }))),
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

export const BATTERY_CABLE_RULES: readonly MainSideRule[] = [
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
      reads: ['leads', 'circuits', 'sources', 'engine', 'banks', 'places'],
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
      reads: ['leads.family', 'leads.ratingA', 'banks', 'sources', 'places'],
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
      const shortOf = result?.device?.own.protection.shortOf ?? null;
      return when(conflict !== null, () => ({
        ...shortIsCause(shortOf),
        ...(asks
          ? { severity: 'fix' as const, title: 'its device may not interrupt the bank', todo: ASK_SHORT }
          : shortOf !== null
            ? { title: NONE_INTERRUPTS, todo: ASK_SHORT }
            : { title: 'no device suits both sides' }),
        why: conflict ?? '',
      }));
    },
  ),
  lead(
    {
      id: 'lead-end',
      severity: 'stop',
      reads: ['leads.fromStud', 'leads.toStud', 'leads.size', 'banks', 'engine'],
      when: 'a stud of a battery cable does not take the conductor',
      why: 'A lug sits on a stud that is too small: it runs hot, and works loose.',
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
