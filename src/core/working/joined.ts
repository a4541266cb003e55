/** The working of one way to join house and start bank: how it joins, and where on the cruise its figures come from (docs/methods.md, M11). */
import { cranking } from '../bank';
import type { BankTie, Design } from '../design';
import { type BankSide, crankIndex, joinedBy, type TieConsequence } from '../energy';
import { round3, type Units } from '../quantity';
import { liner, voltsLine } from './parts';
import type { WorkingLine, WorkingSection } from './types';

const pct = (x: number) => `${round3(100 * x)} %`;
/** When on a cruise, as its days are counted. */
const when = (h: number) => `day ${Math.floor(h / 24 - 1e-9) + 1}, ${round3(h - 24 * Math.floor(h / 24 - 1e-9))} h`;

/** @param cruise its name. Empty where the boat cannot be joined so. */
export function joinedSections(design: Design, way: TieConsequence, cruise: string, units: Units): readonly WorkingSection[] {
  const joined = joinedBy(design, way.way);
  if (!joined) return [];
  const line = liner(units);
  const start = joined.banks[crankIndex(joined)];
  const own = way.way === 'as designed';
  const mark = own ? 'estimated' : 'typical';
  const source = own ? 'as entered' : 'of its kind';
  const tie = (t: BankTie): WorkingLine[] => {
    if (t.kind === 'splitter') return [voltsLine('the splitter takes', t.dropV, { mark, source })];
    if (t.kind === 'relay')
      return [
        voltsLine('the relay closes at', t.closeV, { mark, source }),
        voltsLine('and opens at', t.openV, { mark, source: `${source}; after ${round3(t.delayS)} s` }),
      ];
    return [
      line('the selector, engine running', 0, 'none', { text: t.running, source: 'a timetable of the day may say otherwise' }),
      line('engine stopped', 0, 'none', { text: t.stopped }),
    ];
  };
  const fed = joined.sources.filter((s) => s.kind === 'DC–DC' && s.bankId === start?.id);
  const engine = joined.sources.filter((s) => s.kind === 'alternator');
  const crank = start && cranking(joined, start);
  const side = (title: string, s: BankSide, topV: number, more: readonly WorkingLine[] = []): WorkingSection => ({
    title,
    lines: [
      line('lowest', 100 * s.lowest, 'pct', { source: when(s.lowestH) }),
      line('at the end', 100 * s.endSoc, 'pct', { source: `${round3(s.inAh)} Ah went in on the way` }),
      line('to 95 %', s.hoursTo95 ?? NaN, 'h', {
        source: 'from 60 %, the engine at 2000 rpm, nothing else running',
        ...(s.hoursTo95 === null ? { text: 'not in 12 h' } : {}),
      }),
      voltsLine('posts, most', topV, { source: when(s.topH) }),
      ...more,
    ],
  });
  return [
    {
      title: 'How they are joined',
      lines: [
        ...joined.joins.flatMap(tie),
        ...fed.map((s) => line(`${s.name} gives`, s.ratedA, 'A', { mark, source })),
        ...engine.map((s) => line(`${s.name} senses`, 0, 'none', { text: s.regulator.sense })),
        line('run through', way.trace.length, 'none', {
          text: cruise,
          source: 'in steps of a quarter of an hour, every source and load as planned',
        }),
      ],
    },
    side('House', way.house, way.houseV),
    side(
      'Start',
      way.start,
      way.startV,
      crank
        ? [
            line('the engine starts down to', 100 * (crank.leastSoc ?? NaN), 'pct', {
              ...(crank.leastSoc === null ? { text: 'from no charge at all' } : {}),
              source: `${crank.crankA} A leave ${crank.minV.toFixed(1)} V at the starter; lowest on the way: ${pct(way.start.lowest)}`,
              breaks: way.failsAfterDays !== null,
            }),
          ]
        : [],
    ),
  ];
}
