/** A figure as it is typed, point or comma; null: it is none. */
export function typed(text: string): number | null {
  const clean = text.trim().replace(',', '.');
  return /^-?\d+(\.\d+)?$/.test(clean) ? Number(clean) : null;
}
