/** Rules on the colours wires were found in: what they say to the next person (both schools' tables, core/rules/colours.ts). */
import { type Circuit, type Load, rowOf } from '../../design';
import { colourMeaning, type Service } from '../../rules';
import { type Rule, SOURCES, type Told } from '../rule';
import { replaceIt } from './circuitFacts';
import type { DesignFacts } from './design';

const serviceOf = ({ group }: Load): Service =>
  group === 'navigation' || group === 'lights' || group === 'pump' || group === 'blower' ? group : 'other';

/** What a circuit serves, where all of it is one service; else any. */
function serviceOn({ design }: DesignFacts, c: Circuit): Service {
  const services = new Set(
    c.taps.map((t) => {
      const load = t.serves.kind === 'load' ? rowOf(design.loads, t.serves.id) : undefined;
      return load ? serviceOf(load) : 'other';
    }),
  );
  const [only] = services;
  return services.size === 1 && only ? only : 'other';
}

export const FOUND_COLOUR_RULES: readonly Rule<DesignFacts>[] = [
  {
    id: 'found-colour',
    about: 'circuit',
    severity: 'fix',
    reads: ['circuits.found.colour', 'boat.colourScheme', 'loads.group'],
    when: 'the positive of a wire that stays has a colour that says something else, or its colour is not entered',
    why: 'The next person trusts the colour, and takes a live wire for a negative, an earth or the mains for twelve volts.',
    todo: 'Sleeve it red at every end and label both; or replace it.',
    hazard: 'shock',
    confirm: 'eyes',
    source: SOURCES.dc,
    cure: (design, finding) =>
      colourMeaning(design.boat.colourScheme, rowOf(design.circuits, finding.about.id)?.found?.colour ?? '')
        ? replaceIt(design, finding)
        : null,
    find: (facts) => {
      const { design, results } = facts;
      return design.circuits.flatMap((c): readonly Told[] => {
        if (!c.found || c.taps.length === 0 || !results.get(c.id)?.own.ladder.kept) return [];
        const { colour } = c.found;
        if (colour.trim() === '')
          return [
            {
              id: c.id,
              severity: 'note',
              title: 'its colour as found is not entered',
              why: 'Whether it says what it is, is not tested.',
              todo: 'Look, and enter it: Survey, as found.',
            },
          ];
        const meaning = colourMeaning(design.boat.colourScheme, colour);
        if (!meaning) return [{ id: c.id, severity: 'note', title: `its positive is ${colour}, which says nothing on this boat` }];
        if (meaning.is !== 'positive') return [{ id: c.id, title: `its positive is ${colour}, which says ${meaning.says}` }];
        const service = serviceOn(facts, c);
        return meaning.services.includes(service) || service === 'other'
          ? []
          : [{ id: c.id, severity: 'note', title: `is ${colour}, which says ${meaning.says}` }];
      });
    },
  },
];
