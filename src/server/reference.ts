/** The guide, the terms, the rules and the figures, as pages to read and to search: the files of docs/. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';

export const PAGES = ['guide', 'glossary', 'rules', 'figures', 'methods'] as const;
export type PageId = (typeof PAGES)[number];

export interface Entry {
  readonly kind: 'guide' | 'term' | 'rule' | 'figures' | 'method';
  readonly title: string;
  /** What it says, for looking through and a line to show. */
  readonly text: string;
  readonly href: string;
}

const KIND: Readonly<Record<PageId, Entry['kind']>> = {
  guide: 'guide',
  glossary: 'term',
  rules: 'rule',
  figures: 'figures',
  methods: 'method',
};

const texts = new Map<PageId, string>();

/** A page as Markdown. */
export function pageText(page: PageId): string {
  const kept = texts.get(page);
  if (kept !== undefined) return kept;
  const text = readFileSync(join(/* turbopackIgnore: true */ process.cwd(), 'docs', `${page}.md`), 'utf8').replace(
    /<!--[\s\S]*?-->\n*/g,
    '',
  );
  texts.set(page, text);
  return text;
}

/** The address of a heading or of the first cell of a row within its page. */
export const anchorOf = (words: string): string =>
  words
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '');

const cellsOf = (line: string): string[] =>
  line
    .slice(1, -1)
    .split(/(?<!\\)\|/)
    .map((c) => c.trim().replaceAll('\\|', '|').replaceAll('`', ''));

/** Rows of a page's tables whose first cell names what the row is about. */
function rowsOf(page: PageId): Entry[] {
  const lines = pageText(page).split('\n');
  return lines.flatMap((line, i): Entry[] => {
    const rule = lines[i + 1]?.startsWith('|---') ?? false;
    if (!line.startsWith('|') || line.startsWith('|---') || rule) return [];
    const [title = '', ...rest] = cellsOf(line);
    return [{ kind: KIND[page], title, text: rest.filter(Boolean).join('. '), href: `/guide/${page}#${anchorOf(title)}` }];
  });
}

/** Sections of a page by heading, with what stands under each. */
function sectionsOf(page: PageId): Entry[] {
  return pageText(page)
    .split(/^(?=#{2,3} )/m)
    .slice(1)
    .map((part): Entry => {
      const [head = '', ...body] = part.split('\n');
      const title = head.replace(/^#+ /, '');
      const text = body
        .join(' ')
        .replace(/[|*`#]|---+/g, ' ')
        .replace(/\s+/g, ' ')
        .trim();
      return { kind: KIND[page], title, text, href: `/guide/${page}#${anchorOf(title)}` };
    });
}

let all: readonly Entry[] | null = null;
const entries = (): readonly Entry[] =>
  (all ??= [...rowsOf('glossary'), ...rowsOf('rules'), ...sectionsOf('guide'), ...sectionsOf('figures'), ...sectionsOf('methods')]);

/** What answers to all words that are sought, titles first; the text is cut to what stands about the first of the words. */
export function findEntries(sought: string, most: number): readonly Entry[] {
  const words = sought.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0) return [];
  const found = entries().flatMap((e) => {
    const [title, text] = [e.title.toLowerCase(), e.text.toLowerCase()];
    if (!words.every((w) => title.includes(w) || text.includes(w))) return [];
    const inTitle = words.filter((w) => title.includes(w)).length;
    return [{ e, rank: 10 * inTitle + (words.some((w) => title.startsWith(w)) ? 5 : 0) }];
  });
  const first = words[0] ?? '';
  return found
    .sort((a, b) => b.rank - a.rank)
    .slice(0, most)
    .map(({ e }) => {
      const at = Math.max(0, e.text.toLowerCase().indexOf(first) - 40);
      return { ...e, text: `${at > 0 ? '…' : ''}${e.text.slice(at, at + 140)}${e.text.length > at + 140 ? '…' : ''}` };
    });
}
