'use client';
import dynamic from 'next/dynamic';
import { useMemo, useState } from 'react';
import { BELTS, EXCITATION, MOUNTINGS, PULLEYS, ROTATIONS, type Source, rowOf, nominalVOf } from '@/core/design';
import { alternatorAt, cutInRpm, fitLines, labelCurve, oldLeads, pulleyRatio, swapLines } from '@/core/charging';
import { isLed, swapGrowth } from '@/core/analysis';
import { chemistryOf } from '@/core/bank';
import { TYPICAL_PATH_OHM } from '@/core/rules';
import { round3, unitOf } from '@/core/quantity';
import { useAnalysis, useAsked, useDesign } from '@/ui/boat/context';
import { TableBeside } from '@/ui/chart/TableBeside';
import { Choice, Figure, OptionalFigure, Tick } from '@/ui/field';
import { Plain } from '@/ui/table/Plain';
import { GrowthTable } from '@/ui/growth/GrowthTable';
import type { PutSource } from './KindFacts';
import { Points } from './Points';

const Curves = dynamic(() => import('@/ui/chart/Curves'), { ssr: false });

/** An alternator: its curve, what of it reaches the bank at each engine speed, whether it fits, and what a swap changes. */
export function AlternatorFacts({ source, put }: { source: Source; put: PutSource }) {
  const design = useDesign();
  const [against, setAgainst] = useState('');
  const { engine } = design;
  const a = source.alternator;
  const bank = rowOf(design.banks, source.bankId);
  const nominalV = nominalVOf(design, source.bankId);
  const times = nominalV / 12;
  const { paths } = useAnalysis();
  const pathMohm = source.pathMohm ?? paths[source.id];
  const table = useMemo(() => {
    if (!a) return [];
    const label = labelCurve(a);
    const path = pathMohm === undefined ? TYPICAL_PATH_OHM : pathMohm / 1000;
    const takingV = (bank ? chemistryOf(bank).absorptionV * times : 14.4 * times) - 0.5 * times;
    const room = source.regulator.sense === 'the bank' ? Infinity : source.regulator.absorptionV - takingV;
    const steps = 40;
    return Array.from({ length: steps + 1 }, (_, i) => {
      const rpm = Math.round((engine.maxRpm * i) / steps);
      return alternatorAt(a, nominalV, rpm, path, room, label);
    });
  }, [a, pathMohm, source.regulator, bank, engine.maxRpm, nominalV, times]);
  if (!a) return null;
  const others = [
    ...design.sources.filter((s) => s.kind === 'alternator' && s.id !== source.id).map((s) => ({ key: s.id, name: s.name, source: s })),
    ...design.options.flatMap((o) =>
      (o.parts?.sources ?? [])
        .filter((s) => s.kind === 'alternator')
        .map((s) => ({ key: `${o.id}/${s.id}`, name: `${s.name}, option ${o.name}`, source: s })),
    ),
  ];
  const other = others.find((o) => o.key === against) ?? others[0];
  const cutIn = cutInRpm(a);
  const set = (key: keyof typeof a, value: unknown, label: string) => put(['alternator', key], value, label);
  return (
    <>
      <h3 className="mt-4 font-semibold">Output by the engine&apos;s speed</h3>
      <div className="grid grid-cols-[minmax(0,1fr)_320px] max-[999px]:grid-cols-1 gap-6">
        <div>
          <Curves
            label="Alternator output by engine speed: label, hot, within the belt, at the bank"
            data={table.map((o) => ({ rpm: o.engineRpm, label: o.labelA, hot: o.hotA, belt: o.beltA, bank: o.bankA }))}
            x={{ key: 'rpm', unit: ' rpm' }}
            unit=" A"
            domain={[0, 'auto']}
            curves={[
              { key: 'label', name: 'label, cold', color: 'var(--faint)', dash: '2 3' },
              { key: 'hot', name: 'hot', color: 'var(--copper)', dash: '6 3' },
              { key: 'belt', name: 'within the belt', color: 'var(--ink)' },
              { key: 'bank', name: 'at the bank', color: 'var(--verdigris)', width: 2.4 },
            ]}
            marks={[
              { x: engine.idleRpm, text: 'idle' },
              { x: engine.cruiseRpm, text: 'cruising' },
            ]}
          />
          <p className="text-[12px] text-quiet">
            Cuts in at {cutIn === null ? 'no speed' : `${Math.round(cutIn)} rpm`} of the engine; ratio {round3(pulleyRatio(a))}. At the
            bank: while it is still half a volt per 12 V below absorption and the alternator senses {source.regulator.sense}.
          </p>
          <TableBeside
            title={`${source.name}, output`}
            columns={[
              'engine, rpm',
              'own, rpm',
              'label, A',
              'hot, A',
              'belt, A',
              'at the bank, A',
              'takes, kW',
              `fuel, ${unitOf('L', design.boat).name}/h`,
            ]}
            rows={table
              .filter((_, i) => i % 2 === 0)
              .map((o) => [
                String(o.engineRpm),
                round3(o.rpm),
                round3(o.labelA),
                round3(o.hotA),
                round3(o.beltA),
                round3(o.bankA),
                round3(o.shaftW / 1000),
                round3(unitOf('L', design.boat).to(o.litresPerHour)),
              ])}
          />
        </div>
        <div className="grid grid-cols-2 content-start items-end gap-3">
          <Figure label="ratio" kind="none" value={a.ratio} low={0.3} high={8} onChange={(v) => set('ratio', v, 'ratio')} />
          <Figure
            label="own speed to, rpm"
            kind="none"
            value={a.maxRpm}
            low={1000}
            high={30000}
            onChange={(v) => set('maxRpm', v, 'largest speed')}
          />
          <OptionalFigure
            label="engine pulley"
            kind="mm"
            value={a.enginePulleyMm}
            low={20}
            high={600}
            onChange={(v) => set('enginePulleyMm', v, 'pulley')}
          />
          <OptionalFigure
            label="own pulley"
            kind="mm"
            value={a.pulleyMm}
            low={20}
            high={300}
            onChange={(v) => set('pulleyMm', v, 'pulley')}
          />
          <Choice label="belt" value={a.belt} options={BELTS} onChange={(v) => set('belt', v, 'belt')} />
          <Figure
            label="hot, of the label"
            kind="none"
            value={a.hotFactor}
            low={0.2}
            high={1}
            onChange={(v) => set('hotFactor', v, 'hot factor')}
          />
          <Choice label="excitation" value={a.excitation} options={EXCITATION} onChange={(v) => set('excitation', v, 'excitation')} />
          <Tick label="field limited by heat" value={a.fieldLimited} onChange={(v) => set('fieldLimited', v, 'field limit')} />
          <Tick label="drives a tachometer" value={a.tacho} onChange={(v) => set('tacho', v, 'tachometer')} />
          <Tick
            label="ignition protected"
            value={a.ignitionProtected}
            onChange={(v) => set('ignitionProtected', v, 'ignition protection')}
          />
          <Tick label="suppressor at it" value={a.suppressor} onChange={(v) => set('suppressor', v, 'suppressor')} />
          <span />
          {a.suppressor ? <SuppressorFacts part={a.suppressorPart} onChange={(v) => set('suppressorPart', v, 'suppressor')} /> : null}
          <Choice
            label="mounting"
            value={a.fit.mounting}
            options={MOUNTINGS}
            onChange={(v) => put(['alternator', 'fit', 'mounting'], v, 'mounting')}
          />
          <OptionalFigure
            label="pivot width"
            kind="mm"
            value={a.fit.pivotMm}
            low={10}
            high={400}
            onChange={(v) => put(['alternator', 'fit', 'pivotMm'], v, 'pivot')}
          />
          <Choice
            label="pulley"
            value={a.fit.pulley}
            options={PULLEYS}
            onChange={(v) => put(['alternator', 'fit', 'pulley'], v, 'pulley')}
          />
          <Choice
            label="rotation"
            value={a.fit.rotation}
            options={ROTATIONS}
            onChange={(v) => put(['alternator', 'fit', 'rotation'], v, 'rotation')}
          />
          <OptionalFigure
            label="body, across"
            kind="mm"
            value={a.fit.bodyMm}
            low={30}
            high={600}
            onChange={(v) => put(['alternator', 'fit', 'bodyMm'], v, 'body')}
          />
          <OptionalFigure
            label="body, long with its pulley"
            kind="mm"
            value={a.fit.longMm}
            low={30}
            high={800}
            onChange={(v) => put(['alternator', 'fit', 'longMm'], v, 'length')}
          />
          <Choice
            label="fan blows"
            value={a.fit.fan}
            options={['unknown', 'either', 'one way'] as const}
            names={{ either: 'either way round', 'one way': 'one way round only' }}
            onChange={(v) => put(['alternator', 'fit', 'fan'], v, 'fan')}
          />
          <OptionalFigure
            label="pulley nut"
            kind="Nm"
            value={a.fit.nutNm}
            low={1}
            high={400}
            onChange={(v) => put(['alternator', 'fit', 'nutNm'], v, 'pulley nut')}
          />
        </div>
      </div>
      <h3 className="mt-3 font-semibold">The label&apos;s curve, by its own speed</h3>
      <Points
        points={a.curve.map((p) => ({ id: p.id, x: p.rpm, y: p.amps }))}
        names={['rpm', 'A']}
        highs={[30000, 1000]}
        onChange={(points) =>
          set(
            'curve',
            points.map((p) => ({ id: p.id, rpm: p.x, amps: p.y })),
            'curve',
          )
        }
      />
      <div className="mt-4 grid grid-cols-2 gap-8">
        <div>
          <h3 className="font-semibold">Does it fit</h3>
          <Plain
            label="Does it fit"
            columns={[{ title: 'what' }, { title: 'engine' }, { title: 'alternator' }, { title: 'verdict' }]}
            rows={fitLines(design, source).map((l) => ({
              id: l.what,
              cells: [
                l.what,
                l.engine,
                l.alternator,
                <b key="v" className={`font-semibold ${l.verdict === 'does not fit' ? 'text-lead' : ''}`}>
                  {l.verdict === 'ask' ? 'measure it' : l.verdict}
                </b>,
              ],
              opens: { of: l.what, at: 3, lines: l.of },
            }))}
          />
        </div>
        <div>
          <h3 className="font-semibold">What a swap changes</h3>
          {other ? (
            <>
              <Choice
                label="in its place"
                value={other.key}
                options={others.map((o) => o.key)}
                names={Object.fromEntries(others.map((o) => [o.key, o.name]))}
                onChange={setAgainst}
              />
              <Plain
                label="What a swap changes"
                columns={[{ title: 'what' }, { title: 'now' }, { title: 'then' }, { title: 'to do' }]}
                rows={swapLines(design, source, other.source).map((l, i) => ({
                  id: `${i}`,
                  cells: [l.what, l.was, l.becomes, l.todo],
                  ...(l.of.length > 0 ? { opens: { of: l.what, at: 2, lines: l.of } } : {}),
                }))}
              />
              <h3 className="mt-3 font-semibold">Leads that come off it</h3>
              <Plain
                label="Leads that come off it"
                columns={[{ title: 'lead' }, { title: 'what becomes of it' }, { title: 'why' }]}
                rows={oldLeads(design, source, other.source).map((l) => ({ id: l.name, cells: [l.name, l.fate, l.why] }))}
              />
              <Rewire source={source} becomes={other.source} />
            </>
          ) : (
            <p className="text-quiet">
              Add the other alternator as a source that is instead of this one, or in another option (Bank, options): then it is told here
              what changes.
            </p>
          )}
        </div>
      </div>
      <p className="caution mt-3 max-w-[760px]">
        Never open the charging circuit with the engine running: load dump destroys diodes and electronics. Battery negative off before the
        belt comes near your hands. Local code, the maker&apos;s instructions and licensed practice come first.
      </p>
    </>
  );
}

