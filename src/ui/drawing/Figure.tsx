/** The drawing itself, from its layout: the same on the screen and on the sheet. */
import { memo } from 'react';
import { equal } from '@/core/design';
import {
  type About,
  BELOW,
  INLINE_WIDTH,
  type Laid,
  type Layout,
  levelsOf,
  OVER,
  type Placed,
  TAP_PITCH,
  TEXT,
  textWidth,
} from '@/core/drawing';
import { Inline, Symbol, type Inks } from './symbols';

export const keyOf = (about: About): string => `${about.kind} ${about.id}`;

interface FigureProps {
  readonly layout: Layout;
  readonly inks: Inks;
  /** keyOf what is chosen; null on paper. */
  readonly chosen: string | null;
  /** keyOf what is dead as the switches stand; null: nobody asks. */
  readonly dead?: ReadonlySet<string> | null;
  readonly font: string;
}

export const Figure = memo(function Figure({ layout, inks, chosen, dead = null, font }: FigureProps) {
  return (
    <g fontFamily={font} fontSize={TEXT} fill={inks.ink}>
      {layout.lines.map((l) => (
        <LineOf key={l.id} line={l} inks={inks} chosen={chosen === keyOf(l.about)} live={dead && !dead.has(keyOf(l.about))} />
      ))}
      {layout.things.map((t) => (
        <ThingOf key={t.id} thing={t} inks={inks} chosen={chosen === keyOf(t.about)} live={dead && !dead.has(keyOf(t.about))} />
      ))}
    </g>
  );
});

/** Clear paper behind a text. */
const Patch = ({ x, y, text, inks }: { x: number; y: number; text: string; inks: Inks }) =>
  text === '' ? null : <rect x={x - 1} y={y - 8} width={textWidth(text) + 2} height={10.5} fill={inks.paper} />;

