'use client';
import { useState } from 'react';
import type { ReelGroup, StoreLength } from '@/core/build';
import { bare, brief, parseNumber, parseOptional, show, unitOf } from '@/core/quantity';
import { useDesign } from '@/ui/boat/context';
import type { Shelf } from '@/ui/boat/shelf';
import { TextCell } from '@/ui/field/TextCell';

/** The firm's lengths of cable: for every boat, not for this one alone. */
export function Store({ shelf, groups }: { shelf: Shelf<StoreLength>; groups: readonly ReelGroup[] }) {
  const design = useDesign();
  const units = design.boat;
  const metres = unitOf('m', units).name;
  const items = shelf.items;
  return (
    <section className="mt-6" aria-label="Store of cable">
      <h2 className="font-semibold">The firm&apos;s store of cable</h2>
      <p className="text-[12px] text-quiet">
        Reels and offcuts, for every boat. Plans use them before anything is bought; booking a plan leaves what remains.
      </p>
      {items === null ? (
        <p className="text-quiet">Asking for it.</p>
      ) : items.length === 0 ? (
        <p className="mt-1">Nothing is in it yet: add what lies on the shelf, offcuts of more than half a metre too.</p>
      ) : (
        <table className="mt-1 w-full max-w-[900px] text-left" aria-label="Lengths in the store">
          <thead>
            <tr className="border-b-[1.5px] border-ink text-[12px] text-quiet">
              <th className="font-medium">cable</th>
              <th className="font-medium">colour</th>
              <th className="text-right font-medium">{metres}</th>
              <th className="pl-3 font-medium">place</th>
              <th className="text-right font-medium">price a {metres === 'ft' ? 'foot' : 'metre'}</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {items.map(({ item, revision }) => (
              <tr key={item.id} className="border-b border-line">
                <td>{item.size}</td>
                <td>{item.colour}</td>
                <td className="text-right">
                  <TextCell
                    label={`Length of ${item.size} ${item.colour}`}
                    value={brief(bare(item.lengthM, 'm', units))}
                    take={(text) => {
                      const parsed = parseNumber(text, 'm', units, 0, 2000);
                      if (!parsed.ok) return parsed.message;
                      void shelf.put({ ...item, lengthM: parsed.value }, revision);
                      return null;
                    }}
                  />
                </td>
                <td className="pl-3">
                  <TextCell
                    label={`Place of ${item.size} ${item.colour}`}
                    value={item.place}
                    take={(text) => {
                      if (text.length > 60) return 'at most 60 letters';
                      void shelf.put({ ...item, place: text.trim() }, revision);
                      return null;
                    }}
                  />
                </td>
                <td className="text-right">
                  <TextCell
                    label={`Price of ${item.size} ${item.colour}`}
                    value={item.pricePerM === null ? '' : brief(String(perUnit(item.pricePerM, units.lengthUnit)))}
                    take={(text) => {
                      const parsed = parseOptional(text, 'none', units, 0, 100_000);
                      if (!parsed.ok) return parsed.message;
                      void shelf.put(
                        { ...item, pricePerM: parsed.value === null ? null : parsed.value / perUnit(1, units.lengthUnit) },
                        revision,
                      );
                      return null;
                    }}
                  />
                </td>
                <td className="screen-only pl-3">
                  <button
                    type="button"
                    className="plain"
                    onClick={() => void shelf.take(item.id)}
                    aria-label={`take out ${item.size} ${item.colour}`}
                  >
                    take out
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <Add shelf={shelf} groups={groups} />
      {items && items.length > 0 ? (
        <p className="mt-1 text-quiet">
          {items.length} lengths,{' '}
          {show(
            items.reduce((m, x) => m + x.item.lengthM, 0),
            'm',
            units,
          )}{' '}
          in all.
        </p>
      ) : null}
    </section>
  );
}

const perUnit = (perM: number, lengthUnit: 'm' | 'ft'): number => (lengthUnit === 'ft' ? perM * 0.3048 : perM);

/** A length of one of the cables this boat is made with. */
function Add({ shelf, groups }: { shelf: Shelf<StoreLength>; groups: readonly ReelGroup[] }) {
  const design = useDesign();
  const [key, setKey] = useState('');
  const [length, setLength] = useState('');
  const [why, setWhy] = useState<string | null>(null);
  const group = groups.find((g) => g.key === key) ?? groups[0];
  if (!group) return null;
  const add = async () => {
    const parsed = parseNumber(length, 'm', design.boat, 0.05, 2000);
    setWhy(parsed.ok ? null : parsed.message);
    if (!parsed.ok) return;
    const kept = await shelf.put(
      {
        id: `R${crypto.randomUUID().slice(0, 8)}`,
        name: group.size,
        size: group.size,
        school: design.boat.ruleSet,
        cores: group.cores,
        colour: group.colour,
        lengthM: parsed.value,
        place: '',
        pricePerM: null,
        note: '',
      },
      null,
    );
    if (kept) setLength('');
  };
  return (
    <form
      className="screen-only mt-2 flex flex-wrap items-baseline gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        void add();
      }}
    >
      <label>
        cable{' '}
        <select className="box" value={group.key} onChange={(e) => setKey(e.target.value)}>
          {groups.map((g) => (
            <option key={g.key} value={g.key}>
              {g.size} {g.colour}
            </option>
          ))}
        </select>
      </label>
      <label>
        length, {unitOf('m', design.boat).name}{' '}
        <input
          className="box reading w-[80px]"
          inputMode="decimal"
          value={length}
          onChange={(e) => setLength(e.target.value)}
          aria-invalid={why !== null}
        />
      </label>
      <button type="submit" className="act">
        add to the store
      </button>
      {why ? (
        <span role="alert" className="text-lead">
          {why}
        </span>
      ) : null}
    </form>
  );
}
