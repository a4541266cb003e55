/** Rules that ask: a fact that is not entered silences every rule that goes by it, so its absence is itself told. */
import { kindByName, type Load } from '../../design';
import { type Rule, SOURCES, type Told, when } from '../rule';
import type { DesignFacts } from './design';

type Asking = Rule<DesignFacts>;

/** What a maker's sheet says of a load, and which loads it is asked of. */
const SHEET: readonly { readonly what: string; readonly lacks: (l: Load) => boolean }[] = [
  { what: 'largest fuse', lacks: (l) => l.makerFuseA === null },
  { what: 'kind of fuse', lacks: (l) => l.makerFuseFamily === null },
  { what: 'longest lead', lacks: (l) => l.maxLeadM === null },
  { what: 'least volts', lacks: (l) => l.minV === null },
  { what: 'least bank', lacks: (l) => l.minBankAh === null },
  { what: 'starting amps', lacks: (l) => l.surgeA === null && l.group !== 'lights' && l.group !== 'electronics' },
];
const MOST_NAMED = 6;
/** Groups in which a pump, an alarm, a starter or an inverter may be, under any name. */
const MAY_GUARD: ReadonlySet<Load['group']> = new Set(['pump', 'heavy', 'other']);

/** Names with commas between, the first few and how many more. */
const named = (rows: readonly { readonly name: string }[]): string => {
  const more = rows.length - MOST_NAMED;
  return `${rows
    .slice(0, MOST_NAMED)
    .map((r) => r.name)
    .join(', ')}${more > 0 ? ` and ${more} more` : ''}`;
};

/** Without its place: a fix where petrol vapour is possible aboard, for it may be there; else a note. */
const placeless = (about: 'bank' | 'source', list: 'banks' | 'sources', why: string): Asking => ({
  id: `${about}-no-place`,
  about,
  severity: 'fix',
  reads: [`${list}.placeId`, 'places.vapour'],
  when: `it is not entered where a ${about} is`,
  why,
  todo: 'Enter its place.',
  hazard: 'explosion',
  confirm: 'eyes',
  source: SOURCES.dc,
  find: ({ design }) => {
    const vapour = design.places.some((p) => p.vapour);
    const rows: readonly { readonly id: string; readonly placeId: string | null }[] = design[list];
    return rows.flatMap(({ id, placeId }): readonly Told[] =>
      when(placeId === null, () => ({
        id,
        severity: vapour ? 'fix' : 'note',
        title: 'has no place aboard',
        ...(vapour ? { why: 'Petrol vapour is possible aboard, and it may be where it is.' } : {}),
      })),
    );
  },
});

