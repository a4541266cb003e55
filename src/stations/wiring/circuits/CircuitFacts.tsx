'use client';
import { ALONGS, type Circuit, ENCLOSURES, INSULATIONS, setOp, SUPPLY_CLASSES, rowOf } from '@/core/design';
import { servingOf, upFrom } from '@/core/topology';
import { DC_FAMILIES } from '@/core/rules';
import { useDesign, useFreshId, useStore } from '@/ui/boat/context';
import { Choice, Figure, OptionalFigure, Tick } from '@/ui/field';

/** What a circuit is and how it lies: supply, insulation, where it passes, what is in line. */
export function CircuitFacts({ circuit }: { circuit: Circuit }) {
  const design = useDesign();
  const store = useStore();
  const freshId = useFreshId();
  const put = (key: keyof Circuit, value: unknown, label: string) =>
    store.edit(`${label} of ${circuit.name}`, [setOp(design, ['circuits', circuit.id, key], value)]);
  const serving = servingOf(design.circuits);
  const unserved = design.loads.filter((l) => !serving.loads.has(l.id));
  // A panel that feeds this circuit, however far above, is no choice.
  const above = new Set(upFrom(design.circuits, circuit.id).flatMap((c) => (c.from.kind === 'panel' ? [c.from.id] : [])));
  const panels = design.panels.filter((p) => !above.has(p.id) && !serving.panels.has(p.id));
  const tap = (value: string) => {
    const [kind = '', id = ''] = value.split(':');
    if (kind !== 'load' && kind !== 'panel') return;
    put(
      'taps',
      [
        ...circuit.taps,
        { id: freshId('t'), parent: circuit.taps[circuit.taps.length - 1]?.id ?? null, serves: { kind, id }, tapedM: null },
      ],
      'tap',
    );
  };
  return (
    <div className="grid grid-cols-4 max-[999px]:grid-cols-2 gap-x-4 gap-y-2 py-2">
      <Choice label="supplied" value={circuit.supply} options={SUPPLY_CLASSES} onChange={(v) => put('supply', v, 'supply')} />
      <Choice label="goes along" value={circuit.along} options={ALONGS} onChange={(v) => put('along', v, 'way along the hull')} />
      <Choice label="lies" value={circuit.enclosure} options={ENCLOSURES} onChange={(v) => put('enclosure', v, 'laying')} />
      <Choice
        label="insulation, °C"
        value={String(circuit.insulationC ?? 'house rule')}
        options={['house rule', ...INSULATIONS.map(String)]}
        onChange={(v) => put('insulationC', v === 'house rule' ? null : Number(v), 'insulation')}
      />
      <Choice
        label="family of device"
        value={circuit.pin.family ?? 'chosen'}
        options={['chosen', ...DC_FAMILIES.map((f) => f.id)]}
        names={Object.fromEntries(DC_FAMILIES.map((f) => [f.id, f.name]))}
        onChange={(v) => put('pin', { ...circuit.pin, family: v === 'chosen' ? null : v }, 'device family')}
      />
      <Figure
        label="device from its source"
        kind="m"
        value={circuit.deviceAtM}
        low={0}
        high={30}
        onChange={(v) => put('deviceAtM', v, 'place of the device')}
      />
      <OptionalFigure
        label="its device, mΩ"
        kind="none"
        value={circuit.deviceMohm}
        low={0}
        high={1000}
        onChange={(v) => put('deviceMohm', v, 'resistance of the device')}
      />
      {circuit.pin.size && circuit.pin.legs > 1 ? (
        <Tick
          label="device at both ends of each leg"
          value={circuit.pin.ownDevices}
          onChange={(v) => put('pin', { ...circuit.pin, ownDevices: v }, 'protection of the legs')}
        />
      ) : null}
      <Tick label="step down at ends that take less" value={circuit.stepDown} onChange={(v) => put('stepDown', v, 'step-down pieces')} />
      <Tick label="sheathed" value={circuit.sheathed} onChange={(v) => put('sheathed', v, 'sheath')} />
      <Tick label="twisted pair" value={circuit.twisted} onChange={(v) => put('twisted', v, 'twisting')} />
      <Tick label="clamped clear of heat and motion" value={circuit.guarded} onChange={(v) => put('guarded', v, 'guard')} />
      <Choice
        label="also passes"
        value=""
        options={['', ...design.places.filter((p) => !circuit.via.includes(p.id)).map((p) => p.id)]}
        names={{ '': 'add a place', ...Object.fromEntries(design.places.map((p) => [p.id, p.name])) }}
        onChange={(v) => v && put('via', [...circuit.via, v], 'route')}
      />
      <Choice
        label="tap"
        value=""
        options={['', ...unserved.map((l) => `load:${l.id}`), ...panels.map((p) => `panel:${p.id}`)]}
        names={{
          '': 'add what is loose',
          ...Object.fromEntries([
            ...unserved.map((l) => [`load:${l.id}`, l.name] as const),
            ...panels.map((p) => [`panel:${p.id}`, p.name] as const),
          ]),
        }}
        onChange={tap}
      />
      <p className="col-span-4 self-end text-quiet">
        {circuit.via.map((id) => (
          <button
            key={id}
            type="button"
            className="plain mr-3"
            aria-description="Take this place out of the route"
            onClick={() =>
              put(
                'via',
                circuit.via.filter((x) => x !== id),
                'route',
              )
            }
          >
            via {rowOf(design.places, id)?.name} ×
          </button>
        ))}
      </p>
    </div>
  );
}
