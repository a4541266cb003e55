/** Links between the blocks of a bank, as cables: all of one bank alike, for a longer one would carry less (docs/methods.md, "Pieces"). */
import { usualLink } from '../bank';
import { type Bank, type Design, rowOf } from '../design';
import { sizeName } from '../quantity';
import { type Conductor, findConductor, positiveColour } from '../rules';
import { bankPost } from '../topology';
import type { Cut } from './cut';
import { endName } from './ends';

export interface LinkPiece {
  readonly cut: Cut;
  readonly conductor: Conductor;
  readonly junctions: number;
}

/** From post to post of blocks that stand side by side: a width, and a bow up and down, m. null: the block's width is not known. */
const spanM = (bank: Bank): number | null => (bank.sheet.widthMm === null ? null : (bank.sheet.widthMm + 120) / 1000);

/** How many links there are in series, and from string to string (or from each to the bars) on one rail. */
export const linkCounts = (bank: Bank): { readonly series: number; readonly parallel: number } => ({
  series: bank.strings * (bank.series - 1),
  parallel: bank.strings < 2 ? 0 : bank.links.way === 'bus bars' ? bank.strings : bank.strings - 1,
});

function linksOf(design: Design, bank: Bank): LinkPiece[] {
  const school = design.boat.ruleSet;
  const conductor = findConductor(school, bank.links.size ?? '') ?? findConductor(school, usualLink(school));
  const { series, parallel } = linkCounts(bank);
  if (!conductor || series + parallel === 0) return [];
  const red = positiveColour(design.boat.colourScheme, 'other', design.house.functionColours);
  const span = spanM(bank);
  const stud = endName('M8', school, conductor.size);
  const barred = bank.links.way === 'bus bars';
  const place = rowOf(design.places, bank.placeId)?.name;
  const link = (
    id: string,
    what: string,
    polarity: Cut['polarity'],
    colour: string,
    node: string | null,
    from: string,
    to: string,
  ): LinkPiece => ({
    conductor,
    junctions: 0,
    cut: {
      id: `${bank.id}.${id}`,
      circuitId: bank.id,
      no: '',
      serves: bank.name,
      polarity,
      size: sizeName(school, conductor.size),
      cores: 1,
      school,
      conductor: conductor.size,
      odMm: conductor.odMm,
      massKgPerKm: conductor.massKgPerKm,
      areaMm2: conductor.areaMm2,
      colour,
      lengthM: bank.links.lengthM,
      taped: bank.links.measured,
      slackM: 0,
      openM: 0,
      // Both ends stand on the inserts of blocks, but for one on a bar.
      from: { name: from, node },
      to: { name: to, node: to.startsWith('bar ') ? null : node },
      fromEnd: stud,
      toEnd: stud,
      label: `${polarity} ${bank.name}, ${what}`,
      unplaced: '',
      note: [
        'all links of the bank alike, as the longest',
        ...(span !== null && bank.links.lengthM < span - 1e-9 ? [`shorter than from post to post: ${Math.round(span * 1000)} mm`] : []),
        ...(place ? [place] : []),
      ].join('; '),
    },
  });
  const out: LinkPiece[] = [];
  for (let s = 1; s <= bank.strings; s++)
    for (let b = 1; b < bank.series; b++)
      out.push(
        link(
          `series.${s}.${b}`,
          `series link ${bank.strings > 1 ? `of string ${s}, ` : ''}${b} to ${b + 1}`,
          '+',
          red,
          bankPost(bank.id, '+'),
          `block ${b} −`,
          `block ${b + 1} +`,
        ),
      );
  for (const [polarity, rail, colour] of [
    ['+', '+', red],
    ['−', '-', design.house.negative],
  ] as const)
    for (let k = 1; k <= parallel; k++)
      out.push(
        link(
          `parallel.${k}${rail === '+' ? 'p' : 'n'}`,
          barred ? `string ${k} to its bar` : `string ${k} to ${k + 1}`,
          polarity,
          colour,
          bankPost(bank.id, rail),
          `string ${k} ${polarity}`,
          barred ? `bar ${polarity}` : `string ${k + 1} ${polarity}`,
        ),
      );
  return out;
}

export const bankLinks = (design: Design): LinkPiece[] => design.banks.flatMap((b) => linksOf(design, b));
