/** General symbols of the IEC 60617 kind, drawn about a point, in ink. Inline ones are 18 wide and lie on their line. */
import type { InlineSymbol, SymbolKind } from '@/core/drawing';

export interface Inks {
  readonly paper: string;
  readonly ink: string;
  readonly quiet: string;
  readonly faint: string;
  readonly line: string;
  readonly chosen: string;
  readonly settle: string;
  /** How a text is kept clear of what it lies on: by its own outline, or by a patch, which a PDF keeps apart from the letters. */
  readonly clears: 'outline' | 'patch';
  /** Before what must be settled: a sign every font of its medium has. */
  readonly mark: string;
}

export const ON_SCREEN: Inks = {
  paper: 'var(--sheet)',
  ink: 'var(--ink)',
  quiet: 'var(--quiet)',
  faint: 'var(--faint)',
  line: 'var(--line)',
  chosen: 'var(--verdigris)',
  settle: 'var(--lead)',
  clears: 'outline',
  mark: '▲ ',
};

/** On paper: figures of our own scheme, by day. */
export const ON_PAPER: Inks = {
  paper: '#ffffff',
  ink: '#16231f',
  quiet: '#4d5a55',
  faint: '#6b7772',
  line: '#cfd7d2',
  chosen: '#1f6b63',
  settle: '#b83a14',
  clears: 'patch',
  mark: '! ',
};

/** @param x, y its left end, on the line. */
export function Inline({ kind, x, y, inks }: { kind: InlineSymbol; x: number; y: number; inks: Inks }) {
  const stroke = { stroke: inks.ink, strokeWidth: 1.2, fill: 'none' } as const;
  const gap = <rect x={3} y={-5} width={12} height={8} fill={inks.paper} />;
  const body = {
    fuse: (
      <>
        <rect x={2} y={-3.5} width={14} height={7} {...stroke} fill={inks.paper} />
        <path d="M2 0H16" {...stroke} />
      </>
    ),
    breaker: (
      <>
        {gap}
        <path d="M3 0L14 -6" {...stroke} />
        <path d="M13 -2L17 2M17 -2L13 2" {...stroke} />
      </>
    ),
    switch: (
      <>
        {gap}
        <path d="M3 0L15 -6" {...stroke} />
      </>
    ),
    relay: (
      <>
        {gap}
        <path d="M3 0L15 -6" {...stroke} />
        <rect x={5} y={-13} width={8} height={5} {...stroke} />
        <path d="M9 -8V-3" {...stroke} strokeDasharray="1.5 1.5" />
      </>
    ),
    diode: (
      <>
        <path d="M4 -5V5L13 0ZM13 -5V5" {...stroke} fill={inks.paper} />
      </>
    ),
    shunt: (
      <>
        <rect x={2} y={-3.5} width={14} height={7} {...stroke} fill={inks.paper} />
        <path d="M5 -3.5V-7M13 -3.5V-7" {...stroke} />
      </>
    ),
    plug: (
      <>
        {gap}
        <path d="M9 -4A4 4 0 0 0 9 4" {...stroke} />
        <path d="M9 0H15" {...stroke} strokeWidth={2.6} />
      </>
    ),
  } satisfies Record<InlineSymbol, React.ReactNode>;
  return <g transform={`translate(${x} ${y})`}>{body[kind]}</g>;
}

/** @param x, y its middle. Bars, panels and cells are drawn by their own box. */
export function Symbol({ kind, x, y, inks }: { kind: SymbolKind; x: number; y: number; inks: Inks }) {
  const stroke = { stroke: inks.ink, strokeWidth: 1.2, fill: inks.paper } as const;
  const circle = <circle r={8} {...stroke} />;
  const box = <rect x={-9} y={-7} width={18} height={14} {...stroke} />;
  const body: Partial<Record<SymbolKind, React.ReactNode>> = {
    rotating: (
      <>
        {circle}
        <path d="M-4 4V-4L0 1L4 -4V4" {...stroke} fill="none" />
      </>
    ),
    generator: (
      <>
        {circle}
        <path d="M3.6 -2.2A4.2 4.2 0 1 0 3.8 2.6V.4H1" {...stroke} fill="none" />
      </>
    ),
    lamp: (
      <>
        {circle}
        <path d="M-5.6 -5.6L5.6 5.6M5.6 -5.6L-5.6 5.6" {...stroke} />
      </>
    ),
    converter: (
      <>
        {box}
        <path d="M-9 7L9 -7" {...stroke} />
        <path d="M-6 -4q1.5 -2 3 0t3 0" {...stroke} fill="none" strokeWidth={1} />
        <path d="M2 3H7M2 5H7" {...stroke} strokeWidth={1} />
      </>
    ),
    load: box,
    sun: (
      <>
        {box}
        <path d="M-3 -4V4M1 -2V2" {...stroke} />
        <path
          d="M-14 -13L-9 -8M-9 -8l-3.4 -.6M-9 -8l-.6 -3.4M-8 -14L-3 -9M-3 -9l-3.4 -.6M-3 -9l-.6 -3.4"
          {...stroke}
          fill="none"
          strokeWidth={1}
        />
      </>
    ),
    selector: (
      <>
        <circle cx={-7} cy={-4} r={1.8} {...stroke} />
        <circle cx={-7} cy={4} r={1.8} {...stroke} />
        <circle cx={7} cy={0} r={1.8} {...stroke} />
        <path d="M5.4 -.6L-5.4 -3.4" {...stroke} />
      </>
    ),
    bond: (
      <>
        <path d="M-6 0H6" stroke={inks.settle} strokeWidth={3} />
        <circle cx={-6} r={2.4} fill={inks.settle} />
        <circle cx={6} r={2.4} fill={inks.settle} />
      </>
    ),
    earth: <path d="M0 -8V0M-7 0H7M-4.5 3.5H4.5M-2 7H2" {...stroke} />,
    place: <circle r={3} {...stroke} fill={inks.ink} />,
  };
  return <g transform={`translate(${x} ${y})`}>{body[kind]}</g>;
}
