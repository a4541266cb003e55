'use client';
import { DEVICE_KINDS, INLINE } from '@/core/rules';
import { blankDevice, type Circuit, type InlineDevice, parseSize, setOp } from '@/core/design';
import { bare, type Parsed, parseOptional, sizeName } from '@/core/quantity';
import { useDesign, useFreshId, useStore } from '@/ui/boat/context';
import { Choice } from '@/ui/field';

/** What stands in line between the way and the first tap: what it is rated for, takes, loses, and where it is. */
export function DeviceList({ circuit }: { circuit: Circuit }) {
  const design = useDesign();
  const store = useStore();
  const freshId = useFreshId();
  const units = design.boat;
  const put = (devices: readonly InlineDevice[], label: string) =>
    store.edit(`${label} of ${circuit.name}`, [setOp(design, ['circuits', circuit.id, 'devices'], devices)]);
  const change = (d: InlineDevice, patch: Partial<InlineDevice>, label: string) =>
    put(
      circuit.devices.map((x) => (x.id === d.id ? { ...x, ...patch } : x)),
      `${label} of the ${d.kind}`,
    );
  const entry = (
    d: InlineDevice,
    label: string,
    value: string,
    width: string,
    parse: (text: string) => Parsed<Partial<InlineDevice>>,
    placeholder: string,
  ) => (
    <input
      key={`${label}${value}`}
      className={`box reading text-right ${width}`}
      aria-label={`${label} of the ${d.kind}`}
      placeholder={placeholder}
      defaultValue={value}
      onBlur={(e) => {
        if (e.target.value.trim() === value) return;
        const parsed = parse(e.target.value);
        if (parsed.ok) change(d, parsed.value, label);
        else {
          store.say('refused', `${label}: ${parsed.message}`);
          e.target.value = value;
        }
      }}
    />
  );
  return (
    <div className="py-1">
      {circuit.devices.length > 0 ? (
        <table className="w-full text-left">
          <thead>
            <tr className="text-[11.5px] text-quiet">
              <th className="font-medium">in line</th>
              <th className="font-medium">A DC</th>
              <th className="font-medium">mΩ</th>
              <th className="font-medium">largest cable</th>
              <th className="font-medium">where</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {circuit.devices.map((d) => (
              <tr key={d.id} className="border-t border-line">
                <td>
                  {d.kind} <span className="text-[11.5px] text-faint">{INLINE[d.kind].note}</span>
                </td>
                <td>
                  {entry(
                    d,
                    'rating, A,',
                    bare(d.ratingA, 'A', units),
                    'w-[56px]',
                    (t) => {
                      const p = parseOptional(t, 'A', units, 0.1, 2000);
                      return p.ok ? { ok: true, value: { ratingA: p.value } } : p;
                    },
                    'A',
                  )}
                </td>
                <td>
                  {entry(
                    d,
                    'resistance, mΩ,',
                    bare(d.mohm, 'none', units),
                    'w-[56px]',
                    (t) => {
                      const p = parseOptional(t, 'none', units, 0, 1000);
                      return p.ok ? { ok: true, value: { mohm: p.value } } : p;
                    },
                    `${Number((INLINE[d.kind].ohm * 1000).toPrecision(2))}`,
                  )}
                </td>
                <td>
                  {entry(
                    d,
                    'largest cable',
                    d.largest ? sizeName(d.largest.school, d.largest.size) : '',
                    'w-[84px]',
                    (t) => {
                      if (t.trim() === '') return { ok: true, value: { largest: null } };
                      const p = parseSize(t, units);
                      return p.ok ? { ok: true, value: { largest: p.value } } : p;
                    },
                    'any',
                  )}
                </td>
                <td>
                  <select
                    className="box w-[120px]"
                    aria-label={`Place of the ${d.kind}`}
                    value={d.placeId ?? ''}
                    onChange={(e) => change(d, { placeId: e.target.value === '' ? null : e.target.value }, 'place')}
                  >
                    <option value="">on the way</option>
                    {design.places.map((p) => (
                      <option key={p.id} value={p.id}>
                        {p.name}
                      </option>
                    ))}
                  </select>
                </td>
                <td className="whitespace-nowrap">
                  {d.kind === 'float switch' ? (
                    <label className="mr-3">
                      <input type="checkbox" checked={d.bypass} onChange={(e) => change(d, { bypass: e.target.checked }, 'bypass')} />{' '}
                      bypass
                    </label>
                  ) : null}
                  <button
                    type="button"
                    className="plain"
                    aria-label={`Remove the ${d.kind}`}
                    onClick={() =>
                      put(
                        circuit.devices.filter((x) => x.id !== d.id),
                        'devices',
                      )
                    }
                  >
                    ×
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : null}
      <div className="w-[200px] pt-1">
        <Choice
          label="in line"
          value=""
          options={['' as const, ...DEVICE_KINDS]}
          names={{ '': 'add a device' }}
          onChange={(kind) => kind && put([...circuit.devices, blankDevice(freshId('d'), kind)], 'devices')}
        />
      </div>
    </div>
  );
}
