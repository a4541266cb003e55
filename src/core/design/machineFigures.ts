/** What a machine gives, and what its row on the load sheet says of it: its cable and fuse go by the row, days and settings by the machine. */
import { type Op, setOp } from './edit';
import { outputA } from './outputs';
import { rowOf } from './rowOf';
import type { AcSource, Design, Load, Source } from './schema';

type Rows = Pick<Design, 'loads' | 'sources' | 'acSources'>;

/** One figure that a machine and its row both tell: amps of what charges, watts of an inverter. */
export interface MachineFigure {
  readonly row: Load;
  readonly machine: { readonly of: 'source'; readonly source: Source } | { readonly of: 'inverter'; readonly source: AcSource };
  readonly unit: 'A' | 'W';
  readonly rowSays: number;
  readonly machineSays: number;
}

/** Two figures within this of each other are one. */
const ALIKE = 0.02;
export const alike = (a: number, b: number): boolean => Math.abs(a - b) <= ALIKE * Math.max(Math.abs(a), Math.abs(b));

const wattsOf = ({ quantity, rating, ratingBy, nominalV }: Load): number => quantity * rating * (ratingBy === 'W' ? 1 : nominalV);

/** What a row says in amps at its own volts. */
const ampsOf = (row: Load): number => wattsOf(row) / row.nominalV;

/** Every figure that stands both on the load sheet and with the machine it belongs to. */
export function machineFigures({ loads, sources, acSources }: Rows): readonly MachineFigure[] {
  // In one case with an inverter, the row is what that draws.
  const inverting = new Set(acSources.map((s) => s.inverter?.loadId));
  return [
    ...sources.flatMap((source): MachineFigure[] => {
      const row = rowOf(loads, source.loadId);
      if (!row || row.nominalV <= 0 || inverting.has(row.id)) return [];
      return [{ row, machine: { of: 'source', source }, unit: 'A', rowSays: ampsOf(row), machineSays: outputA(source) }];
    }),
    ...acSources.flatMap((source): MachineFigure[] => {
      const row = source.inverter ? rowOf(loads, source.inverter.loadId) : undefined;
      if (!row || !source.inverter) return [];
      const machineSays = source.inverter.va * source.inverter.units;
      return [{ row, machine: { of: 'inverter', source }, unit: 'W', rowSays: wattsOf(row), machineSays }];
    }),
  ];
}

/** A row of the load sheet with another figure, in the figure's unit. */
export const withFigure = (row: Load, unit: 'A' | 'W', says: number): Load => ({ ...row, ratingBy: unit, rating: says / row.quantity });

/** Ops for a row that goes over from one source to another: it says what that gives, where it said what the first gave. */
export function rowGoesOver(design: Design, was: Source, next: Source): readonly Op[] {
  const row = rowOf(design.loads, was.loadId);
  if (!row || !alike(ampsOf(row), outputA(was)) || alike(ampsOf(row), outputA(next))) return [];
  return rowFollows(design, { row, unit: 'A', machineSays: outputA(next) }).flatMap((op) => op ?? []);
}

/** Ops that make the row say what the machine says. */
export function rowFollows(
  design: Design,
  { row, unit, machineSays }: Pick<MachineFigure, 'row' | 'unit' | 'machineSays'>,
): readonly (Op | undefined)[] {
  const to = withFigure(row, unit, machineSays);
  return (['ratingBy', 'rating'] as const).map((key) => setOp(design, ['loads', row.id, key], to[key]));
}

/** Ops that make the machine say what its row says. */
export function machineFollows(design: Design, { machine, rowSays }: MachineFigure): readonly (Op | undefined)[] {
  if (machine.of === 'inverter')
    return [setOp(design, ['acSources', machine.source.id, 'inverter', 'va'], rowSays / (machine.source.inverter?.units ?? 1))];
  const { id, charger } = machine.source;
  // What its first output is held to is the figure of that output's cable.
  const path = charger?.firstA == null ? ['sources', id, 'ratedA'] : ['sources', id, 'charger', 'firstA'];
  return [setOp(design, path, rowSays)];
}
