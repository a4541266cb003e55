/** Rules on how a battery stands aboard: held down, posts covered, aired. */
import { chemistryOf } from '../../bank';
import { type Bank } from '../../design';
import { type Rule, SOURCES, type Told, when } from '../rule';
import type { EquipmentFacts } from './reads';

type Row = Pick<Rule<EquipmentFacts>, 'id' | 'when' | 'why' | 'todo' | 'hazard'>;
type Mounting = Bank['mounting'];

/** Something seen to be missing: what was seen is set anew when it has been made good, not by a cure. @param asked of which banks it is asked. */
const missing = (row: Row, fact: keyof Mounting, title: string, asked: (bank: Bank) => boolean = () => true): Rule<EquipmentFacts> => ({
  ...row,
  about: 'bank',
  severity: 'fix',
  reads: [`banks.mounting.${fact}`],
  confirm: 'eyes',
  source: SOURCES.dc,
  find: ({ design }) =>
    design.banks.flatMap((b): readonly Told[] => when(b.mounting[fact] === false && asked(b), () => ({ id: b.id, title }))),
});

const gases = (bank: Bank): boolean => chemistryOf(bank).leadAcid;
const ASKED: readonly (readonly [keyof Mounting, string, (bank: Bank) => boolean])[] = [
  ['held', 'held down', () => true],
  ['covered', 'covered at its posts', () => true],
  ['vented', 'aired', gases],
];

export const MOUNTING_RULES: readonly Rule<EquipmentFacts>[] = [
  missing(
    {
      id: 'bank-held',
      when: 'a battery is not held down',
      why: 'In a knockdown it flies: torn cables short, acid and weight do the rest.',
      todo: 'A tray and straps or a clamp that hold it upside down: 25 mm (1 in) of movement at the most.',
      hazard: 'fire',
    },
    'held',
    'is not held down',
  ),
  missing(
    {
      id: 'bank-covered',
      when: 'the posts of a battery are bare',
      why: 'A dropped spanner across them welds itself on and burns.',
      todo: 'Insulating boots or a lid over the positive posts at the least.',
      hazard: 'burns',
    },
    'covered',
    'has bare posts',
  ),
  missing(
    {
      id: 'bank-vented',
      when: 'a lead-acid battery has no vent to the open air',
      why: 'Charging makes hydrogen, sealed ones too when they are overcharged: a spark sets it off.',
      todo: 'A vent from the top of the box or locker to the open air, and an inlet below.',
      hazard: 'explosion',
    },
    'vented',
    'has no vent',
    gases,
  ),
  {
    id: 'bank-mounting-unknown',
    about: 'bank',
    severity: 'note',
    reads: ['banks.mounting'],
    when: 'it is not entered whether a battery is held down, its posts are covered and it is aired',
    why: 'Nothing is tested there: a loose, bare or unaired battery draws no word.',
    todo: 'Look, and enter it: Bank, banks.',
    hazard: 'fire',
    confirm: 'eyes',
    source: SOURCES.dc,
    find: ({ design }) =>
      design.banks.flatMap((b): readonly Told[] => {
        const unseen = ASKED.flatMap(([fact, name, asked]) => (b.mounting[fact] === null && asked(b) ? [name] : []));
        return when(unseen.length > 0, () => ({ id: b.id, title: `not entered whether it is ${unseen.join(', ')}` }));
      }),
  },
];
