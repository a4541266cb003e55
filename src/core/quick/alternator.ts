/** Five minutes at an alternator that was swapped, or is to be: cable, fuse, belt, sense, surge, old leads. */
import { analyse } from '../analysis';
import { BELTS, blankBank, blankDesign, blankSource, CHEMISTRY_IDS, type Design, EXCITATION, type Source } from '../design';
import { propose } from '../propose';
import { show, sizeName } from '../quantity';
import { beltA, oldLeads } from '../charging';
import type { School } from '../rules';
import { num, pick, type QuickAnswer, type QuickCheck, type QuickLine, seen, type Typed, word, yes } from './question';
import { sizeTyped } from './size';

const VOLTS = ['12', '24', '48'] as const;
const FUELS = ['diesel', 'petrol'] as const;

function machine(t: Typed, systemV: number, ratedA: number, excitation: (typeof EXCITATION)[number], tacho = true): Source {
  const blank = blankSource('alt', 'alternator', systemV, 'house');
  return {
    ...blank,
    name: 'Alternator',
    placeId: 'engine',
    ratedA,
    alternator: blank.alternator && {
      ...blank.alternator,
      curve: blank.alternator.curve.map((p) => ({ ...p, amps: (p.amps * ratedA) / Math.max(1, blank.ratedA) })),
      belt: pick(t, 'belt', BELTS, blank.alternator.belt),
      excitation,
      tacho,
      suppressor: yes(t, 'suppressor') === true,
      ignitionProtected: yes(t, 'ignition') === true,
    },
  };
}

function boatWith(school: School, t: Typed, there: boolean): Design {
  let n = 0;
  const fresh = (prefix: string) => `${prefix}${++n}`;
  const systemV = Number(pick(t, 'volts', VOLTS, '12')) as 12 | 24 | 48;
  const blank = blankDesign('Five minutes', school, 10, 3, systemV);
  const bank = { ...blankBank('house', systemV, 'saloon'), chemistry: pick(t, 'chemistry', CHEMISTRY_IDS, 'agm'), strings: 1 };
  const sized = {
    ...bank,
    blockAh: num(t, 'bankAh') ?? bank.blockAh,
    bms:
      bank.chemistry === 'lfp'
        ? { overV: (14.8 * systemV) / 12, underV: (10.8 * systemV) / 12, lowChargeC: 0, toleranceV: 0.05, warns: yes(t, 'warns') === true }
        : null,
  };
  const source = machine(t, systemV, num(t, 'ratedA') ?? 100, pick(t, 'excitation', EXCITATION, 'three-wire'), yes(t, 'tacho') !== false);
  const { design } = propose(
    { ...blank, engine: { ...blank.engine, fuel: pick(t, 'fuel', FUELS, 'diesel') }, banks: [sized], sources: [source] },
    ['mainSide', 'smallLeads'],
    fresh,
  );
  const size = there ? sizeTyped(blank.boat, word(t, 'size')) : null;
  const ends = (l: Design['leads'][number]) => l.from.kind === 'source' || l.to.kind === 'source';
  return {
    ...design,
    leads: design.leads.map((l) =>
      ends(l)
        ? {
            ...l,
            lengthM: num(t, 'runM') ?? 2.5,
            ...(there ? { size, ...(l.rail === 'positive' ? { fused: yes(t, 'fused') !== false, ratingA: num(t, 'fuseA') } : {}) } : {}),
          }
        : l,
    ),
    smallLeads: design.smallLeads.map((s) =>
      there && s.purpose === 'excitation' && yes(t, 'diode') !== null ? { ...s, diode: yes(t, 'diode') === true } : s,
    ),
  };
}

const ASKED =
  /^(unfused|reduction|lead|lead-conflict|belt|dump-|bms-warns|excite-diode|small-unfused|charge-path|vapour-source|set-largest-current|set-BMS)/;

