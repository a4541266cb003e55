/** Five minutes at an inverter or inverter-charger: fuse, cable, its distance, case earth, disconnect, bond. */
import { analyse, studied } from '../analysis';
import {
  addAcSourceOps,
  applyEdit,
  blankAcSource,
  blankBank,
  blankCircuit,
  blankDesign,
  blankDevice,
  CHEMISTRY_IDS,
  type Circuit,
  type Design,
  type Finding,
  UNPINNED,
} from '../design';
import { propose } from '../propose';
import { round3, show, sizeName, type Units } from '../quantity';
import { findConductor, RULE_SETS, type School } from '../rules';
import { num, pick, type QuickAnswer, type QuickCheck, type QuickLine, seen, type Typed, word, yes } from './question';
import { sizeTyped } from './size';

const VOLTS = ['12', '24', '48'] as const;
interface Made {
  readonly design: Design;
  readonly units: Units;
}

function boatWith(school: School, t: Typed, there: boolean): Made {
  let n = 0;
  const fresh = (prefix: string) => `${prefix}${++n}`;
  const systemV = Number(pick(t, 'volts', VOLTS, '12')) as 12 | 24 | 48;
  const blank = blankDesign('Five minutes', school, 10, 3, systemV);
  const bank = { ...blankBank('house', systemV, 'saloon'), chemistry: pick(t, 'chemistry', CHEMISTRY_IDS, 'agm') };
  const blocks = bank.series * bank.blockAh;
  const sized = { ...bank, strings: 1, blockAh: num(t, 'bankAh') ?? blocks };
  const base = blankAcSource('inv', 'inverter', blank.boat);
  const source = {
    ...base,
    placeId: 'saloon',
    inverter: base.inverter && {
      ...base.inverter,
      va: num(t, 'va') ?? 2000,
      aired: yes(t, 'aired') !== false,
      dry: yes(t, 'dry') !== false,
    },
  };
  const start: Design = { ...blank, banks: [sized] };
  const added = applyEdit(start, { ops: addAcSourceOps(start, source, fresh).flatMap((op) => op ?? []) });
  const grown = added.ok ? added.design : start;
  const row = grown.loads[0];
  const disconnect = yes(t, 'disconnect');
  const far = num(t, 'disconnectM') ?? 1;
  // The disconnect stands on the way, as far from the inverter as was entered.
  const circuit: Circuit = {
    ...blankCircuit('run', '1', 'Inverter', { kind: 'bank', id: 'house' }),
    supply: 'house switch',
    taps: row ? [{ id: 't', parent: null, serves: { kind: 'load', id: row.id }, tapedM: num(t, 'runM') ?? 1.5 }] : [],
    devices: disconnect === false ? [] : [{ ...blankDevice('off', 'isolator'), ratingA: 500, placeId: far > 2 ? 'lazarette' : 'saloon' }],
    deviceAtM: there ? (num(t, 'fuseAtM') ?? 0) : 0,
    pin: { ...UNPINNED, ...(there ? { size: sizeTyped(blank.boat, word(t, 'size')), ratingA: num(t, 'fuseA') } : {}) },
  };
  const { design } = propose({ ...grown, circuits: [circuit] }, ['mainSide', 'ac'], fresh);
  const caseSize = there ? sizeTyped(blank.boat, word(t, 'caseSize')) : null;
  return {
    units: blank.boat,
    design: {
      ...design,
      leads: design.leads
        .filter(
          (l) =>
            !(there && yes(t, 'caseEarth') === false && l.to.kind === 'case') &&
            !(there && yes(t, 'caseEarth') === false && l.from.kind === 'case'),
        )
        .map((l) => (caseSize && (l.from.kind === 'case' || l.to.kind === 'case') ? { ...l, size: caseSize } : l)),
    },
  };
}

/** Rules whose words are of the inverter and its cable. */
const concerns = (f: Finding): boolean =>
  (f.about.kind === 'circuit' && f.about.id === 'run') ||
  (f.about.kind === 'AC source' && f.about.id === 'inv') ||
  (f.about.kind === 'lead' && f.rule === 'case-earth');
const NOT_ASKED = new Set([
  'sheet-unread',
  'ac-unused',
  'terminal-heat',
  'unsure',
  'maker-silent',
  'device-unrated',
  'mount-unknown',
  'path-drop',
]);

