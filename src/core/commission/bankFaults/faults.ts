/** What can be wrong with a bank, what hangs on it and what charges it, beside a bad joint (docs/methods.md, M16). */
import { bankSource } from '../../bank';
import { type Bank, type Circuit, type Design, rowOf, type Source } from '../../design';
import { bankBehind } from '../bankBehind';

export const BANK_TROUBLES = {
  flat: 'it is flat too soon',
  'not charging': 'nothing, or too little, charges it',
  overcharged: 'it is charged too hard: it gasses, smells, is hot, bulbs burn out',
} as const;
export type BankTrouble = keyof typeof BANK_TROUBLES;

export type BankFaultKind =
  'standing draw' | 'leak' | 'weak block' | 'set too low' | 'set too high' | 'gives nothing' | 'gives part' | 'stuck at full' | 'use';

export interface BankFault {
  readonly id: string;
  readonly kind: BankFaultKind;
  readonly what: string;
  /** Circuit, block (by its number) or source it sits in; the bank's, where it is none of them. */
  readonly at: string;
  /** From the least that counts to the most, in the unit: A drawn, V by which it is off for every 12 V, or the part of its output that is missing. */
  readonly least: number;
  readonly most: number;
  readonly unit: 'A' | 'V' | 'missing' | '';
  readonly prior: number;
}

/** The bank that is in trouble, with all that hangs on it and charges it. */
export interface BankScene {
  readonly design: Design;
  readonly bank: Bank;
  readonly trouble: BankTrouble;
  /** What the boat uses is more than she is given, by her own design. */
  readonly runsDown: boolean;
  readonly circuits: readonly Circuit[];
  readonly sources: readonly Source[];
}

export function bankScene(design: Design, bankId: string, trouble: BankTrouble, runsDown: boolean): BankScene | null {
  const bank = rowOf(design.banks, bankId);
  if (!bank) return null;
  return {
    design,
    bank,
    trouble,
    runsDown,
    circuits: design.circuits.filter((c) => bankBehind(design, c) === bank.id),
    sources: design.sources.filter((s) => s.bankId === bank.id && s.insteadOfId === null),
  };
}

/** How usual each kind is where that is complained of: shared by all things it may sit in. Ours, to be held against real cases. */
const USUAL: Readonly<Record<BankTrouble, Partial<Record<BankFaultKind, number>>>> = {
  flat: { 'standing draw': 6, leak: 2, 'weak block': 5, 'set too low': 3, 'gives nothing': 3, 'gives part': 2, use: 4 },
  'not charging': { 'gives nothing': 7, 'gives part': 4, 'set too low': 3 },
  overcharged: { 'stuck at full': 5, 'set too high': 4, 'weak block': 3 },
};
/** A place that is wet leaks so many times as often. */
const WET_TIMES = 3;
/** The design itself says that she uses more than she is given. */
const RUNS_DOWN_TIMES = 4;

/** Why a source gives only a part, as it is most often. */
const PARTLY: Partial<Readonly<Record<Source['kind'], string>>> = {
  alternator: 'a belt that slips, a diode or a phase gone',
  solar: 'shade, dirt, one panel or string off',
  wind: 'worn brushes, one phase gone',
  'shore charger': 'its amps set lower, a module gone',
  'DC–DC': 'its amps set lower, thin or bad wires before it',
};

/** Whether its volts can be set by whoever is aboard. */
export const settable = (s: Source): boolean => s.kind !== 'alternator' || s.alternator?.excitation === 'external';

export const nameOfCircuit = (c: Circuit): string => `${c.no} ${c.name}`.trim();

