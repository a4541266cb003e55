/** Studies: named situations in which the whole network is reckoned at once. */
import * as v from 'valibot';
import { between, id, later, name, oneOf } from './fields';

/** What a load does in a study; one that is not named is off. */
export const STUDY_USES = ['on', 'start'] as const;
export type StudyUse = (typeof STUDY_USES)[number];

export const StudySchema = v.object({
  id,
  name,
  /** State of charge of every bank, 0 to 1. */
  soc: between(0, 1),
  /** Engine speed, rpm; 0: stopped, and what hangs on its key is dead. */
  engineRpm: between(0, 8000),
  /** Shore power plugged in: its chargers run. */
  shore: v.boolean(),
  /** The starter turns the engine. */
  cranking: later(v.boolean(), false),
  loads: v.record(id, oneOf(STUDY_USES)),
});
