'use client';
import { type Gauge, rowOf } from '@/core/design';
import { alarmsOf } from '@/core/monitoring';
import { useDesign } from '@/ui/boat/context';
import { usePut } from '@/ui/boat/put';
import { Plain } from '@/ui/table/Plain';

/** What should call, at what, after how long, and how it is proved. */
export function AlarmsView({ gauge }: { gauge: Gauge }) {
  const design = useDesign();
  const put = usePut();
  const bank = rowOf(design.banks, gauge.bankId);
  if (!bank) return <p className="pt-3 text-quiet">Its bank is not in the design.</p>;
  const { lines, faults, takenAtOnce } = alarmsOf(design, bank);
  const asSet = (alarmId: string, what: string) => {
    const key = alarmId.replaceAll(' ', '-');
    const kept = gauge.alarms[key] ?? '';
    return (
      <input
        key={kept}
        className="box w-[110px]"
        aria-label={`As set: ${what}`}
        defaultValue={kept}
        maxLength={60}
        onBlur={(e) =>
          e.target.value !== kept &&
          put(['gauges', gauge.id, 'alarms'], { ...gauge.alarms, [key]: e.target.value }, `alarm of ${gauge.name}: ${what}`)
        }
      />
    );
  };
  return (
    <div className="max-w-[1040px] pt-2">
      <button type="button" className="act screen-only float-right" onClick={() => window.print()}>
        print
      </button>
      {faults.map((f) => (
        <p key={f} className="caution mt-1">
          {f}.
        </p>
      ))}
      <Plain
        label="Alarms"
        columns={[
          { title: 'alarm' },
          { title: 'at', right: true },
          { title: 'after', right: true },
          { title: 'why' },
          { title: 'proved by' },
          { title: 'as set' },
        ]}
        rows={lines.map((l) => ({ id: l.id, cells: [l.what, l.value, l.delay, l.working, l.proof, asSet(l.id, l.what)] }))}
      />
      {takenAtOnce.length > 0 ? (
        <p className="caution mt-3">
          When the BMS of {bank.name} opens, these go dead at once: {takenAtOnce.join(', ')}. Feed what steers, pumps and lights from
          another bank, or by a way round that stays.
        </p>
      ) : null}
      <p className="mt-3 text-[12px] text-quiet">
        Heard at the helm and in the berth, seen where people look; each proved when it is fitted and once a season. The makers’ own limits
        rule.
      </p>
    </div>
  );
}
