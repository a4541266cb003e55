'use client';
import { MARKS, SENSE_AT, SENSORS, SLOPE_UNITS, type Source } from '@/core/design';
import { arrayFigures } from '@/core/charge/solar';
import { chargerAcA, TYPICAL_PATH_OHM } from '@/core/energy/sources';
import { bare, parseNumber, round3, show } from '@/core/quantity';
import { useBoat } from '@/ui/boat/context';
import { usePut } from '@/ui/boat/put';
import { Choice, Entry, Figure, OptionalFigure, Tick, Words } from '@/ui/field';
import { AlternatorFacts } from './AlternatorFacts';

export type PutSource = (path: readonly string[], value: unknown, label: string) => void;

/** One source: where it goes, how it is regulated, and what is particular to its kind. */
export function OneSource({ source, advice }: { source: Source; advice: string }) {
  const { design } = useBoat();
  const root = usePut();
  const put: PutSource = (path, value, label) => root(['sources', source.id, ...path], value, `${label} of ${source.name}`);
  const { regulator: r } = source;
  const banks = { '': 'none', ...Object.fromEntries(design.banks.map((b) => [b.id, b.name])) };
  const bankIds = ['', ...design.banks.map((b) => b.id)];
  const through = design.joins.filter((j) => j.kind !== 'relay');
  const charging = design.loads.filter((l) => l.group === 'charging');
  const volts = (key: 'absorptionV' | 'floatV', label: string) => (
    <Figure label={label} kind="V" value={r[key]} low={1} high={80} onChange={(v) => put(['regulator', key], v, label)} />
  );
  return (
    <section className="mt-4 max-w-[1100px]" aria-label={source.name}>
      <h2 className="border-b-[1.5px] border-ink pb-1 font-semibold">{source.name}</h2>
      {advice ? (
        <p className="mt-1 max-w-[760px]">
          <span className="text-quiet">Output and bank:</span> {advice}.
        </p>
      ) : null}
      <div className="mt-2 grid grid-cols-6 items-end gap-3">
        <Words label="name" value={source.name} onChange={(t) => t && put(['name'], t, 'name')} />
        <Choice
          label="charges"
          value={source.bankId ?? ''}
          options={bankIds}
          names={banks}
          onChange={(v) => put(['bankId'], v || null, 'bank')}
        />
        <Choice
          label="through"
          value={source.joinId ?? ''}
          options={['', ...through.map((j) => j.id)]}
          names={{ '': 'nothing', ...Object.fromEntries(through.map((j) => [j.id, j.name])) }}
          onChange={(v) => put(['joinId'], v || null, 'splitter or selector')}
        />
        <Figure label="rated" kind="A" value={source.ratedA} low={0} high={2000} onChange={(v) => put(['ratedA'], v, 'rating')} />
        <OptionalFigure
          label={source.pathMohm === null ? `path; typical ${TYPICAL_PATH_OHM * 1000}, mΩ` : 'path, mΩ'}
          kind="none"
          value={source.pathMohm}
          low={0}
          high={1000}
          onChange={(v) => put(['pathMohm'], v, 'path')}
        />
        <Choice label="figures are" value={source.mark} options={MARKS} onChange={(v) => put(['mark'], v, 'source of figures')} />
        <Choice
          label="place"
          value={source.placeId ?? ''}
          options={['', ...design.places.map((p) => p.id)]}
          names={{ '': 'none yet', ...Object.fromEntries(design.places.map((p) => [p.id, p.name])) }}
          onChange={(v) => put(['placeId'], v || null, 'place')}
        />
        <Choice
          label="its cable is that of"
          value={source.loadId ?? ''}
          options={['', ...charging.map((l) => l.id)]}
          names={{ '': 'no row yet', ...Object.fromEntries(charging.map((l) => [l.id, l.name])) }}
          onChange={(v) => put(['loadId'], v || null, 'row of the load sheet')}
        />
        <OptionalFigure label="mass" kind="kg" value={source.massKg} low={0} high={1000} onChange={(v) => put(['massKg'], v, 'mass')} />
        <OptionalFigure
          label="price"
          kind="none"
          value={source.price}
          low={0}
          high={10000000}
          onChange={(v) => put(['price'], v, 'price')}
        />
        {source.kind === 'DC–DC' ? (
          <Choice
            label="draws from"
            value={source.fromBankId ?? ''}
            options={bankIds}
            names={banks}
            onChange={(v) => put(['fromBankId'], v || null, 'input')}
          />
        ) : null}
      </div>
      <h3 className="mt-4 font-semibold">Regulation</h3>
      <div className="mt-1 grid grid-cols-6 items-end gap-3">
        <Tick label="three stages" value={r.staged} onChange={(v) => put(['regulator', 'staged'], v, 'stages')} />
        {volts('absorptionV', r.staged ? 'absorption' : 'fixed at')}
        {r.staged ? volts('floatV', 'float') : null}
        <OptionalFigure
          label="equalise (empty: off)"
          kind="V"
          value={r.equaliseV}
          low={1}
          high={85}
          onChange={(v) => put(['regulator', 'equaliseV'], v, 'equalise')}
        />
        <Choice label="senses at" value={r.sense} options={SENSE_AT} onChange={(v) => put(['regulator', 'sense'], v, 'sense')} />
        <Choice label="sensor" value={r.sensor} options={SENSORS} onChange={(v) => put(['regulator', 'sensor'], v, 'sensor')} />
        <Figure
          label="slope"
          kind="none"
          value={r.slope.value}
          low={-2000}
          high={2000}
          onChange={(v) => put(['regulator', 'slope'], { ...r.slope, value: v }, 'slope')}
        />
        <Choice
          label="slope is in"
          value={r.slope.unit}
          options={SLOPE_UNITS}
          onChange={(unit) => put(['regulator', 'slope'], { ...r.slope, unit }, 'slope')}
        />
        <Figure label="tapers over" kind="V" value={r.bandV} low={0.01} high={2} onChange={(v) => put(['regulator', 'bandV'], v, 'band')} />
        <Figure
          label="tolerance"
          kind="V"
          value={r.toleranceV}
          low={0}
          high={2}
          onChange={(v) => put(['regulator', 'toleranceV'], v, 'tolerance')}
        />
        {r.staged ? (
          <>
            <OptionalFigure
              label="tail (empty: the bank's)"
              kind="A"
              value={r.tailA}
              low={0.1}
              high={500}
              onChange={(v) => put(['regulator', 'tailA'], v, 'tail')}
            />
            <Figure
              label="absorption at least, min"
              kind="none"
              value={r.minMin}
              low={0}
              high={600}
              onChange={(v) => put(['regulator', 'minMin'], v, 'time')}
            />
            <Figure
              label="at most, min"
              kind="none"
              value={r.maxMin}
              low={1}
              high={1440}
              onChange={(v) => put(['regulator', 'maxMin'], v, 'time')}
            />
            <OptionalFigure
              label="bulk again below"
              kind="V"
              value={r.rebulkV}
              low={1}
              high={70}
              onChange={(v) => put(['regulator', 'rebulkV'], v, 'bulk again')}
            />
            <Figure
              label="for, min"
              kind="none"
              value={r.rebulkMin}
              low={0}
              high={240}
              onChange={(v) => put(['regulator', 'rebulkMin'], v, 'bulk again')}
            />
          </>
        ) : null}
        <Tick
          label="safe when its sensor is lost"
          value={r.safeOnSensorLoss}
          onChange={(v) => put(['regulator', 'safeOnSensorLoss'], v, 'sensor loss')}
        />
      </div>
      {source.alternator ? <AlternatorFacts source={source} put={put} /> : null}
      {source.charger ? <ChargerFacts source={source} put={put} /> : null}
      {source.dcdc ? <DcdcFacts source={source} put={put} /> : null}
      {source.solar ? <SolarFacts source={source} put={put} /> : null}
      {source.wind ? <WindFacts source={source} put={put} /> : null}
    </section>
  );
}

