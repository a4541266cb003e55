/** Exercises of the trainer: what is wrong is kept here and nowhere else, until it is found or given up. */
import { randomInt, randomUUID } from 'node:crypto';
import * as v from 'valibot';
import {
  beginExercise,
  type Complaint,
  complaintOf,
  type Exercise,
  type PracticeReading,
  type PracticeTold,
  readOver,
  sayBad,
} from '@/core/commission';
import type { Design } from '@/core/design';
import { work } from './work/pool';

const Id = v.pipe(v.string(), v.maxLength(100));
/** What may be asked: an exercise; a reading before one part and behind another; a part that is said to be bad; to be told. */
export const TrainerAsk = v.variant('act', [
  v.strictObject({ act: v.literal('begin'), circuitId: v.nullable(Id), faults: v.picklist([1, 2]) }),
  v.strictObject({ act: v.literal('read'), exercise: Id, from: Id, to: Id }),
  v.strictObject({ act: v.literal('say'), exercise: Id, part: Id }),
  v.strictObject({ act: v.literal('tell'), exercise: Id }),
]);
export type TrainerAsk = v.InferOutput<typeof TrainerAsk>;
export type TrainerAnswer = (Complaint & { readonly exercise: string }) | PracticeReading | PracticeTold;

/** So many are kept; of more the oldest goes. */
const MOST = 200;
const exercises = new Map<string, { readonly boatId: string; readonly at: Exercise }>();

/** One step. A text: why it could not be. @param design as it is saved now. */
export async function train(boatId: string, design: Design, ask: TrainerAsk): Promise<TrainerAnswer | string> {
  if (ask.act === 'begin') {
    const { circuits } = await work().run('analysis', design);
    const begun = beginExercise(design, circuits, ask.circuitId, ask.faults, randomInt(1 << 30));
    if (!begun) return 'no load draws an ampere or more on a path of four parts: propose circuits on Wiring first';
    const exercise = randomUUID();
    exercises.set(exercise, { boatId, at: begun });
    for (const old of exercises.keys()) {
      if (exercises.size <= MOST) break;
      exercises.delete(old);
    }
    return { ...complaintOf(begun), exercise };
  }
  const kept = exercises.get(ask.exercise);
  if (kept?.boatId !== boatId) return 'that exercise is over: begin another';
  if (ask.act === 'read') {
    const read = readOver(kept.at, ask.from, ask.to);
    if (!read) return 'a reading goes from a part to one behind it';
    exercises.set(ask.exercise, { boatId, at: read.next });
    return read.reading;
  }
  const { next, told } = sayBad(kept.at, ask.act === 'say' ? ask.part : null);
  if (told.end) exercises.delete(ask.exercise);
  else exercises.set(ask.exercise, { boatId, at: next });
  return told;
}
