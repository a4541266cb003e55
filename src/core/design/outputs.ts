/** A charger with several outputs: each further output is a source of its own, with its bank, its lead and its fuse, of the machine it names. */
import { rowOf } from './rowOf';
import type { Source } from './schema';

/** The machine a source is an output of: itself, where it names none. */
export const machineOfOutput = (sources: readonly Source[], source: Source): Source => rowOf(sources, source.outputOf) ?? source;

/** Further outputs of a machine. */
export const furtherOutputs = (sources: readonly Source[], machineId: string): readonly Source[] =>
  sources.filter((s) => s.outputOf === machineId && s.id !== machineId);

/** The most a source gives at its own terminal, A: of a charger with several outputs that of its first one. */
export const outputA = ({ ratedA, charger }: Pick<Source, 'ratedA' | 'charger'>): number => Math.min(ratedA, charger?.firstA ?? ratedA);

/** Another output of a charger: its amps and settings, and no bank yet. Mass and price stay with the machine. */
export const anotherOutput = (machine: Source, id: string, no: number, bankId: string | null): Source => ({
  ...machine,
  id,
  name: `${machine.name}, output ${no}`,
  bankId,
  outputOf: machine.id,
  insteadOfId: null,
  loadId: null,
  joinId: null,
  pathMohm: null,
  charger: machine.charger && { ...machine.charger, firstA: null },
  massKg: null,
  price: null,
  sheet: {},
  note: '',
});
