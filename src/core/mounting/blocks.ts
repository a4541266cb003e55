/** Blocks of a battery side by side on a shelf. */

/** Air between neighbours, mm. */
const AIR_MM = 10;

type Case = { readonly lengthMm: number; readonly widthMm: number };
const side = (n: number, size: number): number => n * size + (n - 1) * AIR_MM;

/** Along and across of n blocks in the most nearly square arrangement, mm. */
export function blocksOn(block: Case, n: number): readonly [number, number] {
  const ways = Array.from({ length: n }, (_, i) => i + 1)
    .filter((columns) => n % columns === 0)
    .flatMap((columns) => [
      [side(columns, block.lengthMm), side(n / columns, block.widthMm)] as const,
      [side(columns, block.widthMm), side(n / columns, block.lengthMm)] as const,
    ]);
  return ways.sort((a, b) => Math.max(...a) - Math.max(...b))[0] ?? [block.lengthMm, block.widthMm];
}

type Sized = Case & { readonly heightMm: number };

/** Blocks that stand in a box side by side, the better way round; upright, in one layer. */
export function fitCount(box: Sized, block: Sized): number {
  if (block.heightMm > box.heightMm) return 0;
  const along = (room: number, size: number) => Math.max(0, Math.floor((room + AIR_MM) / (size + AIR_MM)));
  return Math.max(
    along(box.lengthMm, block.lengthMm) * along(box.widthMm, block.widthMm),
    along(box.lengthMm, block.widthMm) * along(box.widthMm, block.lengthMm),
  );
}

/** So many stand on a face, with a tray's rim round them all; how high they are is asked apart. */
export const blocksThatStand = (face: { readonly widthMm: number; readonly heightMm: number }, block: Case, rimMm: number): number =>
  fitCount({ lengthMm: face.widthMm - 2 * rimMm, widthMm: face.heightMm - 2 * rimMm, heightMm: Infinity }, { ...block, heightMm: 0 });