interface Own {
  readonly source: Source;
  readonly put: PutSource;
}

function ChargerFacts({ source, put }: Own) {
  const { design } = useBoat();
  const { charger } = source;
  if (!charger) return null;
  return (
    <>
      <div className="mt-3 grid grid-cols-6 items-end gap-3">
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
          label="outputs"
          kind="none"
          value={charger.outputs}
          low={1}
          high={6}
          onChange={(v) => put(['charger', 'outputs'], Math.round(v), 'outputs')}
        />
      </div>
      <p className="mt-1">
        Full output draws <b className="reading font-semibold">{round3(chargerAcA(design, source))} A</b> of AC. It gives 2 % less a degree
        above 40 °C where it stands (typical). Each output to one battery, fused at the battery end; leads extended only as its maker says.
      </p>
      <p className="caution mt-2 max-w-[760px]">
        Shore power can kill: unplug before its cover comes off; mount it dry and with air. Local code, the maker&apos;s instructions and
        licensed practice come first.
      </p>
    </>
  );
}

function DcdcFacts({ source, put }: Own) {
  const { dcdc } = source;
  if (!dcdc) return null;
  return (
    <div className="mt-3 grid grid-cols-6 items-end gap-3">
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
    </div>
  );
}

function SolarFacts({ source, put }: Own) {
  const { design } = useBoat();
  const { solar } = source;
  if (!solar) return null;
  const units = design.boat;
  const f = arrayFigures(solar, (14 * units.systemV) / 12);
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
      <div className="mt-1 grid grid-cols-6 items-end gap-3">
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

function WindFacts({ source, put }: Own) {
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

interface Point {
  readonly id: string;
  readonly x: number;
  readonly y: number;
}

/** A curve typed point by point. */
export function Points({
  points,
  names,
  highs,
  onChange,
}: {
  points: readonly Point[];
  names: readonly [string, string];
  highs: readonly [number, number];
  onChange: (points: readonly Point[]) => void;
}) {
  const { design } = useBoat();
  const field = (p: Point, key: 'x' | 'y', high: number, label: string) => (
    <Entry
      label={label}
      mono
      value={bare(p[key], 'none', design.boat)}
      parse={(t) => parseNumber(t, 'none', design.boat, 0, high)}
      onChange={(t) => {
        const parsed = parseNumber(t, 'none', design.boat, 0, high);
        if (parsed.ok) onChange(points.map((q) => (q.id === p.id ? { ...q, [key]: parsed.value } : q)));
      }}
    />
  );
  const next = () => {
    let n = points.length + 1;
    while (points.some((p) => p.id === `c${n}`)) n++;
    return `c${n}`;
  };
  return (
    <div className="mt-1 flex flex-wrap items-end gap-2">
      {points.map((p) => (
        <div key={p.id} className="w-[72px]">
          {field(p, 'x', highs[0], names[0])}
          {field(p, 'y', highs[1], names[1])}
          <button
            type="button"
            className="plain text-[11.5px]"
            aria-label={`Remove the point at ${p.x} ${names[0]}`}
            onClick={() => onChange(points.filter((q) => q.id !== p.id))}
          >
            remove
          </button>
        </div>
      ))}
      <button
        type="button"
        className="act"
        disabled={points.length >= 24}
        onClick={() => {
          const last = points[points.length - 1];
          onChange([...points, { id: next(), x: (last?.x ?? 0) + 500, y: last?.y ?? 0 }]);
        }}
      >
        add a point
      </button>
    </div>
  );
}
