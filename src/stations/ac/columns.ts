/** Columns of the AC sheets: appliances, panels, runs. */
import { bare, MARKS, parseChoice, type Parsed, parseNumber, parseOptional, round3, show, sizeName, unitOf } from '@/core/quantity';
import { type AcCircuitResult, wattsOf } from '@/core/ac';
import {
  AC_CABLES,
  AC_LEGS,
  type AcCircuit,
  type AcLoad,
  type AcPanel,
  type Design,
  LEAKAGES,
  parseSize,
  TRANSFERS,
  rowOf,
} from '@/core/design';
import { newRing, ringWords } from '@/core/topology';
import type { Column } from '@/ui/sheet/types';
import { cellsOf, hoursColumns, map } from '@/ui/sheet/cells';

/** A typed figure is no longer the list's typical one; until its source is stated it counts as estimated. */
const typed = (row: AcLoad): Pick<AcLoad, 'mark'> => ({ mark: row.mark === 'typical' ? 'estimated' : row.mark });

export function applianceColumns(design: Pick<Design, 'boat' | 'banks' | 'living' | 'places' | 'sources'>): Column<AcLoad>[] {
  const units = design.boat;
  const c = cellsOf<AcLoad>(units);
  const charged = (r: AcLoad) => r.chargerId !== null;
  return [
    c.words('name', 'appliance', 178, 'One row is one appliance', true),
    {
      key: 'watts',
      title: 'W',
      hint: 'On its plate, or measured. A charger’s follows from the Charging station',
      width: 58,
      align: 'right',
      mono: true,
      text: (r) => bare(charged(r) ? Math.round(wattsOf(design, r).watts) : r.watts, 'W', units),
      tone: (r) => (charged(r) ? 'quiet' : r.mark),
      sort: (r) => wattsOf(design, r).watts,
      write: (r, text) =>
        charged(r)
          ? { ok: false, message: 'a charger’s watts follow from its amps on the Charging station' }
          : map(parseNumber(text, 'W', units, 0, 50000), (watts) => ({ watts, ...typed(r) })),
    },
    {
      ...c.figure('powerFactor', 'cos φ', 'none', 0, 1, 54, 'Power factor: 1 for what heats, 0.6 to 0.9 for motors and electronics'),
      text: (r) => bare(wattsOf(design, r).powerFactor, 'none', units),
      tone: (r) => (r.powerFactor <= 0 ? 'breaks' : charged(r) ? 'quiet' : r.mark),
    },
    c.optional('surgeVa', 'start, VA', 'none', 0, 200000, 70, 'Taken while it starts; empty: no more than it runs on', (r) =>
      r.surgeVa === null ? undefined : r.mark,
    ),
    c.optional('surgeS', 'for, s', 's', 0.01, 120, 52, 'How long the start lasts'),
    c.yesNo('motor', 'motor', 52, 'A motor or compressor'),
    c.yesNo('runsLong', 'long', 46, 'Runs for more than three hours: counts as continuous'),
    c.choice('leg', 'leg', AC_LEGS, 54, 'Of a split service: first, second, or both for 240 V'),
    c.thing('placeId', 'place', design.places, 106, 'Where it is'),
    ...hoursColumns<AcLoad>(design),
    c.words('notWith', 'not with', 76, 'Of appliances with the same word only one may run'),
    {
      ...c.figure('keep', 'keep', 'none', 1, 9, 44, '1 is switched off first, 9 last'),
      write: (_, text) => map(parseNumber(text, 'none', units, 1, 9), (x) => ({ keep: Math.round(x) })),
    },
    c.choice('mark', 'figures are', MARKS, 84, 'Where its figures come from'),
    c.words('note', 'note', 160, '', false, 2000),
  ];
}

