'use client';
import { useRef, useState } from 'react';
import { BOAT_KIND_IDS, BOAT_KINDS, type BoatKindId } from '@/core/design';
import { parseNumber, round3, unitOf } from '@/core/quantity';

const METRES = { lengthUnit: 'm', tempUnit: 'C', massUnit: 'kg', ruleSet: 'metric' } as const;
const FEET = { ...METRES, lengthUnit: 'ft', ruleSet: 'awg' } as const;
const unitsOf = (school: 'metric' | 'awg') => (school === 'awg' ? FEET : METRES);
const EMPTY = 'empty';

export interface NewBoatAsked {
  readonly name: string;
  readonly ruleSet: 'metric' | 'awg';
  readonly lengthM: number;
  readonly beamM: number;
  readonly systemV: number;
  readonly kind: BoatKindId | null;
}

/** A new boat from a few figures: empty, or with what is usually aboard one of her kind. */
export function NewBoat({
  busy,
  onMake,
  onRefused,
}: {
  busy: boolean;
  onMake: (boat: NewBoatAsked) => void;
  onRefused: (why: string) => void;
}) {
  const [school, setSchool] = useState<'metric' | 'awg'>('metric');
  const [kind, setKind] = useState<BoatKindId | typeof EMPTY>('coastal');
  const form = useRef<HTMLFormElement>(null);
  const unit = unitOf('m', unitsOf(school)).name;
  /** What is typed already is said in the other unit: the boat stays as long as she is. */
  const change = (next: 'metric' | 'awg') => {
    for (const name of ['length', 'beam']) {
      const field = form.current?.elements.namedItem(name);
      if (!(field instanceof HTMLInputElement) || field.value.trim() === '') continue;
      const typed = parseNumber(field.value, 'm', unitsOf(school), 0.1, 200);
      if (typed.ok) field.value = round3(unitOf('m', unitsOf(next)).to(typed.value));
    }
    setSchool(next);
  };
  const make = (data: FormData) => {
    const text = (key: string) => String(data.get(key) ?? '');
    const length = parseNumber(text('length'), 'm', unitsOf(school), 3, 60);
    const beam = parseNumber(text('beam'), 'm', unitsOf(school), 1, 20);
    if (!length.ok) return onRefused(`Length: ${length.message}.`);
    if (!beam.ok) return onRefused(`Beam: ${beam.message}.`);
    onMake({
      name: text('name'),
      ruleSet: school,
      lengthM: length.value,
      beamM: beam.value,
      systemV: Number(text('volts')),
      kind: kind === EMPTY ? null : kind,
    });
  };
  return (
    <form
      ref={form}
      className="space-y-2"
      onSubmit={(e) => {
        e.preventDefault();
        make(new FormData(e.currentTarget));
      }}
    >
      <h2 className="text-[15px] font-bold">A new boat</h2>
      <label className="block">
        <span className="text-[11.5px] text-quiet">name</span>
        <input name="name" required maxLength={120} className="box w-full" />
      </label>
      <label className="block">
        <span className="text-[11.5px] text-quiet">begins as</span>
        <select className="box w-full" value={kind} onChange={(e) => setKind(e.target.value as BoatKindId | typeof EMPTY)}>
          {BOAT_KIND_IDS.map((id) => (
            <option key={id} value={id}>
              {BOAT_KINDS[id].name}
            </option>
          ))}
          <option value={EMPTY}>empty, places only</option>
        </select>
      </label>
      <p className="text-[12px] text-quiet">
        {kind === EMPTY
          ? 'Places of her length and nothing else: loads, bank and charging are entered one by one.'
          : `${BOAT_KINDS[kind].about} Loads, bank and charging are typical figures, marked so: correct them from her plates.`}
      </p>
      <label className="block">
        <span className="text-[11.5px] text-quiet">rule set and units</span>
        <select className="box w-full" value={school} onChange={(e) => change(e.target.value as 'metric' | 'awg')}>
          <option value="metric">mm², metres, ISO small craft</option>
          <option value="awg">AWG, feet, North American small craft</option>
        </select>
      </label>
      <div className="grid grid-cols-3 gap-2">
        <label>
          <span className="text-[11.5px] text-quiet">length, {unit}</span>
          <input name="length" required className="box reading w-full" />
        </label>
        <label>
          <span className="text-[11.5px] text-quiet">beam, {unit}</span>
          <input name="beam" required className="box reading w-full" />
        </label>
        <label>
          <span className="text-[11.5px] text-quiet">DC, V</span>
          <select name="volts" className="box w-full" defaultValue="12">
            <option>12</option>
            <option>24</option>
            <option>48</option>
          </select>
        </label>
      </div>
      <button type="submit" className="act" disabled={busy}>
        add the boat
      </button>
    </form>
  );
}
