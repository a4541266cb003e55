import type { CriterionId } from '@/core';

/** What each test is called: on the ladder, and in a cell. */
export const CRITERION_WORDS: Readonly<Record<CriterionId, { long: string; short: string; why: string }>> = {
  ampacity: { long: 'current, heat', short: 'ampacity', why: 'carries the working current without passing its insulation rating' },
  protection: { long: 'protection', short: 'protection', why: 'carries more than its device lets through' },
  drop: { long: 'drop, working', short: 'drop', why: 'its own run loses no more than it answers for of what the whole path may lose' },
  surge: { long: 'drop, starting', short: 'surge drop', why: 'its own run leaves the load its volts as it starts, bank sagged' },
  maker: { long: "maker's minimum", short: "maker's sheet", why: "the equipment maker's own table" },
  mechanical: { long: 'strength', short: 'mechanical', why: 'not so thin that it breaks' },
  fault: {
    long: 'far-end short',
    short: 'far-end short',
    why: 'a short at the far end opens the device before it harms the conductor',
  },
  terminals: { long: 'terminal heat', short: 'terminals', why: 'keeps its terminal within rating; advice unless the house rule counts it' },
};
