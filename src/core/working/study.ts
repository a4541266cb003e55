/** The working of a study: where a load's volts go from the bank on, and how warm an end gets (docs/methods.md, M6 and M1). */
import { type Design, type Load, rowOf, type Study } from '../design';
import { type StudyAnswer, type StudyLoad, studyPath, type StudyStep, type Warmth } from '../network';
import { bankSource } from '../bank';
import { round3, show, type Units } from '../quantity';
import { liner, plainWorking, voltsLine } from './parts';
import type { Working, WorkingLine } from './types';

const n = round3;

/** How a load draws, in words. */
function drawn(load: Load | undefined, { amps, volts, starting }: StudyLoad): Pick<WorkingLine, 'formula' | 'source' | 'mark'> {
  if (!load) return { source: 'as entered for the engine' };
  if (starting) return { source: 'at its start, as entered', mark: load.mark };
  if (load.behaviour === 'power')
    return { formula: `${n(amps * volts)} W ÷ ${volts.toFixed(2)} V at its ends`, source: 'constant power', mark: load.mark };
  if (load.behaviour === 'resistance')
    return { formula: `${volts.toFixed(2)} V ÷ ${n(volts / amps)} Ω`, source: 'a resistance', mark: load.mark };
  return { source: 'the same current at any volts', mark: load.mark };
}

/** The volts of a load in a study: from the bank at rest, what each part of the way takes. undefined where it is dead or not in it. */
export function studyWorking(design: Design, study: Study, answer: StudyAnswer, loadId: string, units: Units): Working | undefined {
  const load = rowOf(answer.loads, loadId);
  const path = studyPath(design, study, answer, loadId);
  const bank = rowOf(design.banks, path?.bankId);
  const given = rowOf(answer.banks, path?.bankId);
  if (!load || !path || !bank || !given) return undefined;
  const line = liner(units);
  const own = rowOf(design.loads, loadId);
  const lostV = path.steps.reduce((sum, s) => sum + s.volts, 0);
  const label = ({ what, circuitId }: StudyStep): string => {
    const run = answer.runs.find((r) => r.circuitId === circuitId);
    return run ? `${run.name}: ${what}` : what;
  };
  const formula = ({ what, circuitId, volts }: StudyStep): Partial<WorkingLine> => {
    if (what === 'the bank itself')
      return {
        formula: `${given.amps < 0 ? '− ' : ''}${n(Math.abs(given.amps))} A × ${n(1000 * bankSource(bank).ohm)} mΩ`,
        source: given.amps < 0 ? 'it is being charged: its posts stand higher' : `${bank.name}, both its posts`,
        mark: bank.sheet.mohm === null ? 'typical' : "maker's",
      };
    if (what === 'the main side') return { source: 'cables, switches, shunt and negatives between the posts and the first feed' };
    const run = answer.runs.find((r) => r.circuitId === circuitId);
    if (!run || run.amps <= 0 || volts <= 0) return {};
    const taps = rowOf(design.circuits, circuitId)?.taps.length ?? 0;
    return taps > 1
      ? { source: `up to ${n(run.amps)} A in it, shared with its other taps` }
      : { formula: `${n(run.amps)} A × ${n((1000 * volts) / run.amps)} mΩ${what === 'its device' ? '' : ', out and back, warm'}` };
  };
  return plainWorking(`${load.name}, ${study.name}`, [
    { title: 'What it draws', lines: [line(load.starting ? 'at its start' : 'draws', load.amps, 'A', drawn(own, load))] },
    {
      title: 'Where the volts go',
      lines: [
        voltsLine(`${bank.name} at rest`, path.restV, { source: `${n(100 * study.soc)} % charged`, mark: 'typical' }),
        ...path.steps
          .filter((s) => Math.abs(s.volts) > 5e-4)
          .map((s) => ({
            ...voltsLine(label(s), -s.volts, formula(s)),
            text: `${s.volts > 0 ? '− ' : '+ '}${n(1000 * Math.abs(s.volts))} mV`,
          })),
        voltsLine('at its ends', path.volts, {
          formula: `${path.restV.toFixed(2)} V ${lostV < 0 ? '+' : '−'} ${n(1000 * Math.abs(lostV))} mV`,
          breaks: load.falls,
        }),
      ],
    },
    {
      title: 'What it needs',
      lines: [
        voltsLine('at the least', load.minV, {
          mark: load.minIsMakers ? "maker's" : 'typical',
          source: load.minIsMakers
            ? 'as its maker says'
            : `no maker's figure: the house rule for starts, ${n(design.house.surgeVoltsPct)} % of what it is made for`,
        }),
        voltsLine('room', path.volts - load.minV, { breaks: load.falls }),
      ],
    },
  ]);
}

/** The temperature of an end in a study. @param at of the ends, the hottest 0. undefined beyond the last. */
export function endWorking(warmth: Warmth, at: number, units: Units): Working | undefined {
  const end = warmth.ends[at];
  if (!end) return undefined;
  const line = liner(units);
  const run = warmth.runs.find((r) => r.about.id === end.about.id && r.about.kind === end.about.kind);
  const rises = (end.ratingC - end.ambientC) * (end.warmA / end.izA) ** 2;
  const brief = run?.onS;
  return plainWorking(`${end.name}, ${end.end}`, [
    {
      title: 'How warm it gets',
      lines: [
        line('air there', end.ambientC, 'C', { source: end.placeId === null ? 'no place entered: usual air' : 'of its place' }),
        line('warms like, for ever', end.warmA, 'A', {
          ...(brief == null
            ? {}
            : { formula: `on for ${n(brief)} s at a time: heat goes with the square, against the copper's own time constant` }),
        }),
        line('bears for ever', end.izA, 'A', { source: `its ampacity as it lies, insulation at ${show(end.ratingC, 'C', units)}` }),
        line('rises by', rises, 'dC', {
          formula: `(${show(end.ratingC, 'C', units)} − ${show(end.ambientC, 'C', units)}) × (${n(end.warmA)} ÷ ${n(end.izA)})²`,
        }),
        line('comes to', end.tempC, 'C', { breaks: end.tempC > end.limitC }),
        line('bears', end.limitC, 'C', { source: 'what it lands on, or its insulation where that is less' }),
      ],
    },
  ]);
}
