/** Faces things are mounted on, and what is known of the bodies mounted there. Sizes mm, mass kg. */
import * as v from 'valibot';
import { WAYS_UP } from '../rules';
import { IP_CODES } from './enclosure';
import { between, id, later, list, name, oneOf } from './fields';

/** How a face lies: a bulkhead or side; a shelf or sole; the underside of a deck. */
export const FACE_LIES = ['upright', 'flat', 'overhead'] as const;
export const BACKINGS = ['unknown', 'solid', 'thin'] as const;
/** What screws would come out into. */
export const BEHIND = ['unknown', 'open space', 'cored or hull skin', 'tank', 'wiring or pipes'] as const;

export const FaceSchema = v.object({
  id,
  name,
  lies: later(oneOf(FACE_LIES), 'upright'),
  /** Free of what is on it that is not of this design; of a shelf, along and across. */
  widthMm: between(20, 5000),
  heightMm: between(20, 5000),
  /** Free before it; of a shelf, above it. */
  depthMm: between(5, 5000),
  /** Free behind it, for what is let into it. */
  behindMm: later(v.nullable(between(0, 5000)), null),
  backing: later(oneOf(BACKINGS), 'unknown'),
  behind: later(oneOf(BEHIND), 'unknown'),
  /** One can get at it with both hands; null: nobody has tried. */
  reach: later(v.nullable(v.boolean()), null),
});
export const FACES = 12;
export const faceList = later(list(FaceSchema, FACES), []);

export const BodySchema = v.object({
  widthMm: between(5, 3000),
  heightMm: between(5, 3000),
  depthMm: between(5, 2000),
  massKg: between(0, 2000),
  aboveMm: between(0, 1000),
  belowMm: between(0, 1000),
  sidesMm: between(0, 1000),
  frontMm: between(0, 1000),
  wayUp: oneOf(WAYS_UP),
});

export const MOUNT_KINDS = ['bank', 'source', 'AC source', 'panel', 'AC panel', 'gauge'] as const;

export const MountSchema = v.object({
  /** Of the thing itself, with its kind before it. */
  id,
  kind: oneOf(MOUNT_KINDS),
  thingId: id,
  faceId: later(v.nullable(id), null),
  /** As its maker's sheet or a tape says; null: typical of its kind. */
  body: later(v.nullable(BodySchema), null),
  ip: later(v.nullable(oneOf(IP_CODES)), null),
});
export const MOUNTS = 200;
export const mountList = later(list(MountSchema, MOUNTS), []);

export type Face = Readonly<v.InferOutput<typeof FaceSchema>>;
export type Body = Readonly<v.InferOutput<typeof BodySchema>>;
export type Mount = Readonly<v.InferOutput<typeof MountSchema>>;
export type MountKind = (typeof MOUNT_KINDS)[number];

export const blankFace = (faceId: string, faceName: string): Face => ({
  id: faceId,
  name: faceName,
  lies: 'upright',
  widthMm: 600,
  heightMm: 500,
  depthMm: 200,
  behindMm: null,
  backing: 'unknown',
  behind: 'unknown',
  reach: null,
});

const LETTER: Readonly<Record<MountKind, string>> = { bank: 'b', source: 's', 'AC source': 'a', panel: 'p', 'AC panel': 'q', gauge: 'g' };

/** The id of a thing's mount: one each, whichever window makes it. */
export const mountId = (kind: MountKind, thingId: string): string => `m${LETTER[kind]}-${thingId}`.slice(0, 40);
export const blankMount = (kind: MountKind, thingId: string): Mount => ({
  id: mountId(kind, thingId),
  kind,
  thingId,
  faceId: null,
  body: null,
  ip: null,
});
