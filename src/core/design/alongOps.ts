/** What goes along with a change: units, colours and house rules of a school with the rule set, places nobody has moved with the hull. */
import { blankDesign, defaultHouse } from './blank';
import { type Op, setOp } from './edit';
import type { Boat, Design } from './schema';
import type { School } from '../rules';

const OF_A_SCHOOL = ['lengthUnit', 'tempUnit', 'massUnit', 'colourScheme'] as const satisfies readonly (keyof Boat)[];

export interface Along {
  readonly ops: readonly Op[];
  /** What goes along, in words; empty: nothing but the rule set. */
  readonly said: readonly string[];
  /** What stays, for somebody set it otherwise. */
  readonly stays: readonly string[];
}

const WORDS: Readonly<Record<(typeof OF_A_SCHOOL)[number], string>> = {
  lengthUnit: 'lengths',
  tempUnit: 'temperatures',
  massUnit: 'masses',
  colourScheme: 'wire colours',
};

/** Another rule set, and with it what still is as its school has it; what somebody has set otherwise stays. */
export function ruleSetOps(design: Design, to: School): Along {
  const { boat, house } = design;
  if (boat.ruleSet === to) return { ops: [], said: [], stays: [] };
  const usual = (school: School) => blankDesign(boat.name, school, boat.lengthM, boat.beamM, boat.systemV).boat;
  const [was, next] = [usual(boat.ruleSet), usual(to)];
  const along = OF_A_SCHOOL.filter((key) => boat[key] === was[key]);
  const [houseWas, houseNext] = [defaultHouse(boat.ruleSet), defaultHouse(to)];
  const colours = (['functionColours', 'negative'] as const).filter(
    (key) => house[key] === houseWas[key] && houseWas[key] !== houseNext[key],
  );
  return {
    ops: [
      setOp(design, ['boat', 'ruleSet'], to),
      ...along.filter((key) => was[key] !== next[key]).map((key) => setOp(design, ['boat', key], next[key])),
      ...colours.map((key) => setOp(design, ['house', key], houseNext[key])),
    ],
    said: along.map((key) => WORDS[key]),
    stays: OF_A_SCHOOL.filter((key) => boat[key] !== was[key] && boat[key] !== next[key]).map((key) => WORDS[key]),
  };
}

/** Places that stand where the hull as it was would put them, moved to where the hull as it is does. @param was length and beam before. */
export function placesAlongOps(design: Design, was: Pick<Boat, 'lengthM' | 'beamM'>): readonly Op[] {
  const { boat } = design;
  const spots = (hull: Pick<Boat, 'lengthM' | 'beamM'>) =>
    new Map(blankDesign(boat.name, boat.ruleSet, hull.lengthM, hull.beamM, boat.systemV).places.map((p) => [p.id, p.at]));
  const [before, after] = [spots(was), spots(boat)];
  return design.places.flatMap((p) => {
    const [old, next] = [before.get(p.id), after.get(p.id)];
    if (!old || !next) return [];
    const untouched = old.x === p.at.x && old.y === p.at.y && old.z === p.at.z;
    const moves = next.x !== old.x || next.y !== old.y || next.z !== old.z;
    return untouched && moves ? [setOp(design, ['places', p.id, 'at'], next)] : [];
  });
}
