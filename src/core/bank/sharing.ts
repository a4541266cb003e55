/** How the strings of a bank share its current through their links (docs/methods.md, M9, sharing). */
import { type Conductor, CONDUCTORS, findConductor, JOINT_OHM, restV, type School } from '../rules';
import { conductorOhm } from '../conductor';
import { type Bank, LINK_WAYS, type LinkWay } from '../design';
import { c20Ah } from './bankFigures';
import { bankSource } from './bankSource';
import { flowOf, type NetBranch, prepare, type Prepared } from '../solve';

/** Where sharing wants looking at, and where it is bad: current of the worst string over the mean. */
export const UNEVEN = 1.1;
export const BAD = 1.25;

/** Strings in a row, links between neighbours on each rail, taken off at one string of each rail (from 1). */
export interface Row {
  readonly linkOhms: readonly number[];
  readonly blockOhms: readonly number[];
  readonly emfV: readonly number[];
  readonly currentA: number;
  readonly positiveAt: number;
  readonly negativeAt: number;
}

/** Current of each string, A. Empty without a string. */
export const rowShares = (row: Row): number[] => shares(inRow(row));

/** The same on both rails, each branch from and to a numbered post. */
const bothRails = (ohms: readonly number[], to: (i: number) => string): NetBranch[] =>
  ohms.flatMap((ohm, i) => ['+', '-'].map((rail) => ({ id: `${rail}${i}`, a: `${rail}${i}`, b: `${rail}${to(i)}`, ohm })));

const inRow = (row: Row): Prepared =>
  laid(
    row,
    bothRails(row.linkOhms, (i) => String(i + 1)),
    `+${row.positiveAt - 1}`,
    `-${row.negativeAt - 1}`,
  );

/** Each string by its own leads to a pair of bars. */
const onBars = (row: Row, leadOhm: number): Prepared =>
  laid(
    row,
    bothRails(
      row.blockOhms.map(() => leadOhm),
      () => 'bar',
    ),
    '+bar',
    '-bar',
  );

const laid = (row: Row, branches: readonly NetBranch[], plus: string, minus: string): Prepared =>
  prepare({
    branches,
    banks: row.blockOhms.map((ohm, i) => ({ id: String(i), plus: `+${i}`, minus: `-${i}`, emfV: row.emfV[i] ?? 0, ohm })),
    sources: [],
    loads: [{ id: 'load', plus, minus, watts: 0, siemens: 0, amps: row.currentA }],
  });

const shares = (p: Prepared): number[] => Array.from(flowOf(p).bankA);

/** Which strings the load is taken off, from 1. An even row has no middle: the two next to it, one rail each. */
export const takeOff = (way: LinkWay, n: number): { readonly positiveAt: number; readonly negativeAt: number } =>
  way === 'diagonal'
    ? { positiveAt: 1, negativeAt: n }
    : way === 'middle'
      ? { positiveAt: Math.ceil(n / 2), negativeAt: Math.floor(n / 2) + 1 }
      : { positiveAt: 1, negativeAt: 1 };

export interface StringShare {
  readonly amps: number;
  /** Of what each would give were they even. */
  readonly ofMean: number;
  readonly afterHourA: number;
  /** Charge drawn from it within the hour, Ah. */
  readonly hourAh: number;
}

export interface Sharing {
  readonly way: LinkWay;
  readonly size: string;
  readonly linkOhm: number;
  readonly stringOhm: number;
  readonly currentA: number;
  readonly strings: readonly StringShare[];
  readonly worstOverMean: number;
  /** Volts at the take-off when the current begins, and between links what is lost at most. */
  readonly postsV: number;
  /** The same with each way of tying them, best first. */
  readonly ways: readonly { readonly way: LinkWay; readonly worstOverMean: number; readonly amps: readonly number[] }[];
  /** Least size that brings the present way within UNEVEN; null where none does, or none is needed. */
  readonly sizeWanted: string | null;
}