export function panelColumns(design: Pick<Design, 'boat' | 'places' | 'panels'>): Column<AcPanel>[] {
  const c = cellsOf<AcPanel>(design.boat);
  return [
    c.words('name', 'panel', 150, '', true),
    c.thing('placeId', 'place', design.places, 120, 'Where it hangs'),
    c.choice('transfer', 'transfer', TRANSFERS, 80, 'How it is put on one of several feeds: none, by hand, by a relay'),
    c.yesNo('switchesNeutral', 'neutral too', 78, 'The transfer opens the neutral with the live'),
    c.yesNo('polarityIndicator', 'polarity', 66, 'A light that tells live and neutral changed over'),
    c.yesNo('barsApart', 'bars apart', 76, 'Neutral and earth on bars of their own'),
    c.yesNo('linked', 'link found', 74, 'A link between neutral and earth sits in it, as found'),
    c.thing('besideDcId', 'beside DC', design.panels, 110, 'A DC panel in the same case; empty: none'),
    c.yesNo('barrier', 'barrier', 62, 'A barrier between the AC and the DC side'),
    {
      key: 'ways',
      title: 'ways',
      hint: 'Of its body; empty: as many as it has runs',
      width: 48,
      align: 'right',
      mono: true,
      text: (r) => (r.ways === null ? '' : String(r.ways)),
      show: (r) => (r.ways === null ? '·' : String(r.ways)),
      write: (_, text) => map(parseOptional(text, 'none', design.boat, 1, 60), (x) => ({ ways: x === null ? null : Math.round(x) })),
    },
    c.figure(
      'pitchMm',
      `pitch, ${unitOf('mm', design.boat).name}`,
      'mm',
      6,
      80,
      66,
      'From the middle of one way to the next: its legend strip prints to it',
    ),
    c.yesNo('opens', 'opens', 54, 'Its front opens: what lands on it has slack for that'),
  ];
}

export interface RunRow extends AcCircuit {
  readonly result: AcCircuitResult | undefined;
}

/** @param results of these runs, or of some of them. */
export function runRows(circuits: Design['acCircuits'], results: readonly AcCircuitResult[]): RunRow[] {
  const resultOf = new Map(results.map((r) => [r.id, r]));
  return circuits.map((c) => ({ ...c, result: resultOf.get(c.id) }));
}

const NONE = 'branch';