function answer(school: School, t: Typed): QuickAnswer {
  const asked = boatWith(school, t, false);
  const { design, units } = boatWith(school, t, true);
  const [wanted, own] = [analyse(asked.design), analyse(design)];
  const [late, lateOwn] = [studied(asked.design, wanted), studied(design, own)];
  const run = wanted.circuits.find((c) => c.id === 'run');
  const machine = late.power.inverters.find((i) => i.id === 'inv');
  const mine = lateOwn.power.inverters.find((i) => i.id === 'inv');
  const size = sizeTyped(units, word(t, 'size'));
  const within = RULE_SETS[school].protectionWithinM.bare;
  const findings = [...own.findings, ...lateOwn.findings].filter((f) => concerns(f) && !NOT_ASKED.has(f.rule));
  const chosen = run?.own.ladder.chosen;
  const hasArea = size && (findConductor(size.school, size.size)?.areaMm2 ?? 0);
  const wantArea = chosen ? (findConductor(chosen.school, chosen.size)?.areaMm2 ?? 0) * chosen.legs : 0;
  const caseHas = sizeTyped(units, word(t, 'caseSize'));
  const [fuseA, fuseAt] = [num(t, 'fuseA'), num(t, 'fuseAtM')];
  const failsCable = findings.some((f) => /^fails-|^ac-dc-cable|^protection-conflict/.test(f.rule));
  const lines: QuickLine[] = [
    {
      what: 'DC cable, each way',
      asked: chosen ? `${chosen.legs > 1 ? `${chosen.legs} × ` : ''}${sizeName(chosen.school, chosen.size)}` : '–',
      there: size ? sizeName(size.school, size.size) : '',
      ok: hasArea === null || hasArea === undefined ? null : hasArea >= wantArea || !failsCable,
      why: `${show(machine?.heatingA ?? NaN, 'A', units)} heat it at full output on low volts, with their ripple; ${show(run?.lengthM ?? NaN, 'm', units)} one way`,
    },
    {
      what: 'fuse at the battery',
      asked: run ? `${run.own.protection.ratingA} A` : '–',
      there: fuseA === null ? '' : `${fuseA} A`,
      ok:
        fuseA === null
          ? null
          : !findings.some((f) => ['fails-protection', 'protection-conflict', 'ac-dc-fuse', 'fails-fault'].includes(f.rule)),
      why: `over ${show(machine?.fullA ?? NaN, 'A', units)} at full output, under what the cable carries; the maker's own figure comes first`,
    },
    {
      what: 'from battery post to fuse',
      asked: `${show(within, 'm', units)} at most`,
      there: fuseAt === null ? '' : show(fuseAt, 'm', units),
      ok: fuseAt === null ? null : fuseAt <= within + 1e-9,
      why: 'before it nothing opens: further only where it is sheathed all the way, as the school has it',
    },
    {
      what: 'case earth',
      asked: machine?.caseWanted ? sizeName(machine.caseWanted.school, machine.caseWanted.size) : '–',
      there: yes(t, 'caseEarth') === false ? 'none' : caseHas ? sizeName(caseHas.school, caseHas.size) : '',
      ok:
        yes(t, 'caseEarth') === false
          ? false
          : caseHas && machine?.caseWanted
            ? (findConductor(caseHas.school, caseHas.size)?.areaMm2 ?? 0) >= machine.caseWanted.areaMm2 - 1e-9
            : null,
      why: 'no more than one size below the DC positive: a positive on the case must open the fuse',
    },
    seen(
      'DC disconnect within reach',
      yes(t, 'disconnect') === null ? null : yes(t, 'disconnect') === true && (num(t, 'disconnectM') ?? 1) <= 2,
      'asleep it looks dead to every tester, and wakes when touched',
    ),
    {
      what: 'volts at it, full output and low charge',
      asked: `${show(machine?.minV ?? NaN, 'V', units)} at least`,
      there: size && mine && Number.isFinite(mine.fullV) ? show(mine.fullV, 'V', units) : '',
      ok: size && mine && Number.isFinite(mine.fullV) ? mine.fullV >= mine.minV : null,
      why: 'bank sag, joints, fuse and cable out and back',
    },
    seen('neutral joined to its earth while it inverts, and only then', yes(t, 'bond'), 'never aboard while shore power passes through'),
    seen('free air all round', yes(t, 'aired'), 'it shuts down, or burns'),
    seen('nothing can drip into it', yes(t, 'dry'), 'water inside is live at mains volts'),
  ];
  return {
    lines,
    findings: findings.filter((f) => f.severity !== 'note'),
    assumed: [
      `${round3(num(t, 'va') ?? 2000)} VA through 90 % efficiency at the lowest volts of the bank`,
      `cable of 105 °C in the open, ${show(30, 'C', units)}, alone in its run`,
      num(t, 'bankAh') === null ? 'a bank of usual size' : '',
    ].filter(Boolean),
    caution:
      'Shock and fire: disconnect open, capacitors discharged, proved dead at the AC side too, for a sleeping inverter wakes. The maker’s instructions, local code and licensed practice come first.',
  };
}

export const INVERTER_CHECK: QuickCheck = {
  id: 'inverter',
  name: 'inverter or inverter-charger',
  about: 'Fuse, cable, distance, case earth, disconnect: what is usually missing.',
  questions: () => [
    { key: 'volts', ask: 'battery volts', kind: 'choice', options: VOLTS },
    { key: 'va', ask: 'continuous output', kind: 'number', unit: 'VA', usual: 2000, low: 50, high: 20000 },
    { key: 'chemistry', ask: 'batteries are', kind: 'choice', options: ['agm', 'flooded', 'gel', 'lfp'] },
    { key: 'bankAh', ask: 'bank', kind: 'number', unit: 'Ah', usual: null, low: 20, high: 5000 },
    { key: 'runM', ask: 'cable, battery to inverter, one way', kind: 'number', unit: 'm', usual: 1.5, low: 0.1, high: 30 },
    { key: 'size', ask: 'its size', kind: 'size' },
    { key: 'fuseA', ask: 'its fuse', kind: 'number', unit: 'A', usual: null, low: 5, high: 1000 },
    { key: 'fuseAtM', ask: 'battery post to fuse', kind: 'number', unit: 'm', usual: null, low: 0, high: 20 },
    { key: 'caseEarth', ask: 'is its case earthed', kind: 'yes' },
    { key: 'caseSize', ask: 'size of that earth', kind: 'size' },
    { key: 'disconnect', ask: 'is there a DC disconnect', kind: 'yes' },
    { key: 'disconnectM', ask: 'how far from it', kind: 'number', unit: 'm', usual: null, low: 0, high: 20 },
    { key: 'bond', ask: 'neutral joined to earth only while it inverts', kind: 'yes' },
    { key: 'aired', ask: 'free air all round', kind: 'yes' },
    { key: 'dry', ask: 'dry, nothing drips on it', kind: 'yes' },
  ],
  answer,
};
