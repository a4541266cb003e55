/** Rules on small leads of sources, and on the surge suppressor as a part (docs/methods.md, "Small leads"). */
import { endsElsewhere, highestV, missingLeads, type SmallLeadResult, smallLeadResult } from '../../charging';
import { addOp, blocksV, idsFor, rowOf, setOp, type SmallLead } from '../../design';
import { tapFuseA, usualLead } from '../../propose';
import { round3, show } from '../../quantity';
import { CONDUCTORS } from '../../rules';
import { type Said, SOURCES, type Told, when } from '../rule';
import { bankOf, type ChargingRow, type ChargingRule, source } from './chargingRule';
import type { ChargingParts } from './reads';

/** What a sense lead may take of the volts it reads, V per 12: ours. */
const SENSE_V = 0.05;
/** What still goes on a regulator’s terminal, mm2: ours. */
const SMALL_MM2 = 6;
/** A suppressor conducts so much above the highest volts it sees in use, V per 12 at the least: ours; its maker rules. */
const ABOVE_V = 1;

const leadOf = (id: string): string => id.replace(/^[^:]*:/, '');

const aboutOf = ({ lead, source: s }: SmallLeadResult): Told['about'] =>
  s ? { kind: 'source', id: s.id } : lead.to?.kind === 'bank' ? { kind: 'bank', id: lead.to.id } : { kind: 'boat', id: 'boat' };

const each = (row: ChargingRow, told: (r: SmallLeadResult, design: ChargingParts) => readonly Said[]): ChargingRule => ({
  source: SOURCES.practice,
  ...row,
  about: 'source',
  find: (design) =>
    design.smallLeads.flatMap((l) => {
      const r = smallLeadResult(design, l);
      return told(r, design).map((t): Told => ({ ...t, id: l.id, about: aboutOf(r) }));
    }),
});

const setLead =
  (key: keyof SmallLead & string, to: (lead: SmallLead, design: ChargingParts) => unknown): NonNullable<ChargingRule['cure']> =>
  (design, { id }) => {
    const lead = rowOf(design.smallLeads, leadOf(id));
    return lead ? [setOp(design, ['smallLeads', lead.id, key], to(lead, design))] : null;
  };
const usualFuse = setLead('fuseA', (lead, design) => tapFuseA(lead.purpose, rowOf(design.sources, lead.sourceId)));

/** What taps a battery is live at all times. */
const TAPS: ReadonlySet<SmallLead['purpose']> = new Set(['sense', 'excitation', 'gauge supply']);

