/** Rules on petrol vapour: where it is, what sparks there, and what blows it out. */
import { addOp, APPLIANCES, idsFor, kindOf, loadFrom, rowOf, setOp } from '../../design';
import { type Rule, SOURCES, type Told, when } from '../rule';
import { elsewhere } from './elsewhere';
import type { DesignFacts } from './design';
import type { DesignParts } from './reads';

const inVapour = (design: DesignParts, placeId: string | null): boolean => rowOf(design.places, placeId)?.vapour === true;
const placeName = (design: DesignParts, placeId: string | null): string => rowOf(design.places, placeId)?.name ?? '';
const listed = (names: readonly string[]): string => names.join(' and ');

export const VAPOUR_RULES: readonly Rule<DesignFacts>[] = [
  {
    id: 'petrol-space',
    about: 'boat',
    severity: 'stop',
    reads: ['engine.fuel', 'places.engineSpace', 'places.vapour'],
    when: 'the engine burns petrol and its space is not entered as one where vapour is possible',
    why: 'Nothing that sparks there draws a word: explosion.',
    todo: 'Tick "petrol vapour possible" for the engine space, and for every space that a tank, a pump or their lines open to.',
    hazard: 'explosion',
    confirm: 'eyes',
    source: SOURCES.dc,
    find: ({ design }) => {
      const spaces = design.places.filter((p) => p.engineSpace && !p.vapour);
      return when(design.engine.fuel === 'petrol' && spaces.length > 0, () => ({
        id: 'boat',
        title: `has a petrol engine in ${listed(spaces.map((p) => p.name))}, which is entered as free of vapour`,
      }));
    },
    cure: (design) => design.places.flatMap((p) => (p.engineSpace && !p.vapour ? [setOp(design, ['places', p.id, 'vapour'], true)] : [])),
  },
  {
    id: 'no-blower',
    about: 'boat',
    severity: 'fix',
    reads: ['engine.fuel', 'places.vapour', 'loads.kind'],
    when: 'the engine burns petrol and no blower is aboard',
    why: 'Petrol vapour is heavier than air and lies in the bilge until the starter lights it.',
    todo: 'An ignition-protected blower that draws from the lowest part of the space, with four minutes of it before each start; say here if she is open.',
    hazard: 'explosion',
    confirm: 'eyes',
    source: SOURCES.dc,
    find: ({ design }) =>
      when(
        design.engine.fuel === 'petrol' && design.places.some((p) => p.vapour) && !design.loads.some((l) => kindOf(l) === 'blower'),
        () => ({ id: 'boat', title: `has no blower for ${listed(design.places.filter((p) => p.vapour).map((p) => p.name))}` }),
      ),
    // A blower of the list, to be bought ignition protected.
    cure: (design) => {
      const item = APPLIANCES.find((a) => a.group === 'blower');
      const place = design.places.find((p) => p.vapour && p.engineSpace) ?? design.places.find((p) => p.vapour);
      if (!item || !place) return null;
      const blower = loadFrom(item, idsFor(design)('L'), design.boat.systemV, new Set());
      return [addOp(design, 'loads', { ...blower, placeId: place.id, ignitionProtected: true })];
    },
  },
  {
    id: 'vapour-source',
    about: 'source',
    severity: 'stop',
    reads: ['sources.placeId', 'sources.ignitionProtected', 'places.vapour'],
    when: 'a charger or converter stands where petrol vapour is possible and is not entered as ignition protected',
    why: 'Its relays, fan and connectors spark: explosion.',
    todo: 'Move it out of the engine and fuel spaces; only what its maker sells as ignition protected may stand there.',
    hazard: 'explosion',
    confirm: 'eyes',
    source: SOURCES.dc,
    find: ({ design }) =>
      design.sources.flatMap((s): readonly Told[] =>
        when(s.kind !== 'alternator' && s.kind !== 'wind' && !s.ignitionProtected && inVapour(design, s.placeId), () => ({
          id: s.id,
          title: `${s.kind} in ${placeName(design, s.placeId)}, where petrol vapour is possible`,
        })),
      ),
    cure: elsewhere(),
  },
  {
    id: 'vapour-load',
    about: 'load',
    severity: 'fix',
    reads: ['loads.placeId', 'loads.ignitionProtected', 'places.vapour'],
    when: 'a load that may spark stands where petrol vapour is possible and is not entered as ignition protected',
    why: 'Its brushes and contacts spark: explosion.',
    todo: 'Use one its maker sells as ignition protected, and enter that; or move it.',
    hazard: 'explosion',
    confirm: 'eyes',
    source: SOURCES.dc,
    find: ({ design }) =>
      design.loads.flatMap((l): readonly Told[] =>
        when(l.group !== 'electronics' && l.group !== 'charging' && !l.ignitionProtected && inVapour(design, l.placeId), () => ({
          id: l.id,
          title: `${kindOf(l)} in ${placeName(design, l.placeId)} may light petrol vapour`,
        })),
      ),
    cure: elsewhere((p) => !p.vapour),
  },
  {
    id: 'vapour-bank',
    about: 'bank',
    severity: 'fix',
    reads: ['banks.placeId', 'places.vapour'],
    when: 'a bank stands where petrol vapour is possible',
    why: 'A loose terminal or a dropped spanner lights petrol vapour; lead-acid adds hydrogen of its own.',
    todo: 'Move the battery out of the engine and fuel spaces.',
    hazard: 'explosion',
    confirm: 'eyes',
    source: SOURCES.dc,
    find: ({ design }) =>
      design.banks.flatMap((b): readonly Told[] =>
        when(inVapour(design, b.placeId), () => ({
          id: b.id,
          title: `stands in ${placeName(design, b.placeId)}, where petrol vapour is possible`,
        })),
      ),
    cure: elsewhere(),
  },
];