/** live: null where nobody asks; what is dead is drawn faint and says so. */
const LineOf = memo(function LineOf({ line, inks, chosen, live }: { line: Laid; inks: Inks; chosen: boolean; live: boolean | null }) {
  const path = line.points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`).join('');
  const settle = line.worst === 'stop' || line.worst === 'fix';
  const colour =
    live !== null
      ? live
        ? inks.ink
        : inks.line
      : settle
        ? inks.settle
        : chosen
          ? inks.chosen
          : line.rail === 'negative'
            ? inks.quiet
            : inks.ink;
  const [level] = levelsOf(line);
  const [left, inLine] = level ? [level[0], level[2]] : [0, 0];
  const [words, y] = line.words;
  const halo = inks.clears === 'outline' ? ({ stroke: inks.paper, strokeWidth: 3, paintOrder: 'stroke' } as const) : {};
  const over = `${settle && live === null ? inks.mark : ''}${line.no ? `${line.no}  ` : ''}${line.over}`;
  return (
    <g data-about={keyOf(line.about)} className="cursor-pointer">
      <path d={path} fill="none" stroke="transparent" strokeWidth={9} />
      {chosen ? <path d={path} fill="none" stroke={inks.chosen} strokeWidth={5} opacity={0.35} /> : null}
      {line.rail === 'pair' || line.rail === 'trio' ? (
        <>
          <path d={path} fill="none" stroke={colour} strokeWidth={line.rail === 'trio' ? 5.4 : 3.6} />
          <path d={path} fill="none" stroke={inks.paper} strokeWidth={line.rail === 'trio' ? 3 : 1.4} />
          {line.rail === 'trio' ? <path d={path} fill="none" stroke={colour} strokeWidth={1} strokeDasharray="8 3 2 3" /> : null}
        </>
      ) : (
        <path
          d={path}
          fill="none"
          stroke={colour}
          strokeWidth={line.rail === 'live' ? 2.4 : line.rail === 'earth' ? 1.2 : line.rail === 'neutral' ? 1 : 1.5}
          strokeDasharray={line.rail === 'earth' ? '8 3 2 3' : line.rail === 'negative' ? '6 3' : undefined}
        />
      )}
      {line.symbols.map((s, i) => (
        <Inline key={i} kind={s} x={left + 6 + i * (INLINE_WIDTH + 2)} y={inLine} inks={inks} />
      ))}
      {inks.clears === 'patch' ? (
        <>
          <Patch x={words} y={y + OVER} text={over} inks={inks} />
          <Patch x={words} y={y + BELOW} text={line.below} inks={inks} />
        </>
      ) : null}
      <text x={words} y={y + OVER} {...halo} fill={live === false ? inks.faint : inks.ink}>
        {settle && live === null ? inks.mark : ''}
        {line.no ? <tspan fontWeight={700}>{`${line.no}  `}</tspan> : null}
        {line.over}
      </text>
      {line.below ? (
        <text x={words} y={y + BELOW} {...halo} fill={inks.quiet}>
          {line.below}
        </text>
      ) : null}
    </g>
  );
}, equal);

const ThingOf = memo(function ThingOf({
  thing,
  inks: given,
  chosen,
  live,
}: {
  thing: Placed;
  inks: Inks;
  chosen: boolean;
  live: boolean | null;
}) {
  const inks = live === false ? { ...given, ink: given.faint, quiet: given.faint } : given;
  const { x, y, width, height, symbol } = thing;
  const settle = live === null && (thing.worst === 'stop' || thing.worst === 'fix');
  const frame = { stroke: settle ? inks.settle : chosen ? inks.chosen : inks.ink, strokeWidth: chosen ? 2.4 : 1.2 } as const;
  const middle = y + (height - thing.taps.length * TAP_PITCH) / 2;
  const name = `${settle ? inks.mark : ''}${thing.label}${live === false && thing.symbol !== 'cell' ? ', dead' : ''}`;
  const said = (under: string) => (live === false && under === 'dead' ? '' : under);
  const tone = (under: string) => (live === null && /falls|dead|burns|never/.test(under) ? inks.settle : inks.quiet);
  const under = said(thing.under);
  return (
    <g data-about={keyOf(thing.about)} data-thing={thing.id} className="cursor-pointer">
      {symbol === 'panel' || symbol === 'bar' ? (
        <>
          {symbol === 'panel' ? (
            <rect
              x={x}
              y={y}
              width={width}
              height={height}
              fill={inks.paper}
              {...frame}
              strokeDasharray={thing.folded ? '4 2' : undefined}
            />
          ) : (
            <>
              <rect x={x} y={y} width={width} height={height} fill={inks.paper} stroke="none" />
              <rect x={x + width - 5} y={y} width={5} height={height} fill={settle ? inks.settle : chosen ? inks.chosen : inks.ink} />
              <rect x={x} y={y} width={1.5} height={height} fill={inks.line} />
            </>
          )}
          <text x={x + 8} y={y + 14} fontWeight={600} fill={settle ? inks.settle : inks.ink}>
            {name}
          </text>
          <text x={x + 8} y={y + 27} fill={inks.quiet}>
            {thing.folded ? `${thing.ways} circuits, folded` : thing.under}
          </text>
          {thing.sign ? <Symbol kind={thing.sign} x={x + 18} y={y + 44} inks={inks} /> : null}
        </>
      ) : symbol === 'cell' ? (
        <>
          <rect x={x} y={y} width={width} height={height} fill={inks.paper} stroke="none" />
          {[0, 1, 2].map((i) => (
            <g key={i} stroke={inks.ink}>
              <path d={`M${x + 12 + i * 11} ${y + 18}V${y + 40}`} strokeWidth={1.2} />
              <path d={`M${x + 17 + i * 11} ${y + 23}V${y + 35}`} strokeWidth={3} />
            </g>
          ))}
          <path d={`M${x + 39} ${y + 29}H${x + width}`} stroke={inks.ink} strokeWidth={1.2} />
          <path d={`M${x + width} ${y}V${y + height}`} stroke={inks.ink} strokeWidth={3} />
          <text x={x + 4} y={y + 11} fontWeight={600} fill={settle ? inks.settle : inks.ink}>
            {name}
          </text>
          <text x={x + 4} y={y + 52} fill={inks.quiet}>
            {thing.under}
          </text>
          {chosen ? <rect x={x} y={y} width={width} height={height} fill="none" {...frame} /> : null}
        </>
      ) : (
        <>
          <rect x={x} y={y} width={width} height={height} fill={inks.paper} opacity={0} />
          <Symbol kind={symbol} x={x + 10} y={middle} inks={inks} />
          <text x={x + 24} y={middle + (under ? -1 : 3.5)} fill={settle ? inks.settle : inks.ink} fontWeight={chosen ? 600 : 400}>
            {name}
          </text>
          {under ? (
            <text x={x + 24} y={middle + 9} fill={tone(under)}>
              {under}
            </text>
          ) : null}
          {thing.taps.map((t, i) => (
            <g key={t.about.id} data-about={keyOf(t.about)}>
              <path
                d={`M${x + 10} ${i === 0 ? middle + 8 : middle + 12 + i * TAP_PITCH}V${middle + 12 + (i + 1) * TAP_PITCH}`}
                stroke={inks.ink}
                strokeWidth={1}
              />
              <circle cx={x + 10} cy={middle + 12 + (i + 1) * TAP_PITCH} r={2} fill={inks.ink} />
              <text x={x + 24} y={middle + 15 + (i + 1) * TAP_PITCH}>
                <tspan fill={inks.quiet}>{t.over}</tspan>
                <tspan dx={6} fill={inks.ink}>
                  {t.label}
                </tspan>
                <tspan dx={6} fill={tone(t.under)}>
                  {said(t.under)}
                </tspan>
              </text>
            </g>
          ))}
          {chosen ? (
            <rect x={x - 2} y={y - 1} width={Math.max(width, 24 + textWidth(name)) + 4} height={height + 2} fill="none" {...frame} />
          ) : null}
        </>
      )}
    </g>
  );
}, equal);