/** Blocks of a bank, string by string, from 1. */
export const blocksOf = (bank: Bank): readonly { readonly id: string; readonly name: string }[] =>
  Array.from({ length: bank.series * bank.strings }, (_, i) => ({
    id: `${i + 1}`,
    name:
      bank.series * bank.strings === 1
        ? bank.name
        : bank.series === 1
          ? `battery ${i + 1}`
          : bank.strings === 1
            ? `block ${i + 1} from the negative post`
            : `block ${(i % bank.series) + 1} of string ${Math.floor(i / bank.series) + 1}`,
  }));

/** Twelves of volts of a bank: what setpoints and rest volts are spoken of in. */
export const twelves = (bank: Bank): number => bankSource(bank).nominalV / 12;

/** All that may be behind it, each with its prior odds. */
export function bankFaults(scene: BankScene): readonly BankFault[] {
  const { design, bank, trouble, circuits, sources, runsDown } = scene;
  const loaded = circuits.filter((c) =>
    c.taps.some((t) => rowOf(design.loads, t.serves.id)?.group !== 'charging' && t.serves.kind === 'load'),
  );
  const wet = (c: Circuit) => c.taps.some((t) => rowOf(design.places, rowOf(design.loads, t.serves.id)?.placeId ?? '')?.wet === true);
  const blank = { unit: '' as const, least: 1, most: 1 };
  const by: Readonly<Record<BankFaultKind, readonly Omit<BankFault, 'kind'>[]>> = {
    'standing draw': loaded.map((c) => ({
      id: `draw ${c.id}`,
      what: `something on ${nameOfCircuit(c)} draws while it should not`,
      at: c.id,
      unit: 'A',
      least: 0.1,
      most: 4,
      prior: 1,
    })),
    leak: loaded.map((c) => ({
      id: `leak ${c.id}`,
      what: `a leak in the wires of ${nameOfCircuit(c)}: damp, chafe, a green plug`,
      at: c.id,
      unit: 'A',
      least: 0.05,
      most: 1.5,
      prior: wet(c) ? WET_TIMES : 1,
    })),
    'weak block': blocksOf(bank).map((b) => ({
      id: `weak ${b.id}`,
      what: `${b.name} is weak`,
      at: b.id,
      unit: 'V',
      least: 0.3,
      most: 2.2,
      prior: 1,
    })),
    'set too low': sources
      .filter(settable)
      .map((s) => ({ id: `low ${s.id}`, what: `${s.name} is set too low`, at: s.id, unit: 'V', least: 0.3, most: 1.2, prior: 1 })),
    'set too high': sources
      .filter(settable)
      .map((s) => ({ id: `high ${s.id}`, what: `${s.name} is set too high`, at: s.id, unit: 'V', least: 0.3, most: 1.2, prior: 1 })),
    'gives nothing': sources.map((s) => ({ id: `dead ${s.id}`, what: `${s.name} gives nothing`, at: s.id, ...blank, prior: 1 })),
    'gives part': sources.map((s) => ({
      id: `part ${s.id}`,
      what: `${s.name} gives only a part of what it should: ${PARTLY[s.kind] ?? 'its amps set lower, a part of it gone'}`,
      at: s.id,
      unit: 'missing',
      least: 0.3,
      most: 0.8,
      prior: 1,
    })),
    'stuck at full': sources.map((s) => ({
      id: `stuck ${s.id}`,
      what: `the regulator of ${s.name} is stuck at full`,
      at: s.id,
      unit: 'V',
      least: 1.3,
      most: 3,
      prior: s.kind === 'alternator' ? 3 : 1,
    })),
    use: [
      { id: 'use', what: 'nothing is broken: more is used than is given', at: bank.id, ...blank, prior: runsDown ? RUNS_DOWN_TIMES : 1 },
    ],
  };
  return (Object.entries(USUAL[trouble]) as [BankFaultKind, number][]).flatMap(([kind, usual]) => {
    const all = by[kind];
    const shared = kind === 'use' ? 1 : all.reduce((n, f) => n + f.prior, 0);
    return all.map((f) => ({ ...f, kind, prior: (usual * f.prior) / shared }));
  });
}
