const AIR_MM = 10;

/** Blocks that stand in a box side by side, the better way round; upright, in one layer. */
export function fitCount(
  box: { lengthMm: number; widthMm: number; heightMm: number },
  block: { lengthMm: number; widthMm: number; heightMm: number },
): number {
  if (block.heightMm > box.heightMm) return 0;
  const along = (room: number, size: number) => Math.floor((room + AIR_MM) / (size + AIR_MM));
  return Math.max(
    along(box.lengthMm, block.lengthMm) * along(box.widthMm, block.widthMm),
    along(box.lengthMm, block.widthMm) * along(box.widthMm, block.lengthMm),
  );
}
