/** Bodies of equipment as it is usually sold, and battery cases of both markets, mm and kg. Typical, ours; the maker's sheet rules. */

/** How a body may stand: on a bulkhead, on a shelf or sole, or under a deck. */
export const WAYS_UP = ['bulkhead only', 'bulkhead or flat', 'flat only', 'any way'] as const;
export type WayUp = (typeof WAYS_UP)[number];

export interface BodyRow {
  readonly widthMm: number;
  readonly heightMm: number;
  /** Out of the face it stands on. */
  readonly depthMm: number;
  readonly massKg: number;
  /** Free air its maker asks for, mm. */
  readonly aboveMm: number;
  readonly belowMm: number;
  readonly sidesMm: number;
  readonly frontMm: number;
  readonly wayUp: WayUp;
}

type Figures = readonly [
  upTo: number,
  width: number,
  height: number,
  depth: number,
  kg: number,
  above: number,
  below: number,
  sides: number,
  front: number,
];
const rows = (wayUp: WayUp, figures: readonly Figures[]): readonly (readonly [number, BodyRow])[] =>
  figures.map(([upTo, widthMm, heightMm, depthMm, massKg, aboveMm, belowMm, sidesMm, frontMm]) => [
    upTo,
    { widthMm, heightMm, depthMm, massKg, aboveMm, belowMm, sidesMm, frontMm, wayUp },
  ]);

/** By the largest current (A), power (W) or number of ways each row is for. */
export const BODIES = {
  /** By A. Convection wants the fins upright. */
  charger: rows('bulkhead only', [
    [20, 180, 260, 90, 3, 100, 100, 50, 50],
    [60, 250, 370, 130, 6, 150, 100, 80, 80],
    [Infinity, 330, 480, 170, 12, 200, 150, 100, 100],
  ]),
  /** DC–DC and solar controllers, by A. */
  converter: rows('bulkhead only', [
    [20, 130, 190, 70, 1.3, 100, 100, 30, 30],
    [60, 190, 250, 100, 3, 100, 100, 50, 50],
    [Infinity, 250, 300, 110, 5, 150, 100, 50, 50],
  ]),
  /** By W. */
  inverter: rows('bulkhead or flat', [
    [800, 200, 300, 110, 5, 100, 100, 80, 80],
    [2000, 260, 480, 150, 15, 150, 100, 100, 100],
    [3500, 330, 540, 220, 28, 150, 150, 100, 100],
    [Infinity, 370, 620, 260, 48, 200, 150, 100, 100],
  ]),
} as const;

/** A panel let into its face: two columns of ways at the pitch, this much round them; behind it its wires. */
export const PANEL_FRAME_MM = 90;
export const PANEL_COLUMN_MM = 130;
export const PANEL_DEPTH_MM = 110;
export const WAY_KG = 0.12;
/** A block or bar on a face: its ways in a row. */
export const BLOCK_END_MM = 40;
export const BLOCK_HEIGHT_MM = 90;
export const BLOCK_DEPTH_MM = 60;
/** A round gauge: its bezel, and what it needs behind the face. */
export const GAUGE_MM = 64;
export const GAUGE_DEPTH_MM = 60;
/** Above a battery's posts: bends of its cables; and to top up cells. */
export const HEADROOM_MM = 60;
export const TOP_UP_MM = 150;
/** A tray's rim and its hold-down, on each side. */
export const TRAY_MM = 20;
/** What screws into thin plywood or a liner hold for certain, kg; above it a solid ground or bolts through it. */
export const THIN_HOLDS_KG = 3;

export interface BatteryCase {
  readonly name: string;
  readonly market: 'American' | 'European';
  readonly lengthMm: number;
  readonly widthMm: number;
  /** Over the posts. */
  readonly heightMm: number;
}
const sized =
  (market: BatteryCase['market']) =>
  ([name, lengthMm, widthMm, heightMm]: readonly [string, number, number, number]): BatteryCase => ({
    name,
    market,
    lengthMm,
    widthMm,
    heightMm,
  });

/** Sizes of cases by the letters of their standards (groups of the American trade; EN 50342-2 and -4). To be verified: height goes with the posts. */
export const BATTERY_CASES: readonly BatteryCase[] = [
  ...(
    [
      ['group U1', 197, 132, 186],
      ['group 24', 260, 173, 225],
      ['group 27', 306, 173, 225],
      ['group 31', 330, 173, 240],
      ['golf cart, GC2', 264, 183, 290],
      ['golf cart, GC12', 329, 181, 283],
      ['L16', 311, 181, 424],
      ['group 4D', 527, 222, 250],
      ['group 8D', 527, 283, 250],
    ] as const
  ).map(sized('American')),
  ...(
    [
      ['L1', 207, 175, 190],
      ['L2', 242, 175, 190],
      ['L3', 278, 175, 190],
      ['L4', 315, 175, 190],
      ['L5', 353, 175, 190],
      ['A', 513, 189, 223],
      ['B', 513, 223, 223],
      ['C', 518, 276, 242],
    ] as const
  ).map(sized('European')),
];
