/** A gauge held against the boat, and its settings searched, off the pointer's thread. */
import { expose } from 'comlink';
import { rowOf, type Design } from '@/core/design';
import { bankSource, chemistryOf } from '@/core/bank';
import { answerOf, type GaugeAnswer, type Grid, gridOf, gridSize, type Tried, tryGrid } from '@/core/monitoring';

let last: { readonly answer: GaugeAnswer; readonly grid: Grid } | null = null;

const api = {
  answer(design: Design, gaugeId: string, unseenA: number, cloudSeed: number | null): Omit<GaugeAnswer, 'series' | 'measures'> | null {
    const gauge = rowOf(design.gauges, gaugeId);
    const bank = rowOf(design.banks, gauge?.bankId);
    const found = gauge ? answerOf(design, gauge, unseenA, cloudSeed) : null;
    if (!found || !bank) {
      last = null;
      return null;
    }
    last = { answer: found, grid: gridOf(bankSource(bank).nominalV, chemistryOf(bank).leadAcid) };
    const { series: _, measures: _m, ...told } = found;
    return told;
  },
  /** How many settings there are to try. */
  size: (): number => (last ? gridSize(last.grid) : 0),
  /** Some of them. */
  tries(from: number, most: number): readonly Tried[] {
    if (!last) return [];
    const { answer, grid } = last;
    return tryGrid(answer.series, answer.sheet.set, answer.measures, grid, from, most);
  },
};

export type GaugeApi = typeof api;
expose(api);
