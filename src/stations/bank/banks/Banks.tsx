'use client';
import { MARKS, round3, show, unitOf, type Units, small } from '@/core/quantity';
import { addOp, type Bank, BANK_JOBS, blankBank, CHEMISTRY_IDS, dropOp, SLOPE_UNITS, rowOf, usualBankPlace } from '@/core/design';
import { fitCount } from '@/core/mounting';
import { bankMass, c20Ah, chemistryOf } from '@/core/bank';
import { bankOfLoads } from '@/core/topology';
import { BATTERY_CASES, CHEMISTRIES } from '@/core/rules';
import { useState } from 'react';
import type { Cranks } from '@/workers/analysis.worker';
import { useAsked, useDesign, useFreshId, useStore } from '@/ui/boat/context';
import { usePut } from '@/ui/boat/put';
import { Choice, Figure, OptionalFigure, Tick, Words } from '@/ui/field';
import { NextSteps } from '@/ui/next/NextSteps';

const MOUNTING = [
  ['held', 'held down'],
  ['covered', 'posts covered'],
  ['vented', 'aired'],
] as const;
const SEEN = { null: 'not looked at', true: 'yes', false: 'no' } as const;
const NAMES = Object.fromEntries(CHEMISTRY_IDS.map((id) => [id, CHEMISTRIES[id].name]));
const JOBS = { house: 'the house', start: 'starting', own: 'one job of its own' } as const;

const CASES = { '': 'as its maker says', ...Object.fromEntries(BATTERY_CASES.map((x) => [x.name, `${x.name}, ${x.market}`])) };

type SheetKey = Exclude<keyof Bank['sheet'], 'slope'>;

/** Every bank: what it is made of, its maker's figures or the typical ones, its box, its BMS, what it turns over. */
export function Banks() {
  const design = useDesign();
  const store = useStore();
  const fresh = useFreshId();
  const put = usePut();
  const [id, setId] = useState<string | null>(null);
  const bank = rowOf(design.banks, id) ?? design.banks[0];
  const add = () => {
    const next = fresh('b');
    store.edit('add a bank', [
      addOp(design, 'banks', {
        ...blankBank(next, design.boat.systemV, usualBankPlace(design.places)),
        ...(design.banks.length > 0 ? { name: 'Start battery', job: 'start' as const, strings: 1, blockAh: 80 } : {}),
      }),
    ]);
    setId(next);
  };
  return (
    <div className="pt-2">
      <p className="flex flex-wrap gap-4">
        {design.banks.map((b) => (
          <button
            key={b.id}
            type="button"
            aria-pressed={b.id === bank?.id}
            className={b.id === bank?.id ? 'border-b-2 border-verdigris font-semibold' : 'plain'}
            onClick={() => setId(b.id)}
          >
            {b.name}
          </button>
        ))}
        <button type="button" className="act" disabled={design.banks.length >= 12} onClick={add}>
          add a bank
        </button>
      </p>
      {bank ? <OneBank key={bank.id} bank={bank} put={(p, v, l) => put(['banks', bank.id, ...p], v, `${l} of ${bank.name}`)} /> : null}
      {bank ? (
        <button
          type="button"
          className="plain mt-4"
          disabled={design.circuits.some((c) => c.from.kind === 'bank' && c.from.id === bank.id)}
          aria-description={
            design.circuits.some((c) => c.from.kind === 'bank' && c.from.id === bank.id)
              ? 'Circuits start at it: move them first'
              : undefined
          }
          onClick={() => store.edit(`remove ${bank.name}`, [dropOp(design, 'banks', bank.id)])}
        >
          remove {bank.name}
        </button>
      ) : (
        <div className="mt-3 max-w-[520px]">
          <p>None yet. A first bank gives fault currents, sag, hours without a source, and a day to look at.</p>
          <NextSteps />
        </div>
      )}
    </div>
  );
}

