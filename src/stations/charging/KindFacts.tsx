'use client';
/** What is particular to one kind of source: charger, DC–DC, array, wind. */
import type { Source } from '@/core/design';
import { arrayFigures, chargerAcA, chargingV } from '@/core/charging';
import { round3, show } from '@/core/quantity';
import { useDesign } from '@/ui/boat/context';
import { Figure, OptionalFigure, Tick } from '@/ui/field';
import { Outputs } from './Outputs';
import { Points } from './Points';

export type PutSource = (path: readonly string[], value: unknown, label: string) => void;

export interface Own {
  readonly source: Source;
  readonly put: PutSource;
}

export function ChargerFacts({ source, put }: Own) {
  const design = useDesign();
  const { charger } = source;
  if (!charger) return null;
  if (source.outputOf !== null) return <Outputs source={source} />;
  return (
    <>
      <div className="mt-3 grid grid-cols-6 max-[999px]:grid-cols-3 max-[500px]:grid-cols-2 items-end gap-3">
        <Figure
          label="efficiency (0 to 1)"
          kind="none"
          value={charger.efficiency}
          low={0.3}
          high={1}
          onChange={(v) => put(['charger', 'efficiency'], v, 'efficiency')}
        />
        <Figure
          label="power factor"
          kind="none"
          value={charger.powerFactor}
          low={0.3}
          high={1}
          onChange={(v) => put(['charger', 'powerFactor'], v, 'power factor')}
        />
        <Figure
          label="terminals for batteries"
          kind="none"
          value={charger.outputs}
          low={1}
          high={6}
          onChange={(v) => put(['charger', 'outputs'], Math.round(v), 'outputs')}
        />
      </div>
      <Outputs source={source} />
      <p className="mt-1">
        Full output draws <b className="reading font-semibold">{round3(chargerAcA(design, source))} A</b> of AC. It gives 2 % less a degree
        above {show(40, 'C', design.boat)} where it is mounted (typical). Each output to one battery, fused at the battery end; leads
        extended only as its maker says.
      </p>
      <p className="caution mt-2 max-w-[760px]">
        Shore power can kill: unplug before its cover comes off; mount it dry and with air. Local code, the maker&apos;s instructions and
        licensed practice come first.
      </p>
    </>
  );
}

export function DcdcFacts({ source, put }: Own) {
  const { dcdc } = source;
  if (!dcdc) return null;
  return (
    <div className="mt-3 grid grid-cols-6 max-[999px]:grid-cols-3 max-[500px]:grid-cols-2 items-end gap-3">
      <Figure
        label="efficiency (0 to 1)"
        kind="none"
        value={dcdc.efficiency}
        low={0.3}
        high={1}
        onChange={(v) => put(['dcdc', 'efficiency'], v, 'efficiency')}
      />
      <Figure
        label="starts at input"
        kind="V"
        value={dcdc.startV}
        low={1}
        high={80}
        onChange={(v) => put(['dcdc', 'startV'], v, 'start')}
      />
      <Figure label="stops at input" kind="V" value={dcdc.stopV} low={1} high={80} onChange={(v) => put(['dcdc', 'stopV'], v, 'stop')} />
      <Tick label="input and output isolated" value={dcdc.isolated} onChange={(v) => put(['dcdc', 'isolated'], v, 'isolation')} />
    </div>
  );
}

export function SolarFacts({ source, put }: Own) {
  const design = useDesign();
  const { solar } = source;
  if (!solar) return null;
  const units = design.boat;
  const f = arrayFigures(solar, chargingV(design, source));
  const figure = (
    key: keyof typeof solar,
    label: string,
    kind: Parameters<typeof Figure>[0]['kind'],
    low: number,
    high: number,
    whole = false,
  ) => (
    <Figure
      key={key}
      label={label}
      kind={kind}
      value={solar[key] ?? 0}
      low={low}
      high={high}
      onChange={(v) => put(['solar', key], whole ? Math.round(v) : v, label)}
    />
  );
  return (
    <>
      <h3 className="mt-4 font-semibold">The array</h3>
      <div className="mt-1 grid grid-cols-6 max-[999px]:grid-cols-3 max-[500px]:grid-cols-2 items-end gap-3">
        {figure('wp', 'one panel, Wp', 'none', 1, 2000)}
        {figure('series', 'in series', 'none', 1, 12, true)}
        {figure('parallel', 'strings', 'none', 1, 12, true)}
        {figure('derate', 'of that, in use', 'none', 0.1, 1)}
        {figure('vocV', 'open circuit', 'V', 1, 200)}
        {figure('vmpV', 'at most power', 'V', 1, 200)}
        {figure('iscA', 'short circuit', 'A', 0.1, 60)}
        {figure('impA', 'at most power', 'A', 0.1, 60)}
        {figure('vocPctPerC', 'volts by °C, %', 'none', -1, 0)}
        {figure('coldC', 'coldest morning', 'C', -40, 30)}
        {figure('controllerV', 'controller takes', 'V', 10, 1000)}
        {figure('controllerA', 'controller gives', 'A', 1, 400)}
        <OptionalFigure
          label="fuse of a string"
          kind="A"
          value={solar.seriesFuseA}
          low={1}
          high={100}
          onChange={(v) => put(['solar', 'seriesFuseA'], v, 'string fuse')}
        />
        <OptionalFigure
          label="panel’s largest fuse"
          kind="A"
          value={solar.maxFuseA}
          low={1}
          high={100}
          onChange={(v) => put(['solar', 'maxFuseA'], v, 'largest fuse of a panel')}
        />
      </div>
      <p className="mt-1">
        {round3(f.wp)} Wp. On the coldest morning{' '}
        <b className={`reading font-semibold ${f.coldVocV >= solar.controllerV ? 'text-lead' : ''}`}>{show(f.coldVocV, 'V', units)}</b> ={' '}
        {round3(solar.vocV)} × {solar.series} × (1 {solar.vocPctPerC < 0 ? '−' : '+'} {round3(Math.abs(solar.vocPctPerC) / 100)} × (
        {round3(solar.coldC)} − 25)), against {show(solar.controllerV, 'V', units)}. Cables: {show(f.panelSideA, 'A', units)} on the panel
        side, {show(f.batterySideA, 'A', units)} on the battery side (1.25 ×).{' '}
        {f.stringFuseA === null
          ? 'Fewer than three strings: no fuse in each.'
          : `Each string wants a fuse of some ${round3(f.stringFuseA)} A.`}
      </p>
      <p className="caution mt-2 max-w-[760px]">A panel in light is live: cover it, and disconnect the array before the battery.</p>
    </>
  );
}

export function WindFacts({ source, put }: Own) {
  const { wind } = source;
  if (!wind) return null;
  return (
    <>
      <h3 className="mt-4 font-semibold">Power curve</h3>
      <Points
        points={wind.curve.map((p) => ({ id: p.id, x: p.mps, y: p.amps }))}
        names={['m/s', 'A']}
        highs={[60, 500]}
        onChange={(points) =>
          put(
            ['wind', 'curve'],
            points.map((p) => ({ id: p.id, mps: p.x, amps: p.y })),
            'power curve',
          )
        }
      />
      <Tick label="has a brake" value={wind.brake} onChange={(v) => put(['wind', 'brake'], v, 'brake')} />
      <p className="text-[12px] text-quiet">Through a day the wind is spread about its mean (Weibull, k 2).</p>
    </>
  );
}
