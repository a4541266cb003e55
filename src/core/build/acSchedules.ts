/** AC panels as they are read aboard: ways in their order, spare ones, what each lamp means (docs/methods.md, M12). */
import { type AcCircuitResult, acCircuits, vaOf } from '../ac';
import { type AcCircuit, type AcPanel, type Design, rowOf } from '../design';
import { sizeName } from '../quantity';
import { placed } from './schedules';

export interface AcWay {
  readonly way: number;
  readonly circuitId: string | null;
  readonly no: string;
  readonly name: string;
  readonly device: string;
  readonly ratingA: number | null;
  readonly poles: number | null;
  readonly leakageMa: number | null;
  /** first, second or both legs; '' where the service has one. */
  readonly leg: string;
  readonly worksA: number;
  readonly cable: string;
}

export interface Lamp {
  readonly lamp: string;
  readonly means: string;
}

export interface AcPanelSchedule {
  readonly panelId: string;
  readonly name: string;
  readonly pitchMm: number;
  /** What feeds it, and how it is put on one of them. */
  readonly feeds: readonly string[];
  readonly transfer: AcPanel['transfer'];
  readonly ways: readonly AcWay[];
  readonly spare: number;
  readonly sumOfRatingsA: number;
  readonly lamps: readonly Lamp[];
}

const nameFrom = (design: Design, c: AcCircuit): string =>
  (c.from.kind === 'panel' ? rowOf(design.acPanels, c.from.id) : rowOf(design.acSources, c.from.id))?.name ?? '';

function legOf(design: Design, c: AcCircuit): string {
  if (design.boat.acRegion !== '120/240 V') return '';
  if (c.to) return 'both';
  const legs = new Set(design.acLoads.filter((l) => c.loadIds.includes(l.id)).map((l) => l.leg));
  return [...legs].join(' and ') || 'first';
}

/** What lights on a panel, and what is to be done when it does. */
function lampsOf(design: Design, panel: AcPanel, feeders: readonly AcCircuit[]): Lamp[] {
  const lamps: Lamp[] = [];
  for (const c of feeders) {
    const source = c.from.kind === 'source' ? rowOf(design.acSources, c.from.id) : undefined;
    const from = nameFrom(design, c);
    if (source?.kind === 'shore') {
      lamps.push({
        lamp: `${from}, green`,
        means: `The lead is live up to this panel. Dark with the lead in: pedestal off, or its breaker open.`,
      });
      if (panel.polarityIndicator && source.shore?.isolation !== 'isolation transformer')
        lamps.push({
          lamp: 'reverse polarity, red',
          means: 'Live and neutral are changed over ashore: main off at once, lead out, tell the marina. Touch nothing that is plugged in.',
        });
      if (source.shore?.isolation === 'galvanic isolator')
        lamps.push({
          lamp: 'isolator, amber',
          means: 'The galvanic isolator has failed its own test: the earth may be open. Lead out until it is seen to.',
        });
    } else if (source?.kind === 'inverter')
      lamps.push({
        lamp: `${from}, amber`,
        means: 'The battery feeds this panel. It is live with every lead out; asleep the lamp may be dark.',
      });
    else
      lamps.push({
        lamp: `${from}, green`,
        means: source?.kind === 'generator' ? 'The generator feeds this panel.' : `${from} feeds this panel.`,
      });
    if (c.leakageMa !== null)
      lamps.push({
        lamp: `test on ${c.no} ${c.name}`.trim(),
        means: `Press every month, and before anybody swims: its ${c.leakageMa} mA trip opens. If it does not, the panel stays off.`,
      });
  }
  return lamps;
}

export function acPanelSchedule(design: Design, results: readonly AcCircuitResult[], panel: AcPanel): AcPanelSchedule {
  const feeders = design.acCircuits.filter((c) => c.to?.kind === 'panel' && c.to.id === panel.id);
  const own = design.acCircuits.filter((c) => c.from.kind === 'panel' && c.from.id === panel.id);
  const ways = placed(panel.ways ?? Math.max(0, ...own.map((c) => c.way ?? 0)), own).map((c, i): AcWay => {
    const r = results.find((x) => x.id === c?.id);
    const served = design.acLoads.filter((l) => c?.loadIds.includes(l.id));
    return {
      way: i + 1,
      circuitId: c?.id ?? null,
      no: c?.no ?? '',
      name: c?.name ?? 'spare',
      device: r?.family.name ?? '',
      ratingA: r?.ratingA ?? null,
      poles: c?.poles ?? null,
      leakageMa: c?.leakageMa ?? null,
      leg: c ? legOf(design, c) : '',
      worksA: r ? (served.length > 0 ? Math.max(...served.map((l) => vaOf(design, l) / r.spanV)) : r.amps) : 0,
      cable: r ? `${r.cores.length} × ${sizeName(r.conductor.school, r.conductor.size)}` : '',
    };
  });
  return {
    panelId: panel.id,
    name: panel.name,
    pitchMm: panel.pitchMm,
    feeds: feeders.map((c) => `${nameFrom(design, c)}, ${results.find((r) => r.id === c.id)?.ratingA ?? 0} A`),
    transfer: panel.transfer,
    ways,
    spare: ways.filter((w) => w.circuitId === null).length,
    sumOfRatingsA: ways.reduce((sum, w) => sum + (w.ratingA ?? 0), 0),
    lamps: lampsOf(design, panel, feeders),
  };
}

export function acSchedules(design: Design): AcPanelSchedule[] {
  const results = acCircuits(design);
  return design.acPanels.map((p) => acPanelSchedule(design, results, p));
}
