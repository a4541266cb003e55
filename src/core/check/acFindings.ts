/** The AC side's findings: sources and appliances here, panels and bonds, runs and colours in files of their own. */
import { settingsOf, SERVICES, type Setting } from '../ac/services';
import { chainsTo, cordPct, outletA, TOTAL_DROP_PCT } from '../ac/circuits';
import { consumerOf, loose, rowsOn, vaOf } from '../ac/consumers';
import { fits } from '../ac/together';
import { ampacityA, derate } from '../conductor/ampacity';
import { findConductor } from '../rules/conductors';
import type { AcLoad, AcSource, Design } from '../design/schema';
import { acBondFindings } from './acBondFindings';
import { acRunFindings } from './acRunFindings';
import type { AddAbout, Finding } from './findings';

export const AC_LAW = 'Local code, the maker’s instructions and licensed practice come first.';

/** Total: a design that passed the schema is always answered. */
export function acFindings(design: Design): Finding[] {
  const out: Finding[] = [];
  const add: AddAbout = (rule, severity, kind, id, title, why, todo) =>
    out.push({ id: `${rule}:${id}`, severity, about: { kind, id }, title, why, todo });
  if (design.acSources.length === 0 && design.acLoads.length > 0)
    add(
      'ac-no-service',
      'fix',
      'boat',
      'ac',
      'AC appliances have no service',
      'Nothing ashore or aboard feeds them yet.',
      'Enter a source on the AC station, or let it propose one.',
    );
  for (const s of design.acSources) sourceFindings(design, s, add);
  const free = loose(design);
  // Once a source: which rows it can run.
  const rows = new Map(design.acSources.map((s) => [s.id, new Set(rowsOn(design, s.id))]));
  const settings = settingsOf(design);
  for (const l of design.acLoads)
    loadFindings(
      design,
      l,
      free,
      settings.filter((s) => rows.get(s.sourceId)?.has(l)),
      add,
    );
  acBondFindings(design, add);
  acRunFindings(design, add);
  return out;
}

function sourceFindings(design: Design, s: AcSource, add: AddAbout): void {
  const place = design.places.find((p) => p.id === s.placeId);
  if (s.ratedA <= 0)
    add(
      'ac-no-amps',
      'stop',
      'AC source',
      s.id,
      'gives 0 A',
      'Nothing can run on it.',
      s.kind === 'shore'
        ? 'Enter what the inlet and its cord are made for: 16, 30 or 32 A and so on.'
        : 'Enter the amps its output breaker lets through.',
    );
  if (s.service !== design.boat.acRegion && !(s.kind === 'inverter' && design.boat.acRegion === '120/240 V' && s.service === '120 V'))
    add(
      'ac-other-service',
      'stop',
      'AC source',
      s.id,
      `is ${SERVICES[s.service].words} on a ${design.boat.acRegion} boat`,
      'Appliances burn on the wrong volts; motors run wrong on the wrong frequency.',
      'Change the service of the source, or the region of the boat on Survey.',
    );
  if (!design.acCircuits.some((c) => c.from.kind === 'source' && c.from.id === s.id))
    add(
      'ac-unused',
      'fix',
      'AC source',
      s.id,
      'feeds nothing',
      'No run leaves it.',
      'Propose the AC side, or add a run from it to a panel.',
    );
  if (place && (place.vapour || place.wet || place.drips) && s.kind !== 'shore')
    add(
      'ac-place',
      'stop',
      'AC source',
      s.id,
      `stands in ${place.name}`,
      'It is wet there, or petrol vapour is possible, or something drips from above: shock, fire, explosion.',
      'Find it a dry, aired place.',
    );
  if (s.shore) shoreFindings(design, s, s.shore, add);
  if (s.generator) {
    if (s.generator.kva <= 0)
      add(
        'ac-no-kva',
        'stop',
        'AC source',
        s.id,
        'is rated 0 kVA',
        'A generator without a rating gives no volts to reckon with.',
        'Enter its plate: kVA, and its power factor.',
      );
    if (s.generator.powerFactor <= 0)
      add(
        'ac-generator-pf',
        'stop',
        'AC source',
        s.id,
        'has a power factor of 0',
        'It could give no watts at all.',
        'Enter the plate’s: 1 for most single-phase sets, 0.8 for some.',
      );
    if (!s.bonded)
      add(
        'ac-generator-loose',
        'stop',
        'AC source',
        s.id,
        'has no bond at its frame',
        'Without neutral joined to earth there a fault to a case opens nothing.',
        'Join neutral and earth at the generator, and nowhere else on its neutral.',
      );
  }
  if (s.inverter) inverterFindings(design, s, s.inverter, add);
}

