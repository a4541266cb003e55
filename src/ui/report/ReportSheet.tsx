'use client';
import type { Block, Report } from '@/core/report';
import { useStore } from '@/ui/boat/context';

/** A report on the screen, as it will stand on paper. */
export function ReportSheet({ report }: { report: Report }) {
  return (
    <article className="max-w-[860px]" aria-label={report.title}>
      <h2 className="text-[18px] font-bold">{report.title}</h2>
      {report.lines.map((l) => (
        <p key={l} className="text-quiet">
          {l}
        </p>
      ))}
      <nav aria-label="Contents" className="my-3">
        <ol className="list-decimal pl-5">
          {report.chapters.map((c, i) => (
            <li key={c.title}>
              <a className="plain" href={`#chapter-${i + 1}`}>
                {c.title}
              </a>
            </li>
          ))}
        </ol>
      </nav>
      {report.chapters.map((c, i) => (
        <section key={c.title} id={`chapter-${i + 1}`} className="mt-6">
          <h3 className="border-b-[1.5px] border-ink pb-1 text-[15px] font-bold">
            {i + 1} {c.title}
          </h3>
          {c.blocks.map((b, n) => (
            <One key={n} block={b} />
          ))}
        </section>
      ))}
    </article>
  );
}

function One({ block: b }: { block: Block }) {
  const store = useStore();
  switch (b.kind) {
    case 'heading':
      return <h4 className="mt-3 font-semibold">{b.text}</h4>;
    case 'text':
      return <p className="mt-1">{b.text}</p>;
    case 'caution':
      return <p className="caution mt-2">{b.text}</p>;
    case 'list':
      return (
        <ul className="mt-1 list-disc pl-5">
          {b.items.map((item, i) => (
            <li key={i}>{item}</li>
          ))}
        </ul>
      );
    case 'table':
      return (
        <table className="mt-1 w-full text-left">
          {b.columns.some((c) => c !== '') ? (
            <thead>
              <tr className="border-b border-ink text-[12px] text-quiet">
                {b.columns.map((c, i) => (
                  <th key={i} className="pr-3 font-medium">
                    {c}
                  </th>
                ))}
              </tr>
            </thead>
          ) : null}
          <tbody>
            {b.rows.map((r, i) => (
              <tr key={i} className="border-b border-line align-baseline">
                {r.map((cell, k) => (
                  <td key={k} className="py-[2px] pr-3">
                    {cell}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      );
    case 'picture':
      return (
        <figure className="mt-2">
          {/* eslint-disable-next-line @next/next/no-img-element -- a file of the boat's own, already of its size */}
          <img
            src={`/api/boats/${store.boatId}/photos/${b.photoId}`}
            alt={b.caption || 'picture'}
            className="max-h-[260px] border border-line"
            loading="lazy"
          />
          <figcaption className="text-[12px] text-quiet">{b.caption}</figcaption>
        </figure>
      );
  }
}
