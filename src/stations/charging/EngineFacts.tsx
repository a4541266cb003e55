'use client';
import { MOUNTINGS, PULLEYS, ROTATIONS } from '@/core/design';
import { sizeName, show, type Kind } from '@/core/quantity';
import { CONDUCTORS } from '@/core/rules';
import { useDesign } from '@/ui/boat/context';
import { usePut } from '@/ui/boat/put';
import { Choice, Figure, OptionalFigure } from '@/ui/field';

/** Room for a machine, and its belt. */
const ROOM = [
  ['bodyMm', 'room across', 30, 600],
  ['longMm', 'room along', 30, 800],
  ['nearMm', 'pulley to pulley, nearest', 50, 2000],
  ['farMm', 'pulley to pulley, farthest', 50, 2000],
  ['beltMm', 'belt that is on', 200, 5000],
] as const;

/** A starter's cable is no thinner, mm2. */
const LEAST_MM2 = 20;

/** The engine as far as charging and starting go. */
export function EngineFacts() {
  const design = useDesign();
  const put = usePut();
  const { engine } = design;
  const heavy = CONDUCTORS[design.boat.ruleSet].filter((c) => c.areaMm2 >= LEAST_MM2);
  const set = (path: readonly string[], value: unknown) => put(['engine', ...path], value, 'the engine');
  const figure = (
    key: 'kw' | 'idleRpm' | 'cruiseRpm' | 'maxRpm' | 'idleLph' | 'fullLph' | 'crankPathMohm',
    label: string,
    low: number,
    high: number,
    kind: Kind = 'none',
  ) => <Figure key={key} label={label} kind={kind} value={engine[key]} low={low} high={high} onChange={(v) => set([key], v)} />;
  return (
    <div className="max-w-[860px] pt-3">
      <div className="grid grid-cols-5 max-[999px]:grid-cols-3 max-[500px]:grid-cols-2 items-end gap-3">
        <Choice label="fuel" value={engine.fuel} options={['diesel', 'petrol']} onChange={(v) => set(['fuel'], v)} />
        {figure('kw', 'power, kW', 1, 2000)}
        {figure('idleRpm', 'idle, rpm', 200, 3000)}
        {figure('cruiseRpm', 'cruising, rpm', 300, 8000)}
        {figure('maxRpm', 'highest, rpm', 500, 10000)}
        {figure('idleLph', 'fuel an hour at idle', 0, 100, 'L')}
        {figure('fullLph', 'fuel an hour at full power', 0.1, 1000, 'L')}
      </div>
      <h2 className="mt-5 font-semibold">Starting it</h2>
      <div className="mt-1 grid grid-cols-5 max-[999px]:grid-cols-3 max-[500px]:grid-cols-2 items-end gap-3">
        <Figure label="starter draws" kind="A" value={engine.crankA} low={10} high={5000} onChange={(v) => set(['crankA'], v)} />
        <Figure label="for" kind="s" value={engine.crankS} low={0.2} high={60} onChange={(v) => set(['crankS'], v)} />
        <Figure label="least at the starter" kind="V" value={engine.crankMinV} low={3} high={48} onChange={(v) => set(['crankMinV'], v)} />
        <Figure
          label="starts wanted in a row"
          kind="none"
          value={engine.starts}
          low={1}
          high={30}
          onChange={(v) => set(['starts'], Math.round(v))}
        />
        <Figure label="coldest morning" kind="C" value={engine.coldC} low={-30} high={40} onChange={(v) => set(['coldC'], v)} />
        {figure('crankPathMohm', 'path, out and back, mΩ', 0, 50)}
        <Choice
          label="least cable, by its maker"
          value={engine.starterCable ? `${engine.starterCable.school} ${engine.starterCable.size}` : ''}
          options={['', ...heavy.map((c) => `${c.school} ${c.size}`)]}
          names={{ '': 'not said', ...Object.fromEntries(heavy.map((c) => [`${c.school} ${c.size}`, sizeName(c.school, c.size)])) }}
          onChange={(v) => {
            const chosen = heavy.find((c) => `${c.school} ${c.size}` === v);
            set(['starterCable'], chosen ? { school: chosen.school, size: chosen.size } : null);
          }}
        />
        <Choice
          label="cranks from"
          value={engine.startBankId ?? ''}
          options={['', ...design.banks.map((b) => b.id)]}
          names={{ '': 'the start bank, else the house', ...Object.fromEntries(design.banks.map((b) => [b.id, b.name])) }}
          onChange={(v) => set(['startBankId'], v || null)}
        />
      </div>
      <h2 className="mt-5 font-semibold">Where an alternator goes on</h2>
      <div className="mt-1 grid grid-cols-5 max-[999px]:grid-cols-3 max-[500px]:grid-cols-2 items-end gap-3">
        <Choice label="mounting" value={engine.fit.mounting} options={MOUNTINGS} onChange={(v) => set(['fit', 'mounting'], v)} />
        <OptionalFigure
          label="pivot width"
          kind="mm"
          value={engine.fit.pivotMm}
          low={10}
          high={400}
          onChange={(v) => set(['fit', 'pivotMm'], v)}
        />
        <Choice label="pulley" value={engine.fit.pulley} options={PULLEYS} onChange={(v) => set(['fit', 'pulley'], v)} />
        <Choice label="rotation" value={engine.fit.rotation} options={ROTATIONS} onChange={(v) => set(['fit', 'rotation'], v)} />
        {ROOM.map(([key, label, low, high]) => (
          <OptionalFigure
            key={key}
            label={label}
            kind="mm"
            value={engine.fit[key]}
            low={low}
            high={high}
            onChange={(v) => set(['fit', key], v)}
          />
        ))}
      </div>
      <p className="mt-3 text-[12px] text-quiet">
        Fuel between idle and full power by the cube of speed; charging adds {show(0.3, 'L', design.boat)} per kWh at the shaft, at 55 %
        from shaft to amps. Typical.
      </p>
      {engine.fuel === 'petrol' ? (
        <p className="caution mt-3">
          Petrol vapour explodes: blow the space out before starting, and nothing that sparks in it. Everything there is ignition protected.
        </p>
      ) : null}
    </div>
  );
}