export function runColumns(design: Design): Column<RunRow>[] {
  const units = design.boat;
  const c = cellsOf<RunRow>(units);
  const begins = [
    ...design.acSources.map((s) => ({ name: s.name, from: { kind: 'source' as const, id: s.id } })),
    ...design.acPanels.map((p) => ({ name: p.name, from: { kind: 'panel' as const, id: p.id } })),
  ];
  const ends = [
    { name: NONE, to: null },
    ...design.acPanels.map((p) => ({ name: p.name, to: { kind: 'panel' as const, id: p.id } })),
    ...design.acSources
      .filter((s) => s.kind === 'inverter')
      .map((s) => ({ name: `input of ${s.name}`, to: { kind: 'inverter' as const, id: s.id } })),
  ];
  /** Refused where the run would close a ring of panels and machines that feed themselves. */
  const unlooped = (r: RunRow, change: Partial<Pick<RunRow, 'from' | 'to'>>): Parsed<Partial<RunRow>> => {
    const ring = newRing(design, { ...design, acCircuits: design.acCircuits.map((x) => (x.id === r.id ? { ...x, ...change } : x)) });
    return ring ? { ok: false, message: `it would feed itself: ${ringWords(design, ring)}` } : { ok: true, value: change };
  };
  const broken = (r: RunRow, test: string) => r.result?.failing.includes(test) ?? false;
  return [
    c.words('no', 'no', 40, 'Number on its label'),
    c.words('name', 'run', 142, '', true),
    {
      key: 'size',
      title: 'cores, size',
      hint: 'Cores and the size of each, earth as heavy as live; type a size to pin it, empty to unpin',
      width: 96,
      mono: true,
      text: (r) => (r.size ? sizeName(r.size.school, r.size.size) : ''),
      show: (r) => (r.result ? `${r.result.cores.length} × ${sizeName(r.result.conductor.school, r.result.conductor.size)}` : '–'),
      tone: (r) => ((r.result?.failing.length ?? 0) > 0 ? 'breaks' : r.size ? 'pinned' : undefined),
      sort: (r) => r.result?.conductor.areaMm2 ?? 0,
      write: (_, text) => (text.trim() === '' ? { ok: true, value: { size: null } } : map(parseSize(text, units), (size) => ({ size }))),
    },
    {
      key: 'ratingA',
      title: 'breaker, A',
      hint: 'The choice; type one to pin it, empty to unpin',
      width: 70,
      align: 'right',
      mono: true,
      text: (r) => bare(r.ratingA, 'A', units),
      show: (r) => (r.result ? round3(r.result.ratingA) : '–'),
      tone: (r) => (r.ratingA !== null ? 'pinned' : undefined),
      sort: (r) => r.result?.ratingA ?? 0,
      write: (_, text) => map(parseOptional(text, 'A', units, 1, 400), (ratingA) => ({ ratingA })),
    },
    {
      key: 'drop',
      title: 'drop, %',
      hint: 'Feeder and branch, aboard; 3 % is the most',
      width: 56,
      align: 'right',
      mono: true,
      text: (r) => (r.result ? round3(r.result.dropPct) : '–'),
      tone: (r) => (broken(r, 'drop') ? 'breaks' : undefined),
      sort: (r) => r.result?.dropPct ?? 0,
    },
    {
      key: 'fault',
      title: 'a live case is cut by',
      hint: 'On the worst of its sources',
      width: 132,
      text: (r) => {
        const worst =
          r.result?.faults.find((f) => f.cutBy === 'nothing') ??
          r.result?.faults.find((f) => f.cutBy === 'residual current') ??
          r.result?.faults[0];
        return !worst ? 'no source' : worst.cutBy === 'breaker' ? `breaker, ${round3(worst.opensS)} s` : worst.cutBy;
      },
      tone: (r) => (r.result?.faults.some((f) => f.cutBy === 'nothing') ? 'breaks' : 'quiet'),
    },
    {
      key: 'lengthM',
      title: 'run',
      unit: unitOf('m', units).name,
      hint: 'A typed length is a taped one; empty goes back to the estimate',
      width: 48,
      align: 'right',
      mono: true,
      text: (r) => bare(r.lengthM, 'm', units),
      show: (r) => (r.result ? show(r.result.lengthM, 'm', units).replace(/ .*/, '') : '–'),
      tone: (r) => (r.lengthM === null ? 'estimated' : 'measured'),
      sort: (r) => r.result?.lengthM ?? 0,
      write: (_, text) => map(parseOptional(text, 'm', units, 0.1, 120), (lengthM) => ({ lengthM })),
    },
    {
      key: 'leakageMa',
      title: 'trips at, mA',
      hint: 'Residual current that opens it: 5, 10 or 30; empty: none',
      width: 80,
      align: 'right',
      mono: true,
      text: (r) => (r.leakageMa === null ? '' : String(r.leakageMa)),
      show: (r) => (r.leakageMa === null ? '·' : String(r.leakageMa)),
      write: (_, text) => {
        const ma = LEAKAGES.find((x) => String(x) === text.trim());
        if (text.trim() === '') return { ok: true, value: { leakageMa: null } };
        return ma ? { ok: true, value: { leakageMa: ma } } : { ok: false, message: '5, 10 or 30 mA, or empty' };
      },
    },
    {
      key: 'poles',
      title: 'poles',
      hint: 'Conductors its device opens: 1 live alone, 2 neutral too',
      width: 46,
      align: 'right',
      mono: true,
      text: (r) => String(r.poles),
      write: (_, text) => map(parseNumber(text, 'none', units, 1, 3), (x) => ({ poles: Math.round(x) })),
    },
    {
      key: 'from',
      title: 'from',
      width: 112,
      options: begins.map((b) => b.name),
      text: (r) => begins.find((b) => b.from.kind === r.from.kind && b.from.id === r.from.id)?.name ?? 'gone',
      tone: (r) => (begins.some((b) => b.from.id === r.from.id) ? undefined : 'breaks'),
      write: (r, text) => {
        const name = parseChoice(
          text,
          begins.map((b) => b.name),
        );
        return name.ok ? unlooped(r, { from: begins.find((b) => b.name === name.value)?.from ?? { kind: 'panel', id: '' } }) : name;
      },
    },
    {
      key: 'to',
      title: 'to',
      width: 112,
      options: ends.map((e) => e.name),
      text: (r) => ends.find((e) => e.to?.kind === r.to?.kind && e.to?.id === r.to?.id)?.name ?? 'gone',
      write: (r, text) => {
        const name = parseChoice(
          text,
          ends.map((e) => e.name),
        );
        return name.ok ? unlooped(r, { to: ends.find((e) => e.name === name.value)?.to ?? null }) : name;
      },
    },
    {
      key: 'loadIds',
      title: 'serves',
      hint: 'Appliances by name, with semicolons between',
      width: 150,
      text: (r) => r.loadIds.map((id) => rowOf(design.acLoads, id)?.name ?? 'gone').join('; '),
      write: (_, text) => {
        const names = text
          .split(';')
          .map((t) => t.trim())
          .filter(Boolean);
        const rows = names.map((n) => design.acLoads.find((l) => l.name.toLowerCase() === n.toLowerCase()));
        const missing = names.find((_n, i) => !rows[i]);
        if (missing !== undefined) return { ok: false, message: `there is no appliance "${missing.slice(0, 24)}"` };
        return { ok: true, value: { loadIds: [...new Set(rows.flatMap((l) => (l ? [l.id] : [])))] } };
      },
    },
    {
      ...c.figure('outlets', 'outlets', 'none', 0, 30, 56, 'How many'),
      write: (_, text) => map(parseNumber(text === '' ? '0' : text, 'none', units, 0, 30), (x) => ({ outlets: Math.round(x) })),
    },
    c.yesNo('outletsWet', 'wet', 42, 'Outlets in galley, heads, machinery space or on deck'),
    c.choice('cable', 'cable', AC_CABLES, 124, 'What it is, or was found as'),
    c.words('liveColour', 'live found as', 92, 'Colour of the live conductor as found; empty: as the scheme has it'),
    ...(design.boat.acRegion === '120/240 V'
      ? [c.words('secondColour', 'second live', 84, 'Colour of the second leg as found; empty: as the scheme has it')]
      : []),
    c.words('neutralColour', 'neutral', 76, 'Colour of the neutral as found; empty: as the scheme has it'),
    c.words('earthColour', 'earth', 76, 'Colour of the protective earth as found; empty: as the scheme has it'),
    c.yesNo('labelled', 'marked AC', 72, 'Marked as AC at both ends and wherever it can be opened'),
    {
      key: 'earthSize',
      title: 'earth',
      hint: 'Where it is lighter than the live; empty: all cores alike',
      width: 70,
      mono: true,
      text: (r) => (r.earthSize ? sizeName(r.earthSize.school, r.earthSize.size) : ''),
      show: (r) => (r.earthSize ? sizeName(r.earthSize.school, r.earthSize.size) : '·'),
      tone: (r) => (r.result && r.result.earth.areaMm2 < r.result.earthLeast.areaMm2 - 1e-9 ? 'breaks' : undefined),
      write: (_, text) =>
        text.trim() === '' ? { ok: true, value: { earthSize: null } } : map(parseSize(text, units), (earthSize) => ({ earthSize })),
    },
    {
      key: 'terminalC',
      title: 'terminals, °C',
      hint: 'What its terminals are good for, 60 or 75; empty: by school',
      width: 84,
      align: 'right',
      mono: true,
      text: (r) => (r.terminalC === null ? '' : String(r.terminalC)),
      show: (r) => (r.terminalC === null ? (r.result ? String(r.result.terminalC) : '–') : String(r.terminalC)),
      tone: (r) => (r.terminalC === null ? 'typical' : 'measured'),
      write: (_, text) => {
        if (text.trim() === '') return { ok: true, value: { terminalC: null } };
        const at = ([60, 75] as const).find((x) => String(x) === text.trim());
        return at ? { ok: true, value: { terminalC: at } } : { ok: false, message: '60 or 75, or empty' };
      },
    },
    {
      key: 'way',
      title: 'way',
      hint: 'Of its panel; empty: the next that is free',
      width: 42,
      align: 'right',
      mono: true,
      text: (r) => (r.way === null ? '' : String(r.way)),
      show: (r) => (r.way === null ? '·' : String(r.way)),
      write: (_, text) => map(parseOptional(text, 'none', units, 1, 60), (x) => ({ way: x === null ? null : Math.round(x) })),
    },
    {
      ...c.figure('bundled', 'bundled', 'none', 2, 200, 60, 'Loaded conductors lying together, its own counted'),
      write: (_, text) => map(parseNumber(text, 'none', units, 2, 200), (x) => ({ bundled: Math.round(x) })),
    },
    c.choice('enclosure', 'lies in', ['open', 'conduit', 'insulated'], 72, 'In the open, a conduit, or insulated structure'),
    c.thing('placeId', 'ends at', design.places, 100, 'Empty: where what it serves is'),
    c.words('note', 'note', 140, '', false, 2000),
  ];
}