function shoreFindings(design: Design, s: AcSource, shore: NonNullable<AcSource['shore']>, add: AddAbout): void {
  const awg = design.boat.ruleSet === 'awg';
  const within = design.acRules.breakerWithinM ?? (awg ? 3.05 : shore.sheathed ? 3 : 0.5);
  if (shore.breakerAtM > within + 1e-9)
    add(
      'ac-breaker-far',
      'fix',
      'AC source',
      s.id,
      `the main breaker is ${shore.breakerAtM} m from the inlet`,
      `Up to it the conductors are protected by the pedestal alone, if at all; ${within} m along them is the most (${awg ? 'awg school' : `metric school, ${shore.sheathed ? 'sheathed' : 'unsheathed'}`}).`,
      'Move the breaker, or put one by the inlet.',
    );
  if (shore.isolation === 'none')
    add(
      'ac-no-isolation',
      'fix',
      'AC source',
      s.id,
      'has its earth straight from ashore',
      'The boat’s metal is then one battery with every other on the pontoon, and stray current has a path through it.',
      'Fit a galvanic isolator with its test, or an isolation transformer.',
    );
  const cord = findConductor(shore.cordSize.school, shore.cordSize.size);
  if (cord) {
    const iz = ampacityA(
      cord,
      derate(cord.school, { insulationC: 75, bundled: 2, enclosure: 'open' }, { ambientC: 40, engineSpace: false, wet: false }),
    );
    if (iz < s.ratedA - 1e-9)
      add(
        'ac-cord-thin',
        'stop',
        'AC source',
        s.id,
        `the shore cord carries ${Math.floor(iz)} A, the inlet ${s.ratedA} A`,
        'It overheats long before anything opens, most of all coiled on a reel.',
        'A heavier cord, or an inlet and breaker of less.',
      );
    const pct = cordPct(s, s.ratedA);
    if (pct > TOTAL_DROP_PCT - 3 + 1e-9)
      add(
        'ac-cord-long',
        'note',
        'AC source',
        s.id,
        `the shore cord loses ${pct.toFixed(1)} % at ${s.ratedA} A`,
        `${TOTAL_DROP_PCT} % from the pedestal on is the most; feeder and branch want 3 of them.`,
        'A shorter or heavier cord.',
      );
  }
  for (const c of design.acCircuits.filter((x) => x.from.kind === 'source' && x.from.id === s.id)) {
    if (c.leakageMa === null)
      add(
        'ac-no-leakage',
        'stop',
        'AC circuit',
        c.id,
        'the main has no leakage trip',
        'A fault into the water or through a person draws too little for any breaker: it kills swimmers beside the boat.',
        `A double-pole main with a 30 mA${awg ? ', 100 ms' : ''} leakage trip. ${AC_LAW}`,
      );
    if (c.poles < 2)
      add(
        'ac-main-poles',
        'stop',
        'AC circuit',
        c.id,
        'the main opens one pole',
        'With live and neutral changed over ashore the boat stays live with its main off.',
        'A double-pole main.',
      );
  }
}

