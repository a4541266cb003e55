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

/** So many stand on a face, the better way round, with a tray's rim round them all. */
export function blocksThatStand(face: { readonly widthMm: number; readonly heightMm: number }, block: Case, rimMm: number): number {
  const along = (room: number, size: number) => Math.max(0, Math.floor((room - 2 * rimMm + AIR_MM) / (size + AIR_MM)));
  return Math.max(
    along(face.widthMm, block.lengthMm) * along(face.heightMm, block.widthMm),
    along(face.widthMm, block.widthMm) * along(face.heightMm, block.lengthMm),
  );
}
