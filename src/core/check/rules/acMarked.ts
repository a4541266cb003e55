/** Rule on AC conductors whose colour is one of the DC side, where the two lie beside each other. */
import { type AcCircuit, rowOf, setOp } from '../../design';
import { AC_COLOURS } from '../../rules';
import { type Rule, SOURCES } from '../rule';
import type { DesignFacts } from './design';

type Parts = DesignFacts['design'];

/** Colours of the cores that are live: as found, else by the scheme. */
function liveColours(design: Parts, c: AcCircuit): readonly string[] {
  const [first = '', second = first] = AC_COLOURS[design.boat.colourScheme].live;
  const two = design.boat.acRegion === '120/240 V' && (c.to !== null || c.loadIds.some((id) => rowOf(design.acLoads, id)?.leg === 'both'));
  return [c.liveColour || first, ...(two ? [c.secondColour || second] : [])].map((x) => x.toLowerCase());
}

/** What each colour is on this boat's DC side. */
const dcColours = (design: Parts): ReadonlyMap<string, string> =>
  new Map([
    ['red', 'DC positive'],
    [design.house.negative, 'DC negative'],
  ]);

/** Places where DC begins or ends. */
function dcPlaces({ panels, banks, bars, loads, circuits }: Parts): ReadonlySet<string> {
  const served = new Set(circuits.flatMap((c) => c.taps.map((t) => t.serves.id)));
  const ids = [...panels, ...banks, ...bars, ...loads.filter((l) => served.has(l.id))].map((x) => x.placeId);
  return new Set(ids.flatMap((id) => id ?? []));
}

function acPlaces(design: Parts, c: AcCircuit): readonly string[] {
  const at = (kind: 'source' | 'panel' | 'inverter', id: string) =>
    (kind === 'panel' ? rowOf(design.acPanels, id) : rowOf(design.acSources, id))?.placeId ?? null;
  const far = c.to ? [at(c.to.kind, c.to.id)] : [c.placeId, ...c.loadIds.map((id) => rowOf(design.acLoads, id)?.placeId ?? null)];
  return [at(c.from.kind, c.from.id), ...far].flatMap((id) => id ?? []);
}

export const AC_MARKED_RULES: readonly Rule<DesignFacts>[] = [
  {
    id: 'ac-unmarked',
    about: 'AC circuit',
    severity: 'fix',
    reads: ['acCircuits.liveColour', 'acCircuits.secondColour', 'acCircuits.labelled', 'house.negative', 'boat.colourScheme'],
    when: 'a live AC conductor has the colour of DC positive or negative, lies where DC does, and is not marked as AC',
    why: 'Whoever works on the DC side takes hold of the mains.',
    todo: 'Mark the cable AC at both ends, at every entry and wherever a cover comes off, and sheath it apart from DC.',
    hazard: 'shock',
    confirm: 'eyes',
    source: SOURCES.ac,
    find: ({ design }) => {
      const dc = dcColours(design);
      let beside: ReadonlySet<string> | null = null;
      return design.acCircuits.flatMap((c) => {
        if (c.labelled) return [];
        const colour = liveColours(design, c).find((x) => dc.has(x));
        if (colour === undefined) return [];
        const there = (beside ??= dcPlaces(design));
        const place = acPlaces(design, c).find((id) => there.has(id));
        return place
          ? [
              {
                id: c.id,
                title: `its ${colour} live lies beside ${dc.get(colour) ?? ''} of that colour in ${rowOf(design.places, place)?.name ?? ''}, unmarked`,
              },
            ]
          : [];
      });
    },
    cure: (design, { about }) => [setOp(design, ['acCircuits', about.id, 'labelled'], true)],
  },
];