type SuppressorPart = NonNullable<NonNullable<Source['alternator']>['suppressorPart']>;
const NOTHING_KNOWN: SuppressorPart = { tripV: null, fuseA: null, underMainLug: null, lampSeen: null };
const SEEN = { '': 'not looked at', yes: 'yes', no: 'no' } as const;

/** The suppressor as a part: what it trips at, its fuse, where its lug and its lamp are. */
function SuppressorFacts({ part, onChange }: { part: SuppressorPart | null; onChange: (to: SuppressorPart) => void }) {
  const now = part ?? NOTHING_KNOWN;
  const put = (change: Partial<SuppressorPart>) => onChange({ ...now, ...change });
  const seen = (value: boolean | null) => (value === null ? '' : value ? 'yes' : 'no');
  const asked = (key: 'underMainLug' | 'lampSeen', label: string) => (
    <Choice
      label={label}
      value={seen(now[key])}
      options={['', 'yes', 'no'] as const}
      names={SEEN}
      onChange={(v) => put({ [key]: v === '' ? null : v === 'yes' })}
    />
  );
  return (
    <>
      <OptionalFigure label="suppressor conducts from" kind="V" value={now.tripV} low={5} high={200} onChange={(v) => put({ tripV: v })} />
      <OptionalFigure label="its fuse" kind="A" value={now.fuseA} low={0.1} high={100} onChange={(v) => put({ fuseA: v })} />
      {asked('underMainLug', 'its lug under the main lug')}
      {asked('lampSeen', 'its lamp where it is seen')}
    </>
  );
}

/** Cable and fuse of every run that would carry the other's current: what stands, and what it would take. */
function Rewire({ source, becomes }: { source: Source; becomes: Source }) {
  const design = useDesign();
  const growth = swapGrowth(design, source, becomes);
  const lines = useAsked(growth ? `swap:${source.id}:${JSON.stringify(growth)}` : null, (r) =>
    growth ? r.grow(growth) : Promise.resolve(null),
  );
  if (!design.loads.some((l) => l.id === source.loadId) && !isLed(design, source))
    return (
      <p className="mt-2 text-quiet">
        Its output is on no circuit and no lead yet: name its row of the load sheet above, or lead it on the main side (Wiring), and its
        cable and fuse are tested here.
      </p>
    );
  if (!growth) return <p className="mt-2 text-quiet">Cable and fuse carry no more than now.</p>;
  if (!lines) return <p className="mt-2 text-quiet">Calculating.</p>;
  return <GrowthTable label="Cable and fuse after the swap" lines={lines} growth={growth} />;
}