function OneBank({ bank, put }: { bank: Bank; put: (path: string[], value: unknown, label: string) => void }) {
  const design = useDesign();
  const units = design.boat;
  // A coefficient is by a degree of the boat's own.
  const [slopeUnit, perDegree] = units.tempUnit === 'F' ? (['mV/°F cell', 1 / 1.8] as const) : (['mV/°C cell', 1] as const);
  const c = chemistryOf(bank);
  const times = (bank.blockV * bank.series) / 12;
  const mass = bankMass(bank);
  const cranks = useAsked(`cranking:${bank.id}`, (r) => r.cranking(bank.id));
  const roots = bankOfLoads(design);
  const loads = design.loads.filter((l) => roots.get(l.id) === bank.id).length;
  const sources = design.sources.filter((s) => s.bankId === bank.id);
  const sheet = (
    key: SheetKey,
    label: string,
    kind: Parameters<typeof Figure>[0]['kind'],
    typical: number | null,
    low: number,
    high: number,
  ) => (
    <OptionalFigure
      key={key}
      label={`${label}${bank.sheet[key] === null && typical !== null ? `; typical ${round3(unitOf(kind, units).to(typical))}` : ''}`}
      kind={kind}
      value={bank.sheet[key]}
      low={low}
      high={high}
      onChange={(v) => put(['sheet', key], v, label)}
    />
  );
  return (
    <div className="mt-3 grid grid-cols-[minmax(0,1fr)_300px] max-[999px]:grid-cols-1 gap-10">
      <div>
        <div className="grid grid-cols-4 max-[999px]:grid-cols-2 items-end gap-3">
          <Words label="bank" value={bank.name} onChange={(t) => t && put(['name'], t, 'name')} />
          <Choice label="for" value={bank.job} options={BANK_JOBS} names={JOBS} onChange={(v) => put(['job'], v, 'job')} />
          {bank.job === 'own' ? (
            <Tick label="isolated: on no common negative" value={bank.isolated} onChange={(v) => put(['isolated'], v, 'isolation')} />
          ) : null}
          <Choice
            label="chemistry"
            value={bank.chemistry}
            options={CHEMISTRY_IDS}
            names={NAMES}
            onChange={(v) => put(['chemistry'], v, 'chemistry')}
          />
          <Choice label="figures are" value={bank.mark} options={MARKS} onChange={(v) => put(['mark'], v, 'source of figures')} />
          <Choice
            label="block, V"
            value={String(bank.blockV)}
            options={['2', '6', '12', '24', '48']}
            onChange={(v) => put(['blockV'], Number(v), 'block volts')}
          />
          <Figure label="block" kind="Ah" value={bank.blockAh} low={1} high={5000} onChange={(v) => put(['blockAh'], v, 'capacity')} />
          <Figure label="labelled over" kind="h" value={bank.ratedH} low={0.5} high={120} onChange={(v) => put(['ratedH'], v, 'rate')} />
          <Choice
            label="place"
            value={bank.placeId ?? ''}
            options={['', ...design.places.map((p) => p.id)]}
            names={{ '': 'none yet', ...Object.fromEntries(design.places.map((p) => [p.id, p.name])) }}
            onChange={(v) => put(['placeId'], v === '' ? null : v, 'place')}
          />
          <Figure
            label="blocks in series"
            kind="none"
            value={bank.series}
            low={1}
            high={24}
            onChange={(v) => put(['series'], Math.round(v), 'series')}
          />
          <Figure
            label="strings in parallel"
            kind="none"
            value={bank.strings}
            low={1}
            high={16}
            onChange={(v) => put(['strings'], Math.round(v), 'strings')}
          />
          {bank.strings > 1 ? (
            <OptionalFigure
              label="fuse at each string"
              kind="A"
              value={bank.stringFuseA}
              low={1}
              high={2000}
              onChange={(v) => put(['stringFuseA'], v, 'fuse at each string')}
            />
          ) : null}
          <OptionalFigure
            label="own temperature"
            kind="C"
            value={bank.tempC}
            low={-30}
            high={60}
            onChange={(v) => put(['tempC'], v, 'temperature')}
          />
          <OptionalFigure
            label="price as paid"
            kind="none"
            value={bank.price}
            low={0}
            high={10000000}
            onChange={(v) => put(['price'], v, 'price')}
          />
        </div>
        <h2 className="mt-4 font-semibold">Its maker&apos;s sheet</h2>
        <p className="text-[12px] text-quiet">
          Empty: typical of the chemistry, as told beside the name. Volts of the whole bank at {show(25, 'C', design.boat)}.
        </p>
        <div className="mt-1 grid grid-cols-4 max-[999px]:grid-cols-2 items-end gap-3">
          {sheet('absorptionV', 'absorption', 'V', c.absorptionV * times, 2, 70)}
          {sheet('floatV', 'float', 'V', c.floatV * times, 2, 70)}
          {sheet('equaliseV', 'equalise', 'V', c.equaliseV === null ? null : c.equaliseV * times, 2, 75)}
          {sheet('maxChargeA', 'largest charge', 'A', c.maxChargeC * c20Ah(bank), 0.5, 5000)}
          {sheet('maxFuseA', 'largest fuse before it', 'A', null, 1, 2000)}
          {sheet('peukert', 'Peukert exponent', 'none', c.peukert, 1, 1.6)}
          {sheet('windowLowSoc', 'window from (0 to 1)', 'none', c.windowLowSoc, 0, 0.95)}
          {sheet('windowHighSoc', 'window to', 'none', c.windowHighSoc, 0.05, 1)}
          {sheet('cycles', 'cycles through it', 'none', c.cyclesAtWindow, 10, 20000)}
          {sheet('chargeEffBulk', 'efficiency to 80 %', 'none', c.chargeEffBulk, 0.5, 1)}
          {sheet('chargeEffFull', 'efficiency at full', 'none', c.chargeEffFull, 0.3, 1)}
          {sheet('tailPct', 'tail, % of capacity', 'none', null, 0.1, 20)}
          {sheet('selfDischargePctMonth', 'loses a month', 'pct', c.selfDischargePctMonth, 0, 50)}
          {sheet('mohm', 'block, mΩ', 'none', (c.ohmPer100Ah * 1000 * 100 * bank.blockV) / 12 / bank.blockAh, 0.05, 500)}
          {sheet('massKg', 'block', 'kg', mass.kg / (bank.series * bank.strings), 0.2, 2000)}
          <OptionalFigure
            label={`slope${bank.sheet.slope ? '' : `; typical ${round3(c.slopeMvPerCCell * perDegree)} ${slopeUnit}`}`}
            kind="none"
            value={bank.sheet.slope?.value ?? null}
            low={-2000}
            high={2000}
            onChange={(v) => put(['sheet', 'slope'], v === null ? null : { value: v, unit: bank.sheet.slope?.unit ?? slopeUnit }, 'slope')}
          />
          {bank.sheet.slope ? (
            <Choice
              label="slope is in"
              value={bank.sheet.slope.unit}
              options={SLOPE_UNITS}
              onChange={(unit) => put(['sheet', 'slope'], { value: bank.sheet.slope?.value ?? 0, unit }, 'slope')}
            />
          ) : null}
        </div>
        <h2 className="mt-4 font-semibold">Its box</h2>
        <div className="mt-1 grid grid-cols-6 max-[999px]:grid-cols-3 max-[500px]:grid-cols-2 items-end gap-3">
          <Choice
            label="case of the trade"
            value={BATTERY_CASES.find((x) => x.lengthMm === bank.sheet.lengthMm && x.widthMm === bank.sheet.widthMm)?.name ?? ''}
            options={['', ...BATTERY_CASES.map((x) => x.name)]}
            names={CASES}
            onChange={(name) => {
              const cased = BATTERY_CASES.find((x) => x.name === name);
              if (cased)
                put(['sheet'], { ...bank.sheet, lengthMm: cased.lengthMm, widthMm: cased.widthMm, heightMm: cased.heightMm }, 'case');
            }}
          />
          {sheet('lengthMm', 'block long', 'mm', null, 10, 3000)}
          {sheet('widthMm', 'block wide', 'mm', null, 10, 3000)}
          {sheet('heightMm', 'block high', 'mm', null, 10, 3000)}
          {(['lengthMm', 'widthMm', 'heightMm'] as const).map((key, i) => (
            <OptionalFigure
              key={key}
              label={`box inside ${['long', 'wide', 'high'][i] ?? ''}`}
              kind="mm"
              value={bank.box?.[key] ?? null}
              low={10}
              high={5000}
              onChange={(v) =>
                put(['box'], v === null ? null : { ...(bank.box ?? { lengthMm: v, widthMm: v, heightMm: v }), [key]: v }, 'box')
              }
            />
          ))}
        </div>
        <p className="mt-1">
          {bank.box && bank.sheet.lengthMm !== null && bank.sheet.widthMm !== null && bank.sheet.heightMm !== null
            ? `The box takes ${fitCount(bank.box, { lengthMm: bank.sheet.lengthMm, widthMm: bank.sheet.widthMm, heightMm: bank.sheet.heightMm })} blocks upright with ${small(10, design.boat)} of air; the bank has ${bank.series * bank.strings}.`
            : 'With the block’s and the box’s sizes it is told whether they fit.'}
        </p>
        <h2 className="mt-4 font-semibold">How it stands</h2>
        <div className="grid grid-cols-3 items-end gap-3">
          {MOUNTING.map(([fact, label]) => (
            <Choice
              key={fact}
              label={label}
              value={SEEN[String(bank.mounting[fact]) as keyof typeof SEEN]}
              options={['not looked at', 'yes', 'no']}
              onChange={(v) => put(['mounting', fact], v === 'not looked at' ? null : v === 'yes', label)}
            />
          ))}
        </div>
        <h2 className="mt-4 font-semibold">BMS</h2>
        <Tick
          label="disconnects by itself"
          value={bank.bms !== null}
          onChange={(on) =>
            put(
              ['bms'],
              on ? { overV: 14.8 * times, underV: 10.8 * times, lowChargeC: 0, toleranceV: 0.05 * times, warns: false } : null,
              'BMS',
            )
          }
        />
        {bank.bms ? (
          <div className="grid grid-cols-5 max-[999px]:grid-cols-3 max-[500px]:grid-cols-2 items-end gap-3">
            <Figure
              label="opens above"
              kind="V"
              value={bank.bms.overV}
              low={2}
              high={80}
              onChange={(v) => put(['bms', 'overV'], v, 'BMS')}
            />
            <Figure
              label="opens below"
              kind="V"
              value={bank.bms.underV}
              low={2}
              high={70}
              onChange={(v) => put(['bms', 'underV'], v, 'BMS')}
            />
            <Figure
              label="tolerance"
              kind="V"
              value={bank.bms.toleranceV}
              low={0}
              high={2}
              onChange={(v) => put(['bms', 'toleranceV'], v, 'BMS')}
            />
            <Figure
              label="no charge below"
              kind="C"
              value={bank.bms.lowChargeC}
              low={-30}
              high={20}
              onChange={(v) => put(['bms', 'lowChargeC'], v, 'BMS')}
            />
            <Tick label="warns before it opens" value={bank.bms.warns} onChange={(v) => put(['bms', 'warns'], v, 'BMS')} />
          </div>
        ) : null}
      </div>
      <div>
        <h2 className="font-semibold">What it comes to</h2>
        <dl className="grid grid-cols-[1fr_auto] gap-y-1">
          <Line name="C20 of the bank" value={show(c20Ah(bank), 'Ah', units)} />
          <Line name="usable" value={show(c20Ah(bank) * (c.windowHighSoc - c.windowLowSoc), 'Ah', units)} />
          <Line name={mass.makers ? 'mass' : 'mass, typical'} value={show(mass.kg, 'kg', units)} />
          <Line name="loads on it" value={String(loads)} />
          <Line name="charged by" value={sources.length > 0 ? sources.map((s) => s.name).join(', ') : 'nothing yet'} />
          <Line name="posts" value={bank.mark} />
        </dl>
        {cranks ? <CrankFacts cranks={cranks} pathMohm={design.engine.crankPathMohm} units={units} /> : null}
        <p className="caution mt-3">
          Restrain it, cover its posts, vent lead-acid. A short circuit burns at thousands of amps: rings and watches off, insulated tools.
          Local code, the maker&apos;s instructions and licensed practice come first.
        </p>
      </div>
    </div>
  );
}

