/** Rules on the main side as a whole: loops, banks side by side, returns through the hull, what goes round the shunt; and all rules on it in their order. */
import { type BatteryCable, setOp, nominalVOf, rowOf, dropOp, blankDevice, idsFor, kindOf, startBankOf } from '../../design';
import { loops, loose, paralleled, returnBar, shuntCable } from '../../topology';
import { ledOhm, MOST_ON_A_STUD } from '../../mainSide';
import { SOURCES, type Told, when } from '../rule';
import type { MainSideParts } from './reads';
import { BATTERY_CABLE_RULES } from './batteryCables';
import { endsOn, type MainSideRule, removeIt } from './mainSideRule';
import { cablesProposed } from './proposed';

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
    reads: ['sources.ratedA', 'leads', 'house.criticalDropPct', 'banks.placeId', 'places'],
    when: 'the battery cables of a source, out and back together, lose more than a critical load may',
    why: 'The regulator sees its volts before the battery does: it goes over to absorption early, and the bank is never full.',
    todo: 'Heavier cables where most is lost, a shorter way, or sensing at the battery.',
    hazard: 'none',
    confirm: 'a meter',
    source: SOURCES.dc,
    find: ({ design, leads }) =>
      design.sources.flatMap((s): readonly Told[] => {
        const lostV = s.ratedA * ledOhm(design, s, leads);
        const pct = (100 * lostV) / nominalVOf(design, s.bankId);
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
    cure: (design, { about }) => (onBar(design, about.id).length === 0 ? [dropOp(design, 'bars', about.id)] : null),
  },
  {
    id: 'starter-cable',
    about: 'bank',
    severity: 'fix',
    reads: ['leads', 'bars.kind', 'banks.job', 'circuits.taps'],
    when: 'the main side is entered and the bank that turns the engine has no cable to the starter',
    why: 'The heaviest cable aboard is not sized, and what it takes in a cold start is not known.',
    todo: 'Wiring, main side, "propose"; or its run as a circuit.',
    hazard: 'stranded',
    confirm: 'eyes',
    source: SOURCES.practice,
    find: ({ design }) => {
      const start = startBankOf(design);
      if (!start || design.leads.length === 0) return [];
      const led = design.leads.some(
        (l) => l.rail === 'positive' && [l.from, l.to].some((e) => e.kind === 'bar' && rowOf(design.bars, e.id)?.kind === 'starter'),
      );
      const run = design.circuits.some((c) =>
        c.taps.some((t) => {
          const load = t.serves.kind === 'load' ? rowOf(design.loads, t.serves.id) : undefined;
          return load !== undefined && kindOf(load) === 'starter';
        }),
      );
      return when(!led && !run, () => ({ id: start.id, title: 'has no cable to the starter' }));
    },
    cure: (design, { about }) =>
      cablesProposed(
        design,
        (l, bars) => l.rail === 'positive' && l.from.id === about.id && l.to.kind === 'bar' && rowOf(bars, l.to.id)?.kind === 'starter',
      ),
  },
  {
    id: 'no-shunt',
    about: 'bank',
    severity: 'note',
    reads: ['leads.through', 'leads'],
    when: 'the main side is entered and no shunt is in the negative of the house bank',
    why: 'Amp-hours are not counted: how full the bank is can only be guessed from its volts.',
    todo: 'A shunt in the bank’s negative, with everything else on its far side.',
    hazard: 'stranded',
    confirm: 'eyes',
    source: SOURCES.practice,
    find: ({ design }) => {
      const house = design.banks.find((b) => b.job === 'house') ?? design.banks[0];
      const own = house && design.leads.some((l) => l.rail === 'negative' && endsOn(l, 'bank', house.id));
      return when(own === true && shuntCable(design, house?.id ?? '') === null, () => ({
        id: house?.id ?? '',
        title: 'has no shunt in its negative',
      }));
    },
    cure: (design, { about }) => {
      const l = design.leads.find((x) => x.rail === 'negative' && endsOn(x, 'bank', about.id));
      const shunt = l && { ...blankDevice(idsFor(design)('d'), 'shunt'), placeId: rowOf(design.banks, about.id)?.placeId ?? null };
      return l && shunt ? [setOp(design, ['leads', l.id, 'through'], [shunt, ...l.through])] : null;
    },
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
    // What joins it to anything else but a case is led to the negative instead.
    cure: (design, { about }) => {
      const bus = design.bars.find((b) => b.kind === 'negative bus');
      const stray = onBar(design, about.id).find((l) => l.rail === 'earth' && [l.from, l.to].every((e) => e.kind === 'bar'));
      if (!bus || !stray) return null;
      const far = stray.from.id === about.id ? 'to' : 'from';
      return [setOp(design, ['leads', stray.id, far], { kind: 'bar', id: bus.id })];
    },
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

export const MAIN_SIDE_RULES: readonly MainSideRule[] = [...BATTERY_CABLE_RULES, ...WHOLE];