function inverterFindings(design: Design, s: AcSource, i: NonNullable<AcSource['inverter']>, add: AddAbout): void {
  if (i.va <= 0)
    add(
      'ac-no-va',
      'stop',
      'AC source',
      s.id,
      'is rated 0 VA',
      'Nothing can run on it.',
      'Enter its continuous rating and the temperature it holds at.',
    );
  if (i.loadId === null || !design.loads.some((l) => l.id === i.loadId))
    add(
      'ac-no-dc',
      'fix',
      'AC source',
      s.id,
      'has no DC side',
      'Its cable, fuse and disconnect are reckoned from its row on the load sheet; none is named.',
      'Enter it under Loads as a heavy load, wire it, and name the row here.',
    );
  if (!i.aired)
    add(
      'ac-no-air',
      'fix',
      'AC source',
      s.id,
      'has too little air',
      'It shuts down hot, at the worst moment.',
      'The free space its maker asks for, and a way out for warm air at the top.',
    );
  if (!i.dry)
    add(
      'ac-drips',
      'stop',
      'AC source',
      s.id,
      'water can reach it',
      'Salt water in it is mains volts on its case.',
      'Move it, or lead the drips and its cables away with a loop below the entry.',
    );
  if (i.rest === 'sleeps')
    add(
      'ac-sleeps',
      'note',
      'AC source',
      s.id,
      'sleeps while nothing draws',
      'Asleep it looks dead to every tester and wakes when touched.',
      'Treat its output as live unless its DC disconnect is open and locked.',
    );
  const largest = [...i.surges].sort((a, b) => a.s - b.s);
  if (largest.some((p) => p.va < i.va - 1e-9))
    add(
      'ac-surge-low',
      'fix',
      'AC source',
      s.id,
      'a surge is below its running output',
      'A surge is what it bears for a short time beyond its rating.',
      'Enter VA and seconds as its maker gives them.',
    );
  const own = i.chargerId === null ? [] : design.acLoads.filter((l) => l.chargerId === i.chargerId);
  const looped = design.acLoads.filter(
    (l) =>
      l.chargerId !== null &&
      !own.includes(l) &&
      design.acCircuits.some((c) => c.loadIds.includes(l.id) && chainsTo(design, c).some((x) => x.source.id === s.id)),
  );
  for (const l of looped)
    add(
      'ac-loop',
      'stop',
      'AC load',
      l.id,
      `hangs on ${s.name}`,
      'The charger fills the bank that the inverter empties: a circle that loses a fifth at every turn and flattens the bank.',
      'Put the charger on a panel that the inverter cannot feed.',
    );
}

/** @param settings those that can run it. */
function loadFindings(design: Design, l: AcLoad, free: ReadonlySet<string>, settings: readonly Setting[], add: AddAbout): void {
  const about = (rule: string, severity: 'stop' | 'fix' | 'note', title: string, why: string, todo: string) =>
    add(rule, severity, 'AC load', l.id, title, why, todo);
  if (l.powerFactor <= 0)
    return about(
      'ac-pf',
      'stop',
      'has a power factor of 0',
      'It would draw without end.',
      'Enter 1 for what heats, 0.6 to 0.9 for motors and electronics.',
    );
  if (l.watts <= 0 && l.chargerId === null)
    about('ac-no-watts', 'fix', 'draws 0 W', 'It counts for nothing.', 'Enter the watts on its plate, or measure them.');
  const va = vaOf(design, l);
  if (l.surgeVa !== null && l.surgeVa < va - 1e-9)
    about(
      'ac-surge',
      'fix',
      'starts with less than it runs on',
      `Its start is entered as ${Math.round(l.surgeVa)} VA, it runs on ${Math.round(va)} VA.`,
      'Enter what it takes while it starts, or leave it empty where it has no surge.',
    );
  if (SERVICES[design.boat.acRegion].legs === 1 && l.leg !== 'first')
    about(
      'ac-leg',
      'fix',
      'is on a leg this boat has not',
      `The service has one pole: ${l.leg === 'both' ? 'nothing goes between two legs' : 'there is no second leg'}. It is reckoned on the first.`,
      'Put it on the first leg, or change the region on Survey.',
    );
  if (free.has(l.id) && design.acCircuits.length > 0)
    about(
      'ac-loose',
      'note',
      'hangs on no AC circuit',
      'It is taken to be within reach of every source.',
      'Put it on a branch, or let the station propose one.',
    );
  if (settings.length > 0 && settings.every((s) => !fits([consumerOf(design, l, s.limit.legs)], s.limit)))
    about(
      'ac-too-large',
      'fix',
      'fits on no source',
      `It takes ${Math.round(va)} VA alone, more than any source it can reach.`,
      `A smaller one, a larger service, or a panel it can be fed from; an outlet is made for ${outletA(SERVICES[design.boat.acRegion].volts)} A.`,
    );
}
