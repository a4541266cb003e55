/** Rules on what equipment is mounted on: its size, what holds it, what lies behind (docs/methods.md, "Mounting"). */
import { boardOf, fitOn, type FitLine, type Mounted, mountedOf } from '../../mounting';
import { type Rule, SOURCES, type Told, when } from '../rule';
import type { EquipmentFacts } from './reads';

const about = (t: Mounted): Pick<Told, 'id' | 'about'> => ({ id: t.id, about: { kind: t.kind, id: t.id } });
const inWords = (l: FitLine): string => `${l.what} (needs ${l.needs}; there: ${l.has})`;
const onFaces = (design: EquipmentFacts['design'], find: (t: Mounted, lines: readonly FitLine[]) => readonly Told[]): readonly Told[] =>
  design.mounts.length === 0 ? [] : mountedOf(design).flatMap((t) => (t.face ? find(t, fitOn(t.face, t, design)) : []));

/** Things on one face, by the face. */
function byFace(design: EquipmentFacts['design']): ReadonlyMap<string, readonly Mounted[]> {
  const out = new Map<string, Mounted[]>();
  for (const t of design.mounts.length === 0 ? [] : mountedOf(design))
    if (t.face) out.set(`${t.placeId ?? ''}/${t.face.id}`, [...(out.get(`${t.placeId ?? ''}/${t.face.id}`) ?? []), t]);
  return out;
}

export const MOUNTED_RULES: readonly Rule<EquipmentFacts>[] = [
  {
    id: 'mount-refused',
    about: 'source',
    severity: 'fix',
    reads: ['mounts', 'places.faces'],
    when: 'what is to be mounted on a face does not fit there, is held by nothing that bears it, or stands the wrong way up',
    why: 'It overheats, tears out or cannot be opened; or it does not go in at all, on the day it is to be fitted.',
    todo: 'Another face or place: Survey, mounting ranks them.',
    hazard: 'damage',
    confirm: 'eyes',
    source: SOURCES.maker,
    find: ({ design }) =>
      onFaces(design, (t, lines) => {
        const bad = lines.filter((l) => l.ok === false);
        return when(bad.length > 0, () => ({
          ...about(t),
          title: `does not go on ${t.face?.name ?? 'its face'}: ${bad.map(inWords).join('; ')}`,
        }));
      }),
  },
  {
    id: 'mount-unasked',
    about: 'source',
    severity: 'note',
    reads: ['mounts', 'places.faces'],
    when: 'of a face something is to be mounted on it is not known what holds, what lies behind, or how deep it is',
    why: 'A screw into a tank or a pipe, or a charger hung on a liner, shows only when it is too late.',
    todo: 'Look and feel behind it, and enter it: Survey, places.',
    hazard: 'damage',
    confirm: 'eyes',
    source: SOURCES.practice,
    find: ({ design }) =>
      onFaces(design, (t, lines) => {
        const open = lines.filter((l) => l.ok === null);
        return when(open.length > 0, () => ({
          ...about(t),
          title: `not known on ${t.face?.name ?? 'its face'}: ${open.map((l) => l.what).join(', ')}`,
        }));
      }),
  },
  {
    id: 'mount-crowded',
    about: 'source',
    severity: 'fix',
    reads: ['mounts', 'places.faces'],
    when: 'several things on one face find no room beside each other with the air they ask for',
    why: 'One of them will be squeezed in somewhere on the day, or have no air.',
    todo: 'Another face for one of them, or a larger board.',
    hazard: 'damage',
    confirm: 'eyes',
    source: SOURCES.practice,
    find: ({ design }) =>
      [...byFace(design).values()].flatMap((things) => {
        const [first] = things;
        if (!first?.face || things.length < 2) return [];
        const face = first.face;
        return boardOf(face, things).over.map((t): Told => ({
          ...about(t),
          title: `finds no room on ${face.name} beside ${things
            .filter((x) => x !== t)
            .map((x) => x.name)
            .join(', ')}`,
        }));
      }),
  },
  {
    id: 'mount-unknown',
    about: 'boat',
    severity: 'note',
    reads: ['mounts', 'places.faces', 'sources', 'acSources', 'panels', 'banks'],
    when: 'it is entered of no equipment what it is mounted on',
    why: 'Whether chargers, panels and batteries go where they are planned is not tested: size, air, what holds them, what lies behind.',
    todo: 'Measure the free faces, and choose: Survey, mounting.',
    hazard: 'none',
    confirm: 'eyes',
    source: SOURCES.practice,
    find: ({ design }) => {
      const things = mountedOf(design);
      return when(things.length > 0 && !things.some((t) => t.face), () => ({
        id: 'boat',
        title: `not entered what its ${things.length} pieces of equipment are mounted on`,
      }));
    },
  },
];
