/** Templates of faces with what is mounted on them, at true size over as many sheets as it takes, to be taped together. */
import type { Design, Face } from '../../design';
import { small } from '../../quantity';
import { boardOf, mountedOf } from '../../mounting';
import { BAR_ROOM_MM, box, checkBar, EDGE_MM, line, type Paper, type PaperPage, PAPERS, type Shape, words } from './page';

/** Crosses at the corners of a sheet's part: laid over those of the next sheet. */
const CROSS_MM = 4;

/** What lies on a face, mm from its upper left corner. */
function drawn(design: Design, face: Face, things: ReturnType<typeof mountedOf>): readonly Shape[] {
  const { placed } = boardOf(face, things);
  return [
    ...placed.flatMap(({ thing, x, y, width, height }): readonly Shape[] => {
      const top = face.heightMm - y - height;
      const { sidesMm, aboveMm, belowMm } = thing.body;
      const middle = x + width / 2;
      return [
        box(x - sidesMm, top - aboveMm, width + 2 * sidesMm, height + aboveMm + belowMm, true),
        box(x, top, width, height),
        line(middle - CROSS_MM, top + height / 2, middle + CROSS_MM, top + height / 2),
        line(middle, top + height / 2 - CROSS_MM, middle, top + height / 2 + CROSS_MM),
        ...words(thing.name, x + 2, top + 2, width - 4, Math.min(12, height / 3), 5, true),
        ...words(
          `${small(width, design.boat)} × ${small(height, design.boat)}${thing.typical ? ', typical: its own first' : ''}`,
          x + 2,
          top + height - Math.min(9, height / 3),
          width - 4,
          Math.min(8, height / 3),
          3,
        ),
      ];
    }),
  ];
}

/** What of a shape lies within a sheet's part, moved to the sheet. Words lie where their middle is. */
function clipped(s: Shape, fromX: number, fromY: number, w: number, h: number): readonly Shape[] {
  const [dx, dy] = [EDGE_MM - fromX, EDGE_MM - fromY];
  if (s.kind === 'text')
    return s.x >= fromX && s.x < fromX + w && s.y >= fromY && s.y < fromY + h ? [{ ...s, x: s.x + dx, y: s.y + dy }] : [];
  if (s.kind === 'box')
    // Its four sides, each as far as it lies here.
    return [
      line(s.x, s.y, s.x + s.w, s.y, s.dashed),
      line(s.x, s.y + s.h, s.x + s.w, s.y + s.h, s.dashed),
      line(s.x, s.y, s.x, s.y + s.h, s.dashed),
      line(s.x + s.w, s.y, s.x + s.w, s.y + s.h, s.dashed),
    ].flatMap((l) => clipped(l, fromX, fromY, w, h));
  const clamp = (v: number, low: number, high: number) => Math.min(high, Math.max(low, v));
  const [x, toX] = [clamp(s.x, fromX, fromX + w), clamp(s.toX, fromX, fromX + w)];
  const [y, toY] = [clamp(s.y, fromY, fromY + h), clamp(s.toY, fromY, fromY + h)];
  const level = s.y === s.toY;
  const here = level ? s.y >= fromY && s.y <= fromY + h && toX > x : s.x >= fromX && s.x <= fromX + w && toY > y;
  return here ? [line(x + dx, y + dy, toX + dx, toY + dy, s.dashed)] : [];
}

/** Every face that something is mounted on; of its sheets those that something of it lies on. */
export function boardPages(design: Design, paper: Paper): readonly PaperPage[] {
  const things = mountedOf(design);
  const [width, height] = PAPERS[paper];
  const [w, h] = [width - 2 * EDGE_MM, height - 2 * EDGE_MM - BAR_ROOM_MM];
  return design.places.flatMap((place) =>
    place.faces.flatMap((face) => {
      const there = things.filter((t) => t.face?.id === face.id && t.placeId === place.id);
      if (there.length === 0) return [];
      const shapes = drawn(design, face, there);
      const [across, down] = [Math.ceil(face.widthMm / w), Math.ceil(face.heightMm / h)];
      return Array.from({ length: across * down }, (_, i): PaperPage | null => {
        const [column, row] = [i % across, Math.floor(i / across)];
        const [fromX, fromY] = [column * w, row * h];
        const corners = [
          [EDGE_MM, EDGE_MM],
          [EDGE_MM + w, EDGE_MM],
          [EDGE_MM, EDGE_MM + h],
          [EDGE_MM + w, EDGE_MM + h],
        ] as const;
        const own = shapes.flatMap((s) => clipped(s, fromX, fromY, w, h));
        if (own.length === 0) return null;
        const name = `${place.name}, ${face.name}, sheet ${column + 1} across, ${row + 1} down of ${across} × ${down}`;
        const from = `its upper left cross: ${small(fromX, design.boat)} from the left, ${small(fromY, design.boat)} from the top`;
        return {
          paper,
          name,
          shapes: [
            ...checkBar(paper),
            ...corners.flatMap(([x, y]) => [line(x - CROSS_MM, y, x + CROSS_MM, y), line(x, y - CROSS_MM, x, y + CROSS_MM)]),
            ...words(name, EDGE_MM + 102, height - EDGE_MM - 8, width - 2 * EDGE_MM - 102, 4, 2.5),
            ...words(from, EDGE_MM + 102, height - EDGE_MM - 4, width - 2 * EDGE_MM - 102, 4, 2.5),
            ...clipped(box(0, 0, face.widthMm, face.heightMm), fromX, fromY, w, h),
            ...own,
          ],
        };
      }).filter((page) => page !== null);
    }),
  );
}
