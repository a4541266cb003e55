'use client';
import type { Working, WorkingLine } from '@/core';

function Line({ line }: { line: WorkingLine }) {
  return (
    <li className="border-b border-line py-[5px]">
      <div className="flex items-baseline justify-between gap-3">
        <span className="text-quiet">{line.label}</span>
        <span className={`reading flex-none font-semibold ${line.breaks ? 'text-lead' : ''} ${line.mark ? `tone-${line.mark}` : ''}`}>
          {line.text}
        </span>
      </div>
      {line.formula ? <div className="reading text-[12px]">{line.formula}</div> : null}
      {line.source || line.mark ? (
        <div className="text-[11.5px] text-faint">
          {line.mark ? <b className="font-semibold">{line.mark}</b> : null}
          {line.mark && line.source ? ', ' : ''}
          {line.source}
        </div>
      ) : null}
    </li>
  );
}

/** The lines of a working, under the heads they belong to. */
export function Sections({ sections }: { sections: Working['sections'] }) {
  return sections.map((s) => (
    <section key={s.title} className="mt-3">
      <h3 className="border-b border-ink font-semibold">{s.title}</h3>
      <ul>
        {s.lines.map((l, i) => (
          <Line key={`${l.label}-${i}`} line={l} />
        ))}
      </ul>
    </section>
  ));
}