/** Size links are made of where none is entered: usual for a house bank. */
export const usualLink = (school: School): string => (school === 'awg' ? '2/0' : '70');

const linkOf = (bank: Bank, school: School): Conductor | undefined =>
  findConductor(school, bank.links.size ?? '') ?? findConductor(school, usualLink(school));

/** Resistance of one link at 20 degC with its two joints, ohm. */
export const linkOhm = (conductor: Conductor, lengthM: number): number => conductorOhm(conductor.r20OhmPerKm, lengthM, 20) + 2 * JOINT_OHM;

/**
 * Strings of a bank under a load, now and after an hour of it. undefined where there is but one string: nothing is shared.
 * @param currentA drawn from the whole bank, A. @param soc state of charge it begins with, 0 to 1.
 */
export function sharingOf(bank: Bank, school: School, currentA: number, soc = 0.9): Sharing | undefined {
  const link = linkOf(bank, school);
  const n = bank.strings;
  if (n < 2 || !link) return undefined;
  const { stringOhm, nominalV, chemistry } = bankSource(bank);
  const ohm = linkOhm(link, bank.links.lengthM);
  const restAt = (level: number) => (restV(chemistry, Math.min(1, Math.max(0, level))) * nominalV) / 12;
  const network = (way: LinkWay, each: number): Prepared => {
    const row: Row = {
      linkOhms: new Array<number>(n - 1).fill(each),
      blockOhms: new Array<number>(n).fill(stringOhm),
      emfV: new Array<number>(n).fill(restAt(soc)),
      currentA,
      ...takeOff(way, n),
    };
    return way === 'bus bars' ? onBars(row, each) : inRow(row);
  };
  const ratio = (way: LinkWay, each: number) => unevenness(shares(network(way, each)));
  const p = network(bank.links.way, ohm);
  const first = flowOf(p);
  const { hourAh, last } = anHour(p, c20Ah(bank) / n, soc, restAt);
  const mean = currentA / n;
  const worstOverMean = unevenness(Array.from(first.bankA));
  return {
    way: bank.links.way,
    size: link.size,
    linkOhm: ohm,
    stringOhm,
    currentA,
    strings: Array.from(first.bankA, (amps, i) => ({ amps, ofMean: amps / mean, afterHourA: last[i] ?? 0, hourAh: hourAh[i] ?? 0 })),
    worstOverMean,
    postsV: first.loadV[0] ?? NaN,
    ways: LINK_WAYS.map((way) => {
      const amps = Array.from(shares(network(way, ohm)));
      return { way, worstOverMean: unevenness(amps), amps };
    }).sort((a, b) => a.worstOverMean - b.worstOverMean),
    sizeWanted:
      worstOverMean <= UNEVEN
        ? null
        : (CONDUCTORS[school].find((c) => ratio(bank.links.way, linkOhm(c, bank.links.lengthM)) <= UNEVEN)?.size ?? null),
  };
}

/** Current of the worst over the mean of all. */
export function unevenness(amps: readonly number[]): number {
  const mean = amps.reduce((a, b) => a + b, 0) / amps.length;
  return mean === 0 ? 1 : Math.max(...amps.map((a) => a / mean));
}

/** Minute by minute: who has given more rests lower, and gives less. */
function anHour(p: Prepared, ahEach: number, soc: number, restAt: (level: number) => number): { hourAh: number[]; last: number[] } {
  const hourAh = new Array<number>(p.emfV.length).fill(0);
  let last: number[] = [];
  for (let minute = 0; minute < 60; minute++) {
    const { bankA } = flowOf(p);
    last = Array.from(bankA);
    last.forEach((amps, i) => {
      hourAh[i] = (hourAh[i] ?? 0) + amps / 60;
      p.emfV[i] = restAt(soc - (hourAh[i] ?? 0) / ahEach);
    });
  }
  return { hourAh, last };
}
