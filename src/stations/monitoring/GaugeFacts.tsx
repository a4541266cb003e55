'use client';
import { dropOps, type Gauge, GAUGE_KINDS } from '@/core/design';
import { useDesign, useStore } from '@/ui/boat/context';
import { usePut } from '@/ui/boat/put';
import { Choice, Figure, OptionalFigure, Tick, Words } from '@/ui/field';

const KIND_WORDS = { counting: 'counts amps through a shunt', volts: 'reads volts alone' } as const;

/** What the gauge is, where it is seen, how it measures. */
export function GaugeFacts({ gauge }: { gauge: Gauge }) {
  const design = useDesign();
  const store = useStore();
  const put = usePut();
  const set = (key: string, value: unknown, label: string) => put(['gauges', gauge.id, key], value, label);
  const named = (rows: readonly { readonly id: string; readonly name: string }[]) => ({
    options: ['', ...rows.map((r) => r.id)],
    names: Object.fromEntries([['', 'none'], ...rows.map((r) => [r.id, r.name])]) as Record<string, string>,
  });
  const counting = gauge.kind === 'counting';
  return (
    <div className="grid max-w-[900px] grid-cols-3 gap-x-5 gap-y-2 pt-2 max-[800px]:grid-cols-1">
      <Words label="name" value={gauge.name} onChange={(v) => set('name', v, 'name of a gauge')} />
      <Choice
        label="kind"
        value={gauge.kind}
        options={GAUGE_KINDS}
        names={KIND_WORDS}
        onChange={(v) => set('kind', v, 'kind of a gauge')}
      />
      <Choice
        label="of"
        value={gauge.bankId ?? ''}
        {...named(design.banks)}
        onChange={(v) => set('bankId', v === '' ? null : v, 'bank of a gauge')}
      />
      <Choice
        label="seen in"
        value={gauge.placeId ?? ''}
        {...named(design.places)}
        onChange={(v) => set('placeId', v === '' ? null : v, 'place of a gauge')}
      />
      <OptionalFigure
        label="fuse of its supply"
        kind="A"
        value={gauge.supplyFuseA}
        low={0.1}
        high={30}
        onChange={(v) => set('supplyFuseA', v, 'fuse of a gauge')}
      />
      <Tick label="dead with the house switch" value={gauge.behindSwitch} onChange={(v) => set('behindSwitch', v, 'supply of a gauge')} />
      {counting ? (
        <>
          <Figure
            label="reads with nothing flowing"
            kind="A"
            value={gauge.offsetA}
            low={-5}
            high={5}
            onChange={(v) => set('offsetA', v, 'offset of a gauge')}
          />
          <Figure
            label="smallest step"
            kind="A"
            value={gauge.stepA}
            low={0}
            high={5}
            onChange={(v) => set('stepA', v, 'step of a gauge')}
          />
          <OptionalFigure
            label="data cable"
            kind="m"
            value={gauge.dataM}
            low={0.1}
            high={100}
            onChange={(v) => set('dataM', v, 'data cable of a gauge')}
          />
          <OptionalFigure
            label="its maker allows"
            kind="m"
            value={gauge.dataMostM}
            low={0.1}
            high={100}
            onChange={(v) => set('dataMostM', v, 'longest data cable of a gauge')}
          />
          <Tick
            label="credits slow draws by Peukert’s law"
            value={gauge.credits}
            onChange={(v) => set('credits', v, 'how a gauge counts')}
          />
          <Tick
            label="a slight discharge does not break its waiting for full"
            value={gauge.slightDischarge}
            onChange={(v) => set('slightDischarge', v, 'how a gauge waits')}
          />
        </>
      ) : null}
      <div className="col-span-3 max-[800px]:col-span-1">
        {told(gauge).map((w) => (
          <p key={w} className="caution my-1">
            {w}
          </p>
        ))}
        <button
          type="button"
          className="act mt-2"
          onClick={() => store.edit(`remove ${gauge.name}`, dropOps(design, 'gauges', [gauge.id]))}
        >
          remove it
        </button>
      </div>
    </div>
  );
}

/** What is wrong with where it is fed and seen. */
function told(gauge: Gauge): readonly string[] {
  return [
    ...(gauge.kind === 'counting' && gauge.behindSwitch
      ? [
          'A gauge that counts never sleeps: fed behind the house switch it misses what is drawn while it is off. Feed it before the switch, through its own small fuse.',
        ]
      : []),
    ...(gauge.supplyFuseA === null
      ? ['Its supply wants a fuse of its own at the tap, 1 A or what its maker says: the battery behind it burns any thin wire.']
      : []),
    ...(gauge.placeId === null ? ['It is seen nowhere: put it where people look.'] : []),
    ...(gauge.dataM !== null && gauge.dataMostM !== null && gauge.dataM > gauge.dataMostM
      ? ['Its data cable is longer than its maker allows.']
      : []),
  ];
}
