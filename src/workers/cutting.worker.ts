/** Cutting plans off the pointer's thread, with the solver fetched here and nowhere else. */
import { expose } from 'comlink';
import loadHighs, { type Highs } from 'highs';
import { bestPlan, type CutPlan, solverOf, type StockAsked } from '@/core/build';

/** One plan may take so long; what is not proved by then is shown with its gap. */
const SECONDS = 2;
let highs: Promise<Highs> | null = null;

const api = {
  async plan(asked: StockAsked): Promise<CutPlan> {
    highs ??= loadHighs();
    return bestPlan(asked, solverOf(await highs, SECONDS));
  },
};

export type CuttingApi = typeof api;
expose(api);
