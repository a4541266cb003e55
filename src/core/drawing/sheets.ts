/**
 * A drawing on several sheets of paper, where one would make its letters too small: a panel's circuits on a sheet of their own, then what meets at
 * a bar or a bank. Every line stands on one sheet; a thing that is met on several says on which others.
 */
import { type Part, parted } from './parts';
import type { Layout } from './placed';
import type { Drawing, Drawn } from './types';

export interface LaidSheet {
  readonly name: string;
  readonly layout: Layout;
}

const enters = ({ drawing }: Part, thing: Drawn): boolean => drawing.lines.some((l) => l.to === thing.id);
const leaves = ({ drawing }: Part, thing: Drawn): boolean => drawing.lines.some((l) => l.from === thing.id);

/** What a thing says of the other sheets it stands on: those that lead to it, those it only goes on to; and that they go on beside it. */
function references(thing: Drawn, of: Part, here: number, sheets: readonly (readonly Part[])[]): string {
  const others = sheets.flatMap((parts, i) => {
    const met = i === here ? [] : parts.filter(({ drawing }) => drawing.things.some((t) => t.id === thing.id));
    return met.length === 0 ? [] : [{ no: i + 1, on: !met.some((p) => enters(p, thing)) }];
  });
  const own = sheets[here] ?? [];
  const beside = own.slice(own.indexOf(of) + 1).some((p) => leaves(p, thing));
  const said = (words: string, nos: readonly number[]) =>
    nos.length === 0 ? '' : `${words} sheet${nos.length > 1 ? 's' : ''} ${nos.join(', ')}`;
  const nos = (on: boolean) => others.filter((o) => o.on === on).map((o) => o.no);
  return [said('from', nos(false)), beside ? 'on beside' : '', said('on to', nos(true))].filter(Boolean).join(', ');
}

/** The part as it stands on its sheet, with its references. */
const referred = (part: Part, here: number, sheets: readonly (readonly Part[])[]): Drawing => ({
  lines: part.drawing.lines,
  things: part.drawing.things.map((t) => ({ ...t, under: [t.under, references(t, part, here, sheets)].filter(Boolean).join(', ') })),
});

const GAP = 30;
/** What comes before the panels: by what of it is drawn. */
const beforePanels = ({ lines }: Drawing): string =>
  lines.length > 0 && lines.every((l) => l.rail === 'negative' || l.rail === 'earth') ? 'negatives and earths' : 'main side';

/** So many layouts in rows, one under another, as one; what stands in two of them stands twice. */
function inRows(rows: readonly (readonly Layout[])[]): Layout {
  const all: Layout[] = [];
  let y = 0;
  for (const row of rows) {
    let x = 0;
    for (const l of row) {
      const [right, down] = [x, y];
      const mark = `${all.length} `;
      all.push({
        things: l.things.map((t) => ({ ...t, id: mark + t.id, x: t.x + right, y: t.y + down })),
        lines: l.lines.map((line) => ({
          ...line,
          id: mark + line.id,
          points: line.points.map(([px, py]) => [px + right, py + down] as const),
          words: [line.words[0] + right, line.words[1] + down] as const,
        })),
        width: right + l.width,
        height: down + l.height,
      });
      x += l.width + GAP;
    }
    y = Math.max(...all.map((l) => l.height)) + GAP;
  }
  return {
    things: all.flatMap((l) => l.things),
    lines: all.flatMap((l) => l.lines),
    width: Math.max(...all.map((l) => l.width)),
    height: Math.max(...all.map((l) => l.height)),
  };
}

type Sized = { readonly part: Part; readonly layout: Layout };
type Rows = readonly (readonly Sized[])[];

/** Parts in their order on as few sheets as they go on: beside the last, else under it, else on a new one. */
function packed(parts: readonly Sized[], fits: (rows: Rows) => boolean): readonly Rows[] {
  const sheets: Rows[] = [];
  for (const next of parts) {
    const rows = sheets.at(-1) ?? [];
    const more = [
      [...rows.slice(0, -1), [...(rows.at(-1) ?? []), next]],
      [...rows, [next]],
    ].find((r) => rows.length > 0 && fits(r));
    if (more) sheets[sheets.length - 1] = more;
    else sheets.push([[next]]);
  }
  return sheets;
}

/**
 * The drawing on as few sheets as are needed, the first with what comes before the panels; small parts stand side by side.
 * @param whole its places on one sheet. @param layOut places for another drawing
 * @param takes how many times the room of a sheet what is so large takes with the least letters: to 1, it fits
 * @returns at least one; one whose letters stay too small only where it cannot be parted
 */
export async function onSheets(
  drawing: Drawing,
  whole: Layout,
  layOut: (drawing: Drawing) => Promise<Layout>,
  takes: (size: Pick<Layout, 'width' | 'height'>) => number,
): Promise<readonly LaidSheet[]> {
  const known = new Map<Part, { readonly said: string; readonly layout: Layout }>();
  /** A part's places, as it stands on its sheet. */
  const placed = async (part: Part, here: number, sheets: readonly (readonly Part[])[]): Promise<Layout> => {
    const on = referred(part, here, sheets);
    const said = on.things.map((t) => t.under).join('\n');
    const before = known.get(part);
    if (before?.said === said) return before.layout;
    const layout = await layOut(on);
    known.set(part, { said, layout });
    return layout;
  };
  let parts = takes(whole) <= 1 ? null : parted({ hub: null, drawing }, Math.ceil(takes(whole)));
  if (!parts) return [{ name: '', layout: whole }];
  // As if every part had its sheet: no reference is longer in the end. What is parted makes those of others longer, so all are tried again.
  for (let before = 0; before < parts.length;) {
    before = parts.length;
    const tried: Part[] = [];
    for (const [i, part] of parts.entries()) {
      const rooms = takes(
        await placed(
          part,
          i,
          parts.map((p) => [p]),
        ),
      );
      tried.push(...((rooms <= 1 ? null : parted(part, Math.ceil(rooms))) ?? [part]));
    }
    parts = tried;
  }
  const place = (part: Part) => drawing.things.findIndex((t) => t.id === part.hub?.id);
  const sizes = [...parts].sort((a, b) => place(a) - place(b)).map((part) => ({ part, layout: known.get(part)?.layout ?? whole }));
  const sheets = packed(sizes, (rows) => takes(inRows(rows.map((row) => row.map((s) => s.layout)))) <= 1);
  const onEach = sheets.map((rows) => rows.flatMap((row) => row.map((s) => s.part)));
  const laid: LaidSheet[] = [];
  for (const [here, rows] of sheets.entries()) {
    const layouts: Layout[][] = [];
    for (const row of rows) {
      layouts.push([]);
      for (const { part } of row) layouts.at(-1)?.push(await placed(part, here, onEach));
    }
    const names = onEach[here]?.map(({ hub, drawing: part }) => hub?.label ?? beforePanels(part)) ?? [];
    laid.push({ name: [...new Set(names)].join(', '), layout: inRows(layouts) });
  }
  return laid;
}
