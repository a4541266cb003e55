'use client';
import { rowOf } from '@/core/design';
import { useState } from 'react';
import { sheetLines } from '@/core/charging';
import { useDesign } from '@/ui/boat/context';
import { usePut } from '@/ui/boat/put';
import { View, Viewed, Views } from '@/ui/views/Views';

/** The sheet a device is programmed by: the maker's default, what to set, what was set; to print and sign. */
export function Programming() {
  const design = useDesign();
  const put = usePut();
  const [id, setId] = useState<string | null>(null);
  const source = rowOf(design.sources, id) ?? design.sources[0];
  if (!source) return <p className="pt-3">There is nothing to program yet: add sources first.</p>;
  const lines = sheetLines(design, source);
  return (
    <Viewed showing={source.id} onShow={setId} className="max-w-[860px] pt-2">
      <p className="screen-only flex flex-wrap gap-4">
        <Views views={design.sources.map((s) => s.id)} label="Programming sheets" name={(id) => rowOf(design.sources, id)?.name ?? id} />
        <button type="button" className="act ml-auto" onClick={() => window.print()}>
          print
        </button>
      </p>
      <View of={source.id}>
        <h2 className="mt-3 text-[15px] font-bold">
          {design.boat.name}: {source.name}
        </h2>
        <table className="mt-2 w-full text-left" aria-label={`Programming sheet of ${source.name}`}>
          <thead>
            <tr className="border-b-[1.5px] border-ink text-[12px] text-quiet">
              <th className="pr-3 font-medium">setting</th>
              <th className="pr-3 font-medium">maker&apos;s default</th>
              <th className="pr-3 font-medium">to set</th>
              <th className="font-medium">as set</th>
            </tr>
          </thead>
          <tbody>
            {lines.map((l) => {
              const kept = source.sheet[l.id] ?? { maker: '', asSet: '' };
              const cell = (key: 'maker' | 'asSet', label: string) => (
                <input
                  key={kept[key]}
                  className="box w-full"
                  aria-label={`${label}: ${l.name}`}
                  defaultValue={kept[key]}
                  maxLength={60}
                  onBlur={(e) =>
                    e.target.value !== kept[key] &&
                    put(
                      ['sources', source.id, 'sheet'],
                      { ...source.sheet, [l.id]: { ...kept, [key]: e.target.value } },
                      `${l.name} of ${source.name}`,
                    )
                  }
                />
              );
              return (
                <tr key={l.id} className="border-b border-line">
                  <td className="py-1 pr-3">{l.name}</td>
                  <td className="pr-3">{cell('maker', "Maker's default")}</td>
                  <td className="reading pr-3 font-semibold">{l.toSet}</td>
                  <td>{cell('asSet', 'As set')}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
        <p className="mt-6">
          Set by <span className="inline-block w-[220px] border-b border-ink" /> on{' '}
          <span className="inline-block w-[120px] border-b border-ink" />
        </p>
        <p className="caution mt-4">
          Figures to set follow the battery maker&apos;s where they are entered, else what is typical. Local code, the makers&apos;
          instructions and licensed practice come first.
        </p>
      </View>
    </Viewed>
  );
}
