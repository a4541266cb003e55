/** The main side: bars and points where conductors meet, and the leads between them and the banks, on each rail and to earth. */
import * as v from 'valibot';
import { DC_FAMILIES, STUDS } from '../rules';
import { DeviceSchema, SizeSchema } from './device';
import { between, id, later, list, name, note, oneOf, whole } from './fields';

/** Where conductors meet that is no panel: the engine's block, the starter's post, the bars of negatives and earths, the hull. */
export const BAR_KINDS = [
  'positive bus',
  'negative bus',
  'engine',
  'starter',
  'bonding bus',
  'AC earth bar',
  'underwater metal',
  'hull',
] as const;
export const RAILS = ['positive', 'negative', 'earth'] as const;
/** join first, join second: the sides of what joins two banks; join common: of a selector. case: the metal case of a load. */
export const END_KINDS = ['bank', 'panel', 'bar', 'join first', 'join second', 'join common', 'source', 'source input', 'case'] as const;

export type TieSide = 'first' | 'second' | 'common';

/** The side of a tie an end is; null: it is none. */
export const sideOfTie = (kind: (typeof END_KINDS)[number]): TieSide | null =>
  kind === 'join first' ? 'first' : kind === 'join second' ? 'second' : kind === 'join common' ? 'common' : null;

const stud = oneOf(STUDS.map((s) => s.metric));

export const BarSchema = v.object({
  id,
  name,
  kind: oneOf(BAR_KINDS),
  placeId: v.nullable(id),
  stud,
  /** Continuous amps its maker rates it for, and how many studs it has. */
  ratedA: later(v.nullable(between(1, 5000)), null),
  studs: later(v.nullable(whole(1, 60)), null),
  /** Torque of its studs as its maker says, N m. */
  torqueNm: later(v.nullable(between(0.1, 200)), null),
});

const EndSchema = v.object({ kind: oneOf(END_KINDS), id });

export const LeadSchema = v.object({
  id,
  name,
  rail: oneOf(RAILS),
  from: EndSchema,
  to: EndSchema,
  /** Switches, isolators, a shunt: in order from its first end. */
  through: list(DeviceSchema, 6),
  /** Protection at its first end; fused false: none. family and rating null: as chosen. */
  fused: v.boolean(),
  family: v.nullable(oneOf(DC_FAMILIES.map((f) => f.id))),
  ratingA: v.nullable(between(0.5, 1000)),
  /** null: as chosen. */
  size: v.nullable(SizeSchema),
  /** null: estimated from where its ends stand. */
  lengthM: v.nullable(between(0.05, 120)),
  fromStud: stud,
  toStud: stud,
  note,
});
