/** Rules on where what is live stands: chargers, panels, bars and batteries out of the wet and the heat. */
import { type Design, rowOf, waterFigure } from '../../design';
import type { MountKind, Place } from '../../design';
import { type Rule, SOURCES, type Told, when } from '../rule';
import type { EquipmentFacts } from './reads';
import { elsewhere } from './elsewhere';

/** Second figure of the code asked for where it is wet, and where it drips. */
const WET_FIGURE = 5;
const DRIP_FIGURE = 2;

/** Keeps out what is there, by its own code; 20 where nobody says. */
function keepsOut(design: Pick<Design, 'mounts'>, kind: MountKind, id: string, place: Place): boolean {
  const ip = design.mounts.find((m) => m.kind === kind && m.thingId === id)?.ip ?? '20';
  return waterFigure(ip) >= (place.wet ? WET_FIGURE : place.drips ? DRIP_FIGURE : 0);
}

const CHARGERS: ReadonlySet<string> = new Set(['shore charger', 'DC–DC', 'solar', 'portable']);
const dry = elsewhere((p) => !p.wet && !p.drips && !p.vapour);

export const STANDING_RULES: readonly Rule<EquipmentFacts>[] = [
  {
    id: 'source-place',
    about: 'source',
    severity: 'fix',
    reads: ['sources.placeId', 'sources.kind', 'mounts.ip', 'places'],
    when: 'a charger or converter is in a wet or dripping place its body is not made for, or in the engine space',
    why: 'Water ends it, or makes it live; heat halves what it gives and how long it lasts.',
    todo: 'Dry and with air; or one its maker rates for the place, with its IP code entered under Survey, mounting.',
    hazard: 'fire',
    confirm: 'eyes',
    source: SOURCES.practice,
    find: ({ design }) =>
      design.sources.flatMap((s): readonly Told[] => {
        const place = rowOf(design.places, s.placeId);
        if (!place || !CHARGERS.has(s.kind) || s.outputOf !== null) return [];
        const wet = (place.wet || place.drips) && !keepsOut(design, 'source', s.id, place);
        return when(wet || place.engineSpace, () => ({
          id: s.id,
          title: `is in ${place.name}: ${wet ? (place.wet ? 'wet' : 'it drips there') : 'hot'}`,
        }));
      }),
    cure: elsewhere(),
  },
  {
    id: 'panel-place',
    about: 'panel',
    severity: 'fix',
    reads: ['panels.placeId', 'panels.kind', 'mounts.ip', 'places'],
    when: 'a panel or fuse block is where it is wet or drips, or a panel of breakers is in the engine space',
    why: 'Salt water tracks between its ways: corrosion, heat, fire. Warm breakers open early.',
    todo: 'A dry place; or one in an enclosure, with its IP code entered under Survey, mounting.',
    hazard: 'fire',
    confirm: 'eyes',
    source: SOURCES.dc,
    find: ({ design }) =>
      design.panels.flatMap((p): readonly Told[] => {
        const place = rowOf(design.places, p.placeId);
        if (!place) return [];
        const wet = (place.wet || place.drips) && !keepsOut(design, 'panel', p.id, place);
        return when(wet || (place.engineSpace && p.kind === 'panel'), () => ({
          id: p.id,
          title: `is in ${place.name}: ${wet ? (place.wet ? 'wet' : 'it drips there') : 'hot'}`,
        }));
      }),
    cure: elsewhere(),
  },
  {
    id: 'bar-place',
    about: 'bar',
    severity: 'fix',
    reads: ['bars.placeId', 'places'],
    when: 'a positive or negative bus bar is where it is wet or drips',
    why: 'Bare and live it is eaten away, and shorts to what lies across it.',
    todo: 'A dry place, or a covered bar above where water comes.',
    hazard: 'fire',
    confirm: 'eyes',
    source: SOURCES.dc,
    find: ({ design }) =>
      design.bars.flatMap((b): readonly Told[] => {
        const place = rowOf(design.places, b.placeId);
        return when((b.kind === 'positive bus' || b.kind === 'negative bus') && place !== undefined && (place.wet || place.drips), () => ({
          id: b.id,
          title: `is in ${place?.name ?? ''}: ${place?.wet ? 'wet' : 'it drips there'}`,
        }));
      }),
    cure: dry,
  },
  {
    id: 'bank-wet',
    about: 'bank',
    severity: 'fix',
    reads: ['banks.placeId', 'places.wet', 'places.drips', 'banks.mounting.covered'],
    when: 'a battery stands in a wet place, or where it drips on posts that are not seen to be covered',
    why: 'Water across its posts drains it, eats them and, with salt in it, makes gas.',
    todo: 'Above bilge water and out of the wet; a covered box where it may drip.',
    hazard: 'fire',
    confirm: 'eyes',
    source: SOURCES.dc,
    find: ({ design }) =>
      design.banks.flatMap((b): readonly Told[] => {
        const place = rowOf(design.places, b.placeId);
        const drips = place !== undefined && place.drips && b.mounting.covered !== true;
        return when(place !== undefined && (place.wet || drips), () => ({
          id: b.id,
          title: `stands in ${place?.name ?? ''}: ${place?.wet ? 'wet' : 'it drips there'}`,
        }));
      }),
    cure: dry,
  },
  {
    id: 'ac-panel-place',
    about: 'AC panel',
    severity: 'stop',
    reads: ['acPanels.placeId', 'mounts.ip', 'places'],
    when: 'an AC panel is where it is wet, drips or petrol vapour is possible, or in the engine space',
    why: 'Water makes what holds it live at mains volts; its breakers spark as they open.',
    todo: 'A dry place. Local code, the maker’s instructions and licensed practice come first.',
    hazard: 'shock',
    confirm: 'eyes',
    source: SOURCES.ac,
    find: ({ design }) =>
      design.acPanels.flatMap((p): readonly Told[] => {
        const place = rowOf(design.places, p.placeId);
        if (!place) return [];
        const wet = (place.wet || place.drips) && !keepsOut(design, 'AC panel', p.id, place);
        return when(wet || place.vapour || place.engineSpace, () => ({
          id: p.id,
          severity: wet || place.vapour ? 'stop' : 'fix',
          title: `is in ${place.name}: ${place.vapour ? 'petrol vapour' : wet ? (place.wet ? 'wet' : 'it drips there') : 'hot'}`,
        }));
      }),
    cure: elsewhere(),
  },
];
