'use client';
import { equal, houseDifferences, type HouseSet, setOp } from '@/core/design';
import { useDesign, useFreshId, useStore } from '@/ui/boat/context';
import { useShelf } from '@/ui/boat/shelf';
import { useState } from 'react';

/** House rules as named sets of the firm: taken by a boat, and what differs from the rule set told. */
export function HouseSets() {
  const design = useDesign();
  const store = useStore();
  const freshId = useFreshId();
  const { items, problem, put, take } = useShelf<HouseSet>('house');
  const [name, setName] = useState('');
  const { house, boat } = design;
  const own = items?.find((i) => i.item.name === boat.houseSet);
  const drifted = own && !equal(own.item.house, house);
  const apply = (id: string) => {
    const set = items?.find((i) => i.item.id === id)?.item;
    if (set) store.edit(`house rules: ${set.name}`, [setOp(design, ['house'], set.house), setOp(design, ['boat', 'houseSet'], set.name)]);
  };
  const keep = async () => {
    const wanted = name.trim() || boat.houseSet || '';
    if (wanted === '') return;
    const there = items?.find((i) => i.item.name === wanted);
    if (
      await put({ id: there?.item.id ?? freshId('h'), name: wanted, school: boat.ruleSet, house: { ...house } }, there?.revision ?? null)
    ) {
      store.edit(`house rules kept as ${wanted}`, [setOp(store.snapshot().design, ['boat', 'houseSet'], wanted)]);
      setName('');
    }
  };
  const differences = houseDifferences(house, boat.ruleSet);
  return (
    <div className="space-y-2 border-b border-ink pb-3">
      <label className="block">
        <span className="text-[11.5px] text-quiet">the firm&apos;s set</span>
        <select className="box w-full" value={own?.item.id ?? ''} onChange={(e) => apply(e.target.value)}>
          <option value="">{boat.houseSet && !own ? `${boat.houseSet}, not on this shelf` : 'of her own'}</option>
          {items?.map(({ item }) => (
            <option key={item.id} value={item.id}>
              {item.name} ({item.school === 'awg' ? 'AWG' : 'mm²'})
            </option>
          ))}
        </select>
      </label>
      {drifted ? (
        <p>
          Changed since it was taken from “{own.item.name}”.{' '}
          <button type="button" className="plain" onClick={() => apply(own.item.id)}>
            back to the set
          </button>
        </p>
      ) : null}
      <div className="flex gap-2">
        <input
          className="box min-w-0 flex-1"
          aria-label="Name of a set"
          placeholder={boat.houseSet ?? 'name of a set'}
          maxLength={120}
          value={name}
          onChange={(e) => setName(e.target.value)}
        />
        <button
          type="button"
          className="act"
          disabled={(name.trim() || boat.houseSet) === null || (name.trim() === '' && !boat.houseSet)}
          onClick={() => void keep()}
        >
          keep as set
        </button>
        {own ? (
          <button type="button" className="plain" onClick={() => void take(own.item.id)}>
            drop
          </button>
        ) : null}
      </div>
      {problem ? <p className="text-lead">{problem}</p> : null}
      {differences.length > 0 ? (
        <table className="w-full text-left text-[12px]" aria-label="Differences from the rule set">
          <thead>
            <tr className="text-quiet">
              <th className="font-medium">differs from the rule set</th>
              <th className="text-right font-medium">hers</th>
              <th className="pl-2 text-right font-medium">its</th>
            </tr>
          </thead>
          <tbody>
            {differences.map((d) => (
              <tr key={d.key} className="border-t border-line">
                <td>{d.what}</td>
                <td className="reading text-right text-copper">{d.own}</td>
                <td className="reading pl-2 text-right">{d.ruleSet}</td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : (
        <p className="text-quiet">All as the rule set has it.</p>
      )}
    </div>
  );
}
