/** Rules on bus bars: what flows through them, what lands on them. */
import { type Design, rowOf, setOp } from '../../design';
import { MOST_ON_A_STUD } from '../../mainSide';
import { type BusBar, busName } from '../../network';
import { sizeName } from '../../quantity';
import { studName } from '../../rules';
import { type Rule, type Said, SOURCES, when } from '../rule';
import type { StudyFacts } from './studies';

type BusRule = Rule<StudyFacts>;
type Row = Omit<BusRule, 'find' | 'about'>;

const bus = (row: Row, told: (b: BusBar, design: Design) => readonly Said[]): BusRule => ({
  ...row,
  about: 'bar',
  find: ({ bars, design }) => bars.flatMap((b) => told(b, design).map((t) => ({ ...t, id: b.about.id, about: b.about }))),
});

/** The bar as it asks to be; nothing where none is made so, or it is a panel's. */
function asAsked(design: Design, { about, wants }: BusBar): Pick<Said, 'edits'> {
  if (about.kind !== 'bar' || wants.ratedA === null || wants.studs === null) return {};
  const to = { ratedA: wants.ratedA, studs: wants.studs, stud: wants.stud };
  return { edits: (['ratedA', 'studs', 'stud'] as const).map((key) => setOp(design, ['bars', about.id, key], to[key])) };
}
/** The edits its finding came with. */
const cure: BusRule['cure'] = (_, finding) => finding.edits ?? null;

export const BUS_RULES: readonly BusRule[] = [
  bus(
    {
      id: 'bus-amps',
      severity: 'stop',
      reads: ['bars.ratedA', 'studies', 'circuits', 'leads'],
      when: 'more lasts through a bus bar than it is rated for',
      why: 'The bar and every nut on it run hot, and the heat goes on into the cables.',
      todo: 'A stronger bar, or some of it moved to another.',
      hazard: 'fire',
      confirm: 'a meter',
      source: SOURCES.maker,
      cure,
    },
    (b, design) =>
      // Of a panel its own rule says so.
      when(b.about.kind === 'bar' && b.ratedA !== null && b.amps > b.ratedA + 1e-9, () => ({
        title: `carries ${Math.round(b.amps)} A of ${b.ratedA ?? 0} A: it asks for ${busName(b, design)}`,
        ...asAsked(design, b),
        why: `By ${b.by}. The bar and every nut on it run hot, and the heat goes on into the cables.`,
      })),
  ),
  bus(
    {
      id: 'bus-crowded',
      severity: 'stop',
      reads: ['bars.studs', 'leads', 'circuits'],
      when: `more lands on a bar than its studs hold: ${MOST_ON_A_STUD} on a stud at the most, heavy cables on one of their own`,
      why: 'A stack that is too high loosens, and its upper terminals sit on others instead of on the bar.',
      todo: 'A bar with more studs, or a second one.',
      hazard: 'fire',
      confirm: 'eyes',
      source: SOURCES.dc,
      cure,
    },
    (b, design) =>
      when(b.about.kind === 'bar' && (b.tooMany > 0 || (b.spare !== null && b.spare < 0)), () => ({
        severity: b.tooMany > 0 ? ('stop' as const) : ('fix' as const),
        title: `${b.terminals} terminals on ${b.studs ?? 0} ${b.studs === 1 ? 'stud' : 'studs'}: it asks for ${busName(b, design)}`,
        ...asAsked(design, b),
      })),
  ),
  bus(
    {
      id: 'bus-stud',
      severity: 'stop',
      reads: ['bars.stud', 'panels.stud', 'leads', 'circuits'],
      when: 'the largest cable on a bar does not fit its studs',
      why: 'Its lug has no hole for the stud, or too little palm beside it: it runs hot and works loose.',
      todo: 'A bar with larger studs.',
      hazard: 'fire',
      confirm: 'eyes',
      source: SOURCES.practice,
      cure,
    },
    (b, design) =>
      when(b.largest !== null && !b.largest.fits, () => ({
        title: `${b.largest ? sizeName(b.largest.school, b.largest.size) : ''} does not fit its ${studName(design.boat.ruleSet, b.stud)} studs${b.wants.fits ? `: ${studName(design.boat.ruleSet, b.wants.stud)}` : ''}`,
        ...(b.wants.fits
          ? { edits: [setOp(design, [b.about.kind === 'panel' ? 'panels' : 'bars', b.about.id, 'stud'], b.wants.stud)] }
          : { todo: 'No stud takes it: two conductors side by side, each on a stud of its own.' }),
      })),
  ),
  bus(
    {
      id: 'bus-unrated',
      severity: 'note',
      reads: ['bars.ratedA', 'bars.studs'],
      when: 'the rating of a bus bar or the number of its studs is not entered',
      why: 'Whether it carries and holds what is on it is not tested.',
      todo: 'Enter what its maker says, or take what it asks for.',
      hazard: 'none',
      confirm: 'eyes',
      source: SOURCES.maker,
      cure,
    },
    (b, design) => {
      const row = rowOf(design.bars, b.about.id);
      return when(b.about.kind === 'bar' && row !== undefined && (row.ratedA === null || row.studs === null), () => ({
        title: `its rating and studs are not entered: ${Math.round(b.amps)} A and ${b.terminals} terminals ask for ${busName(b, design)}`,
        ...asAsked(design, b),
      }));
    },
  ),
];