const LEADS: readonly ChargingRule[] = [
  source(
    {
      id: 'small-missing',
      severity: 'note',
      reads: ['sources.alternator', 'sources.regulator', 'smallLeads'],
      when: 'a source is regulated by leads that are on no list',
      why: 'Their runs, fuses and ends are found out on the day, and the regulator is blind until then.',
      todo: 'Charging, small leads: "propose".',
      hazard: 'none',
      confirm: 'eyes',
      source: SOURCES.practice,
      cure: (design, { about }) => {
        const s = rowOf(design.sources, about.id);
        const fresh = idsFor(design);
        return s ? missingLeads(design, s).map((p) => addOp(design, 'smallLeads', usualLead(design, fresh('small'), p, s))) : null;
      },
    },
    (s, design) => {
      const missing = missingLeads(design, s);
      return when(missing.length > 0, () => ({ title: `wants a lead for ${missing.join(', ')}, and none is entered` }));
    },
  ),
  each(
    {
      id: 'small-unfused',
      severity: 'fix',
      reads: ['smallLeads.fuseA', 'smallLeads.to'],
      when: 'a small lead taps a battery or a panel without a fuse of its own',
      why: 'The main fuse lets hundreds of amps into it: it burns from end to end.',
      todo: 'A small fuse right at the tap, of its maker’s rating.',
      hazard: 'fire',
      confirm: 'eyes',
      cure: usualFuse,
    },
    ({ lead }) =>
      when(lead.fuseA === null && TAPS.has(lead.purpose) && lead.to !== null && lead.to.kind !== 'place', () => ({
        title: `its ${lead.purpose} lead has no fuse at the ${lead.to?.kind === 'bank' ? 'battery' : 'panel'}`,
      })),
  ),
  each(
    {
      id: 'small-fuse-large',
      severity: 'stop',
      reads: ['smallLeads.fuseA', 'smallLeads.size'],
      when: 'the fuse of a small lead is larger than the lead bears',
      why: 'The lead burns before the fuse opens.',
      todo: 'A smaller fuse, or a heavier lead.',
      hazard: 'fire',
      confirm: 'eyes',
      cure: usualFuse,
    },
    ({ lead, izA }) =>
      when(lead.fuseA !== null && lead.fuseA > izA + 1e-9, () => ({
        title: `its ${lead.purpose} lead bears ${round3(izA)} A behind a ${round3(lead.fuseA ?? 0)} A fuse`,
      })),
  ),
  each(
    {
      id: 'excite-diode',
      severity: 'fix',
      reads: ['smallLeads.diode', 'smallLeads.purpose'],
      when: 'the excitation of an alternator has no diode',
      why: 'The alternator feeds the ignition back: the engine runs on after the key is off.',
      todo: 'A diode in the excitation lead, its band toward the alternator, or the charge lamp’s own.',
      hazard: 'damage',
      confirm: 'a meter',
      cure: setLead('diode', () => true),
    },
    ({ lead, source: s }) =>
      when(lead.purpose === 'excitation' && !lead.diode && s?.kind === 'alternator', () => ({ title: 'its excitation has no diode' })),
  ),
  each(
    {
      id: 'small-long',
      severity: 'fix',
      reads: ['smallLeads.lengthM', 'smallLeads.mostM', 'places.at'],
      when: 'a small lead is longer than its maker allows',
      why: 'What is measured at its far end is wrong, or does not arrive.',
      todo: 'A shorter way, its maker’s extension, or the machine nearer.',
      hazard: 'none',
      confirm: 'a meter',
      source: SOURCES.maker,
    },
    ({ lead, lengthM }, design) =>
      when(lead.mostM !== null && lengthM > lead.mostM + 1e-9, () => ({
        title: `its ${lead.purpose} lead runs ${show(lengthM, 'm', design.boat)}, ${show(lead.mostM ?? 0, 'm', design.boat)} are allowed`,
      })),
  ),
  each(
    {
      id: 'sense-drop',
      severity: 'fix',
      reads: ['smallLeads.amps', 'smallLeads.size', 'smallLeads.lengthM'],
      when: 'a sense lead takes so much of the volts it reads that the battery is overcharged',
      why: 'The regulator reads less than the battery has, and raises it by as much.',
      todo: 'A heavier or shorter sense lead, or what else draws through it on a lead of its own.',
      hazard: 'damage',
      confirm: 'a meter',
      cure: (design, { id }) => {
        const lead = rowOf(design.smallLeads, leadOf(id));
        const bank = rowOf(design.banks, rowOf(design.sources, lead?.sourceId)?.bankId);
        if (!lead || !bank) return null;
        const most = (SENSE_V * blocksV(bank)) / 12;
        const school = design.boat.ruleSet;
        const enough = CONDUCTORS[school].find((c) => smallLeadResult(design, { ...lead, size: { school, size: c.size } }).dropV <= most);
        return enough && enough.areaMm2 <= SMALL_MM2
          ? [setOp(design, ['smallLeads', lead.id, 'size'], { school, size: enough.size })]
          : null;
      },
    },
    ({ lead, dropV, source: s }, design) => {
      const bank = s && bankOf(s, design);
      return when(lead.purpose === 'sense' && bank !== undefined && dropV > (SENSE_V * blocksV(bank)) / 12, () => ({
        title: `its sense lead takes ${dropV.toFixed(2)} V`,
      }));
    },
  ),
  each(
    {
      id: 'small-elsewhere',
      severity: 'fix',
      reads: ['smallLeads.to', 'sources.bankId', 'banks.tempC'],
      when: 'a sense or temperature lead ends at another bank than its source charges',
      why: 'The regulator sees one battery and charges another.',
      todo: 'Lead it to the bank that is charged.',
      hazard: 'damage',
      confirm: 'eyes',
      cure: (design, { id }) => {
        const lead = rowOf(design.smallLeads, leadOf(id));
        const to = rowOf(design.sources, lead?.sourceId)?.bankId;
        return lead && to ? [setOp(design, ['smallLeads', lead.id, 'to'], { kind: 'bank', id: to })] : null;
      },
    },
    (r, design) => {
      const off = endsElsewhere(design, r);
      return when(off !== null, () => ({
        title: `its ${r.lead.purpose} lead ends at ${off?.at ?? ''}, and it charges ${off?.charges ?? ''}`,
        ...(off?.offV == null || Math.abs(off.offV) < 0.005
          ? {}
          : {
              why: `${off.charges} then gets ${Math.abs(off.offV).toFixed(2)} V too ${off.offV > 0 ? 'much' : 'little'}, as the two are warm now.`,
            }),
      }));
    },
  ),
];

