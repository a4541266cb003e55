/** Studies: named situations in which the whole network is computed at once. */
import * as v from 'valibot';
import { BOUNDS } from './bounds';
import { SELECTOR_POSITIONS } from './charging';
import { between, id, later, list, name, oneOf } from './fields';

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
  /** How what joins the banks stands, where it is not as habit has it; a relay is closed at both, open at off. */
  positions: v.nullish(v.record(id, oneOf(SELECTOR_POSITIONS))),
  /** Circuits whose switch or device is open. */
  open: v.nullish(list(id, BOUNDS.circuits)),
});