function Line({ name, value, bad = false }: { name: string; value: string; bad?: boolean }) {
  return (
    <>
      <dt className="text-quiet">{name}</dt>
      <dd className={`reading text-right ${bad ? 'font-semibold text-lead' : ''}`}>{value}</dd>
    </>
  );
}

function CrankFacts({ cranks: { crank, leastAh }, pathMohm, units }: { cranks: Cranks; pathMohm: number; units: Units }) {
  return (
    <>
      <h2 className="mt-4 font-semibold">Cranking from it at {show(crank.coldC, 'C', units)}</h2>
      <dl className="grid grid-cols-[1fr_auto] gap-y-1">
        <Line name="starter draws" value={show(crank.crankA, 'A', units)} />
        <Line name="volts at the starter, full" value={show(crank.starterV, 'V', units)} bad={crank.starterV < crank.minV} />
        <Line name="it wants" value={show(crank.minV, 'V', units)} />
        <Line name="one start counts as" value={show(crank.startAh, 'Ah', units)} />
        <Line name="starts in a row" value={`${crank.starts} of ${crank.wanted} wanted`} bad={crank.starts < crank.wanted} />
        <Line name="turns it down to" value={crank.leastSoc === null ? 'not even full' : `${Math.round(100 * crank.leastSoc)} %`} />
        <Line name="least that does" value={leastAh === null ? 'none to 2000 Ah' : show(leastAh, 'Ah', units)} />
        <Line name="cranking amps of the bank" value={show(crank.coldCrankA, 'A', units)} bad={crank.coldCrankA < crank.crankA} />
      </dl>
      <p className="mt-1 text-[12px] text-quiet">
        Rest volts less the bank&apos;s cold resistance and {round3(pathMohm)} mΩ of path. The engine&apos;s figures are under Charging.
      </p>
    </>
  );
}