type Part = NonNullable<NonNullable<ChargingParts['sources'][number]['alternator']>['suppressorPart']>;

const NOTHING_KNOWN: Part = { tripV: null, fuseA: null, underMainLug: null, lampSeen: null };

const partOf = ({ alternator }: ChargingParts['sources'][number]): Part | null =>
  alternator?.suppressor ? (alternator.suppressorPart ?? NOTHING_KNOWN) : null;

const part = (
  row: ChargingRow,
  told: (p: Part, at: { readonly highestV: number; readonly times: number }) => readonly Said[],
): ChargingRule =>
  source({ ...row }, (s, design) => {
    const p = partOf(s);
    const bank = bankOf(s, design);
    return p ? told(p, { highestV: bank ? highestV(s, bank) : 0, times: bank ? blocksV(bank) / 12 : 1 }) : [];
  });

const SUPPRESSOR: readonly ChargingRule[] = [
  part(
    {
      id: 'surge-trips',
      severity: 'fix',
      reads: ['sources.alternator.suppressorPart', 'sources.regulator', 'banks'],
      when: 'a surge suppressor conducts at volts the alternator reaches in use',
      why: 'It conducts at every cold absorption, burns out, and is gone when it is needed.',
      todo: 'One for higher volts, as the alternator’s and its own maker say.',
      hazard: 'damage',
      confirm: 'eyes',
    },
    ({ tripV }, { highestV: top, times }) =>
      when(tripV !== null && top > 0 && tripV < top + ABOVE_V * times, () => ({
        title: `its suppressor conducts from ${round3(tripV ?? 0)} V; its setpoint reaches ${top.toFixed(1)} V in the cold`,
      })),
  ),
  part(
    {
      id: 'surge-lug',
      severity: 'fix',
      reads: ['sources.alternator.suppressorPart'],
      when: 'a surge suppressor is not under the alternator’s main lug',
      why: 'When the main lug falls off, it goes with it or hangs elsewhere: nothing catches the surge.',
      todo: 'Its lug first on the output stud, the main lug above it.',
      hazard: 'damage',
      confirm: 'eyes',
    },
    ({ underMainLug }) => when(underMainLug === false, () => ({ title: 'its suppressor is not under the main lug' })),
  ),
  part(
    {
      id: 'surge-part-unknown',
      severity: 'note',
      reads: ['sources.alternator.suppressorPart'],
      when: 'of a surge suppressor the trip volts, the fuse, the place of its lug or of its lamp are not entered',
      why: 'Whether it is there when it is needed, and whether anyone sees that it is spent, is not tested.',
      todo: 'Read its sheet, look at the stud, and enter them under Charging.',
      hazard: 'none',
      confirm: 'eyes',
    },
    (p) => {
      const asked = { 'trip volts': p.tripV, fuse: p.fuseA, 'where its lug lies': p.underMainLug, 'whether its lamp is seen': p.lampSeen };
      const unknown = Object.entries(asked).flatMap(([what, value]) => (value === null ? [what] : []));
      const unseen = p.lampSeen === false;
      return when(unknown.length > 0 || unseen, () => ({
        title:
          unknown.length > 0
            ? `of its suppressor are not entered: ${unknown.join(', ')}`
            : 'the lamp of its suppressor is where nobody sees it',
      }));
    },
  ),
];

export const SMALL_LEAD_RULES: readonly ChargingRule[] = [...LEADS, ...SUPPRESSOR];