export const ASKING_RULES: readonly Asking[] = [
  {
    id: 'sheet-unread',
    about: 'boat',
    severity: 'note',
    reads: [
      'loads.research',
      'loads.makerFuseA',
      'loads.makerFuseFamily',
      'loads.maxLeadM',
      'loads.minV',
      'loads.minBankAh',
      'loads.surgeA',
    ],
    when: 'loads whose maker’s sheet is unread lack figures that rules go by',
    why: 'Where a figure is not entered, nothing is tested against it.',
    todo: 'Read the sheets, enter what they say, and mark them as researched on Loads: what is empty then is not asked again.',
    hazard: 'none',
    confirm: 'eyes',
    source: SOURCES.maker,
    find: ({ design }) => {
      const lacking = SHEET.map(() => 0);
      const unread = design.loads.filter((l) => {
        if (l.research !== 'unread' || l.group === 'charging') return false;
        let lacks = false;
        SHEET.forEach((f, i) => {
          if (!f.lacks(l)) return;
          lacks = true;
          lacking[i] = (lacking[i] ?? 0) + 1;
        });
        return lacks;
      });
      const counts = SHEET.flatMap(({ what }, i) => (lacking[i] ? [`${what} of ${lacking[i]}`] : []));
      // Those a boat depends on come first.
      const first = [...unread.filter((l) => l.critical), ...unread.filter((l) => !l.critical)];
      return when(unread.length > 0, () => ({
        id: 'boat',
        title: unread.length === 1 ? 'the maker’s sheet of a load is unread' : `the makers’ sheets of ${unread.length} loads are unread`,
        why: `Where a figure is not entered, nothing is tested against it: ${counts.join(', ')}. ${named(first)}.`,
      }));
    },
  },
  {
    id: 'kind-unknown',
    about: 'boat',
    severity: 'note',
    reads: ['loads.kind', 'loads.name', 'loads.group'],
    when: 'neither its kind nor its name says what a pump, a heavy load or one of no group is',
    why: 'What guards the boat, cranks her engine or makes her AC is judged by what it is.',
    todo: 'Choose its kind on Loads; "other" where it is none of them.',
    hazard: 'none',
    confirm: 'nothing',
    source: SOURCES.data,
    find: ({ design }) => {
      const rows = design.loads.filter((l) => l.kind === null && MAY_GUARD.has(l.group) && kindByName(l.name) === null);
      return when(rows.length > 0, () => ({
        id: 'boat',
        title: `it is not said what ${rows.length === 1 ? 'a load is' : `${rows.length} loads are`}`,
        why: `What guards the boat, cranks her engine or makes her AC is judged by what it is. Not said of: ${named(rows)}.`,
      }));
    },
  },
  {
    id: 'panel-unrated',
    about: 'panel',
    severity: 'note',
    reads: ['panels.maxTotalA', 'panels.maxWayA'],
    when: 'the largest amps of a panel, in all or for a way, are not entered',
    why: 'Whether its bar and its ways carry what is on them is not tested.',
    todo: 'Enter what its maker says, in all and for a way.',
    hazard: 'none',
    confirm: 'eyes',
    source: SOURCES.maker,
    find: ({ design }) =>
      design.panels.flatMap((p): readonly Told[] => {
        const lacks = [p.maxTotalA === null ? 'in all' : '', p.maxWayA === null ? 'for a way' : ''].filter(Boolean);
        return when(lacks.length > 0, () => ({ id: p.id, title: `its largest amps ${lacks.join(' and ')} are not entered` }));
      }),
  },
  placeless('bank', 'banks', 'Its heat and cold are taken as 25 °C (77 °F), its cables as from amidships.'),
  placeless('source', 'sources', 'Its cables are taken as from amidships; heat there is not counted.'),
  {
    id: 'box-unknown',
    about: 'bank',
    severity: 'note',
    reads: ['banks.box', 'banks.sheet.lengthMm', 'banks.sheet.widthMm', 'banks.sheet.heightMm'],
    when: 'a box is entered and the outside of its blocks is not',
    why: 'Whether they fit is not tested.',
    todo: 'Enter length, width and height of a block from its sheet.',
    hazard: 'none',
    confirm: 'eyes',
    source: SOURCES.maker,
    find: ({ design }) =>
      design.banks.flatMap(({ id, box, sheet }): readonly Told[] =>
        when(box !== null && [sheet.lengthMm, sheet.widthMm, sheet.heightMm].includes(null), () => ({
          id,
          title: 'the outside of its blocks is not entered, its box is',
        })),
      ),
  },
  {
    id: 'pedestal-unknown',
    about: 'AC source',
    severity: 'note',
    reads: ['acSources.shore.pedestalOhm'],
    when: 'the resistance of the pedestal’s supply is neither asked nor measured',
    why: 'It is assumed, and with it the largest fault the main breaker must interrupt and the least that must open it.',
    todo: 'Ask the marina, or have the loop impedance measured at the pedestal.',
    hazard: 'none',
    confirm: 'a meter',
    source: SOURCES.ac,
    find: ({ design }) =>
      design.acSources.flatMap(({ id, shore }): readonly Told[] =>
        when(shore !== null && shore.pedestalOhm === null, () => ({ id, title: 'the resistance of its pedestal is assumed' })),
      ),
  },
];
