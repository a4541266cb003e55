'use client';
import type { Finding } from '@/core';
import { useDesign } from '@/ui/boat/context';

/** Findings about things of the AC side, with the thing's name before each. */
export function Findings({ list, label }: { list: readonly Finding[]; label: string }) {
  const design = useDesign();
  if (list.length === 0) return null;
  const things = [...design.acSources, ...design.acPanels, ...design.acLoads, ...design.acCircuits];
  const nameOf = (id: string) => things.find((t) => t.id === id)?.name;
  return (
    <ul className="px-4 pb-2" aria-label={label}>
      {list.map((f) => {
        const name = nameOf(f.about.id);
        return (
          <li key={f.id} className={f.severity === 'note' ? 'my-1 border-l-4 border-line pl-[10px]' : 'caution my-1'}>
            <b className="font-semibold">{name ? `${name}: ${f.title}` : `${f.title.charAt(0).toUpperCase()}${f.title.slice(1)}`}.</b>{' '}
            {f.why} <i>{f.todo}</i>
          </li>
        );
      })}
    </ul>
  );
}
