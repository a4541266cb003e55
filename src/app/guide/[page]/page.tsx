import Link from 'next/link';
import { notFound } from 'next/navigation';
import { Children, isValidElement, type ReactNode } from 'react';
import Markdown, { type Components } from 'react-markdown';
import remarkGfm from 'remark-gfm';
import { anchorOf, PAGES, pageText } from '@/server/reference';

export const dynamic = 'force-dynamic';

const NAMES = { guide: 'Guide', glossary: 'Terms', rules: 'Rules', figures: 'Figures', methods: 'Methods' } as const;

const words = (node: ReactNode): string =>
  Children.toArray(node)
    .map((n) =>
      typeof n === 'string' || typeof n === 'number'
        ? String(n)
        : isValidElement<{ children?: ReactNode }>(n)
          ? words(n.props.children)
          : '',
    )
    .join('');

const PARTS: Components = {
  h1: ({ children }) => <h1 className="text-[22px] font-bold">{children}</h1>,
  h2: ({ children }) => (
    <h2 id={anchorOf(words(children))} className="mt-6 scroll-mt-4 text-[16px] font-bold">
      {children}
    </h2>
  ),
  h3: ({ children }) => (
    <h3 id={anchorOf(words(children))} className="mt-4 scroll-mt-4 font-semibold">
      {children}
    </h3>
  ),
  p: ({ children }) => <p className="mt-2 max-w-[760px]">{children}</p>,
  ul: ({ children }) => <ul className="mt-2 max-w-[760px] list-disc pl-5">{children}</ul>,
  ol: ({ children }) => <ol className="mt-2 max-w-[760px] list-decimal pl-5">{children}</ol>,
  code: ({ children }) => <code className="reading text-[12px]">{children}</code>,
  table: ({ children }) => (
    <div className="mt-2 overflow-x-auto" tabIndex={0}>
      <table className="text-left text-[12.5px]">{children}</table>
    </div>
  ),
  tr: ({ children }) => (
    <tr id={anchorOf(words(Children.toArray(children)[0]))} className="target:bg-wash">
      {children}
    </tr>
  ),
  th: ({ children }) => <th className="border-b-[1.5px] border-ink pr-4 align-bottom font-medium text-quiet">{children}</th>,
  td: ({ children }) => <td className="max-w-[340px] border-b border-line py-[2px] pr-4 align-baseline">{children}</td>,
  a: ({ href, children }) => (
    <Link className="plain" href={(href ?? '').replace(/^(?:\.\/)?(guide|glossary|rules|figures|methods)\.md/, '/guide/$1')}>
      {children}
    </Link>
  ),
};

export default async function ReferencePage({ params }: { params: Promise<{ page: string }> }) {
  const asked = (await params).page;
  const page = PAGES.find((p) => p === asked);
  if (!page) notFound();
  return (
    <main className="mx-auto max-w-[1100px] px-10 py-10">
      <nav aria-label="Pages" className="flex gap-4 border-b border-line pb-2">
        {PAGES.map((p) => (
          <Link
            key={p}
            href={`/guide/${p}`}
            className={p === page ? 'font-semibold' : 'plain'}
            aria-current={p === page ? 'page' : undefined}
            prefetch={false}
          >
            {NAMES[p]}
          </Link>
        ))}
        <Link href="/" className="plain ml-auto" prefetch={false}>
          all boats
        </Link>
      </nav>
      <div className="mt-4">
        <Markdown remarkPlugins={[remarkGfm]} components={PARTS}>
          {pageText(page)}
        </Markdown>
      </div>
    </main>
  );
}
