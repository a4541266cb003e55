/** Sheets of paper: frame, the drawing as large as it goes, legend, title block with revision. In millimetres. */
import type { LaidSheet, Layout } from '@/core/drawing';
import { Figure } from './Figure';
import { PAPER_FAMILY } from './fonts';
import { Inline, ON_PAPER, Symbol } from './symbols';

export const SHEETS = {
  A3: [420, 297],
  A4: [297, 210],
  letter: [279.4, 215.9],
} as const;
export type SheetName = keyof typeof SHEETS;

export interface Title {
  readonly vessel: string;
  readonly what: string;
  readonly rules: string;
  /** null: of a file, which has none. */
  readonly revision: number | null;
  readonly on: string | null;
}

const MARGIN = 8;
const FOOT = 24;
/** Type that stays legible on paper: the drawing is never enlarged beyond this, mm a unit. */
const MOST = 0.42;
/** A letter of the drawing is 10 units, its capitals 6.86: no less than 1.8 mm of them. */
const LEAST = 1.8 / 6.86;

const roomOf = (name: SheetName): readonly [width: number, height: number] => {
  const [w, h] = SHEETS[name];
  return [w - 2 * MARGIN - 6, h - 2 * MARGIN - FOOT - 6];
};

/** How many times the room of one sheet a layout takes with the least letters; to 1, it fits. */
export const roomsOn =
  (name: SheetName) =>
  ({ width, height }: Pick<Layout, 'width' | 'height'>): number => {
    const [room, tall] = roomOf(name);
    return Math.max((width * LEAST) / room, (height * LEAST) / tall);
  };

const LEGEND = [
  ['fuse', 'fuse'],
  ['breaker', 'breaker'],
  ['switch', 'switch'],
  ['relay', 'relay'],
  ['shunt', 'shunt'],
  ['diode', 'diode'],
  ['plug', 'plug'],
] as const;
const LEGEND_THINGS = [
  ['rotating', 'motor'],
  ['generator', 'generator'],
  ['lamp', 'lamp'],
  ['converter', 'converter'],
  ['load', 'other load'],
  ['selector', 'selector'],
  ['earth', 'earth'],
  ['bond', 'bond'],
] as const;
const LEGEND_LINES = [
  ['', 'positive'],
  ['6 3', 'negative'],
  ['8 3 2 3', 'earth'],
] as const;

/** All sheets of a drawing, in their order. */
export const Sheets = ({ sheets, name, title }: { sheets: readonly LaidSheet[]; name: SheetName; title: Title }) =>
  sheets.map(({ layout, name: part }, i) => (
    <Sheet key={i} layout={layout} name={name} title={title} part={part} no={i + 1} of={sheets.length} />
  ));

interface SheetProps {
  readonly layout: Layout;
  readonly name: SheetName;
  readonly title: Title;
  /** What of the drawing is on it, where there are several. */
  readonly part: string;
  readonly no: number;
  readonly of: number;
}

export function Sheet({ layout, name, title, part, no, of }: SheetProps) {
  const [w, h] = SHEETS[name];
  const [room, tall] = roomOf(name);
  const scale = Math.min(MOST, room / Math.max(1, layout.width), tall / Math.max(1, layout.height));
  const ink = ON_PAPER;
  const footY = h - MARGIN - FOOT;
  const titleX = w - MARGIN - 96;
  return (
    <svg
      xmlns="http://www.w3.org/2000/svg"
      width={`${w}mm`}
      height={`${h}mm`}
      viewBox={`0 0 ${w} ${h}`}
      data-sheet={name}
      fontFamily={PAPER_FAMILY}
    >
      <rect width={w} height={h} fill={ink.paper} />
      <rect x={MARGIN} y={MARGIN} width={w - 2 * MARGIN} height={h - 2 * MARGIN} fill="none" stroke={ink.ink} strokeWidth={0.5} />
      <g transform={`translate(${MARGIN + 3 + (room - layout.width * scale) / 2} ${MARGIN + 3}) scale(${scale})`}>
        <Figure layout={layout} inks={ink} chosen={null} font={PAPER_FAMILY} />
      </g>
      <path d={`M${MARGIN} ${footY}H${w - MARGIN}M${titleX} ${footY}V${h - MARGIN}`} stroke={ink.ink} strokeWidth={0.35} />
      <g transform={`translate(${MARGIN + 4} ${footY + 5}) scale(.28)`} fontSize={10} fill={ink.ink}>
        {LEGEND.map(([kind, words], i) => (
          <g key={kind} transform={`translate(${(i % 4) * 82} ${Math.floor(i / 4) * 26 + 6})`}>
            <path d="M-4 0H22" stroke={ink.ink} strokeWidth={1.5} />
            <Inline kind={kind} x={0} y={0} inks={ink} />
            <text x={28} y={3.5}>
              {words}
            </text>
          </g>
        ))}
        {LEGEND_THINGS.map(([kind, words], i) => (
          <g key={kind} transform={`translate(${335 + (i % 4) * 74} ${Math.floor(i / 4) * 26 + 6})`}>
            <Symbol kind={kind} x={4} y={0} inks={ink} />
            <text x={20} y={3.5}>
              {words}
            </text>
          </g>
        ))}
        {LEGEND_LINES.map(([dash, words], i) => (
          <g
            key={words}
            transform={`translate(${710 - (name === 'A3' ? 0 : 710)} ${(name === 'A3' ? 2 : 56) + (name === 'A3' ? i * 17 : 0)})`}
          >
            <g transform={`translate(${name === 'A3' ? 0 : i * 92} 0)`}>
              <path d="M0 0H30" stroke={dash === '6 3' ? ink.quiet : ink.ink} strokeWidth={1.5} strokeDasharray={dash || undefined} />
              <text x={36} y={3.5}>
                {words}
              </text>
            </g>
          </g>
        ))}
      </g>
      <g fontSize={3.1} fill={ink.ink}>
        <text x={titleX + 3} y={footY + 5.5} fontSize={4.6} fontWeight={700}>
          {title.vessel}
        </text>
        <text x={titleX + 3} y={footY + 10} fontWeight={600}>
          {part}
        </text>
        <text x={titleX + 3} y={footY + 14}>
          {title.what}
        </text>
        <text x={titleX + 3} y={footY + 18} fill={ink.quiet}>
          {title.rules}
        </text>
        <text x={titleX + 3} y={footY + 22} fill={ink.quiet} fontSize={2.65}>
          Local code, the maker&apos;s instructions and licensed practice come first.
        </text>
        <text x={w - MARGIN - 3} y={footY + 5.5} textAnchor="end">
          {title.revision === null ? '' : `revision ${title.revision}`}
        </text>
        <text x={w - MARGIN - 3} y={footY + 10} textAnchor="end">
          {title.on}
        </text>
        <text x={w - MARGIN - 3} y={footY + 18} textAnchor="end" fill={ink.quiet}>
          {`${name}, sheet ${no} of ${of}`}
        </text>
      </g>
    </svg>
  );
}