function answer(school: School, t: Typed): QuickAnswer {
  const [asked, there] = [boatWith(school, t, false), boatWith(school, t, true)];
  const units = asked.boat;
  const [wanted, own] = [analyse(asked), analyse(there)];
  const output = (d: Design) => d.leads.find((l) => l.rail === 'positive' && (l.from.kind === 'source' || l.to.kind === 'source'));
  const want = wanted.leads.find((l) => l.id === output(asked)?.id);
  const lead = output(there);
  const has = own.leads.find((l) => l.id === lead?.id);
  // What the bank takes is not known before its size is.
  const sizeKnown = num(t, 'bankAh') !== null;
  const findings = own.findings.filter(
    (f) => ASKED.test(f.rule) && (sizeKnown || f.rule !== 'set-largest-current') && (f.about.kind !== 'lead' || f.about.id === lead?.id),
  );
  const fires = (...rules: readonly string[]) => findings.some((f) => rules.includes(f.rule));
  const size = sizeTyped(units, word(t, 'size'));
  const fuseA = num(t, 'fuseA');
  const source = there.sources[0];
  const oldA = num(t, 'oldA');
  const belt = source?.alternator ? beltA(source.alternator.belt, there.boat.systemV) : null;
  const lines: QuickLine[] = [
    {
      what: 'output cable',
      asked: want ? sizeName(want.conductor.school, want.conductor.size) : '–',
      there: size ? sizeName(size.school, size.size) : '',
      ok: size ? !fires('lead', 'lead-conflict', 'charge-path') : null,
      why: `${source?.ratedA ?? 0} A for hours in a hot place, ${show(has?.lengthM ?? NaN, 'm', units)} one way; 3 % out and back`,
    },
    {
      what: 'fuse at the battery end',
      asked: want?.device ? `${want.device.own.protection.ratingA} A` : '–',
      there: yes(t, 'fused') === false ? 'none' : fuseA === null ? '' : `${fuseA} A`,
      ok: yes(t, 'fused') === false ? false : fuseA === null ? null : !fires('lead-conflict', 'unfused'),
      why: 'the battery is a source into that cable, the engine stopped or not',
    },
    {
      what: 'belt carries it',
      asked: `${source?.ratedA ?? 0} A`,
      there: belt === null ? '' : `${pick(t, 'belt', BELTS, 'V 10 mm' as (typeof BELTS)[number])}: ${Math.round(belt)} A`,
      ok: word(t, 'belt') === '' ? null : !fires('belt'),
      why: 'what a belt does not carry it slips, glazes and dusts away',
    },
    seen(
      'a suppressor at the alternator itself',
      yes(t, 'suppressor'),
      'a cable off its stud, a selector through OFF or a BMS destroys its diodes',
    ),
    seen('excitation through a diode', yes(t, 'diode'), 'without one the engine may not stop'),
    seen('it senses the bank it charges', yes(t, 'sense'), 'beyond splitter and cable; else the bank is never full'),
    seen('temperature sensor on a battery', yes(t, 'sensor'), 'lead-acid boils when it is warm, and starves in the cold'),
    ...(pick(t, 'chemistry', CHEMISTRY_IDS, 'agm') === 'lfp'
      ? [seen('its BMS warns the regulator first', yes(t, 'warns'), 'it opens without asking')]
      : []),
    ...(pick(t, 'fuel', FUELS, 'diesel') === 'petrol' ? [seen('ignition protected', yes(t, 'ignition'), 'petrol vapour explodes')] : []),
    seen('tachometer reads right', yes(t, 'tachoReads'), 'set anew for poles and ratio; dead where the new one gives no signal'),
  ];
  const before = machine(t, asked.boat.systemV, oldA ?? source?.ratedA ?? 100, pick(t, 'oldExcitation', EXCITATION, 'three-wire'));
  // The leads that are aboard are the old one's.
  let n = 0;
  const aboard = propose({ ...asked, sources: [before], smallLeads: [] }, ['smallLeads'], (prefix) => `o${prefix}${++n}`).design;
  const leads = source
    ? oldLeads(aboard, before, source).map((l): QuickLine => ({
        what: `old lead: ${l.name}`,
        asked: l.fate,
        there: '',
        ok: null,
        why: l.why,
      }))
    : [];
  return {
    lines: [...lines, ...leads],
    findings: findings.filter((f) => f.severity !== 'note'),
    assumed: ['engine space as warm as is usual, cable of 105 °C', num(t, 'bankAh') === null ? 'a bank of usual size' : ''].filter(Boolean),
    caution:
      'Battery negative off first, on last; hands clear of the belt. Never open the charging circuit with the engine running. The maker’s instructions and licensed practice come first.',
  };
}

export const ALTERNATOR_CHECK: QuickCheck = {
  id: 'alternator',
  name: 'alternator swap',
  about: 'Cable, fuse, belt, sense, surge, old leads: what is usually forgotten.',
  questions: () => [
    { key: 'volts', ask: 'battery volts', kind: 'choice', options: VOLTS },
    { key: 'fuel', ask: 'engine burns', kind: 'choice', options: FUELS },
    { key: 'oldA', ask: 'old one’s label', kind: 'number', unit: 'A', usual: null, low: 10, high: 500 },
    { key: 'ratedA', ask: 'new one’s label', kind: 'number', unit: 'A', usual: 100, low: 10, high: 500 },
    { key: 'oldExcitation', ask: 'old one wakes', kind: 'choice', options: EXCITATION },
    { key: 'excitation', ask: 'new one wakes', kind: 'choice', options: EXCITATION },
    { key: 'belt', ask: 'belt', kind: 'choice', options: BELTS },
    { key: 'chemistry', ask: 'batteries are', kind: 'choice', options: ['agm', 'flooded', 'gel', 'lfp'] },
    { key: 'bankAh', ask: 'bank', kind: 'number', unit: 'Ah', usual: null, low: 20, high: 5000 },
    { key: 'runM', ask: 'alternator to battery, one way', kind: 'number', unit: 'm', usual: 2.5, low: 0.1, high: 30 },
    { key: 'size', ask: 'output cable', kind: 'size' },
    { key: 'fused', ask: 'is it fused at the battery', kind: 'yes' },
    { key: 'fuseA', ask: 'that fuse', kind: 'number', unit: 'A', usual: null, low: 5, high: 1000 },
    { key: 'suppressor', ask: 'suppressor at the alternator', kind: 'yes' },
    { key: 'diode', ask: 'diode in the excitation', kind: 'yes' },
    { key: 'sense', ask: 'senses the bank it charges', kind: 'yes' },
    { key: 'sensor', ask: 'temperature sensor', kind: 'yes' },
    { key: 'warns', ask: 'BMS warns the regulator', kind: 'yes' },
    { key: 'ignition', ask: 'ignition protected', kind: 'yes' },
    { key: 'tacho', ask: 'new one gives a signal of its speed', kind: 'yes' },
    { key: 'tachoReads', ask: 'tachometer reads right', kind: 'yes' },
  ],
  answer,
};
