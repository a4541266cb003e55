/** Rules on AC sources and appliances. */
import type { AcParts } from '../../ac';
import {
  chainsTo,
  consumerOf,
  cordPct,
  fits,
  loose,
  outletA,
  rowsOn,
  SERVICES,
  type Setting,
  settingsOf,
  vaOf,
  withBreakers,
  opens,
} from '../../ac';
import { ampacityA, derate } from '../../conductor';
import { type AcLoad, type AcSource, type Design, dropOps, rowOf } from '../../design';
import { findConductor, DROP_PCT, TOTAL_DROP_PCT } from '../../rules';
import { SOURCES, when } from '../rule';
import { AC_LAW, acLoad, type AcRule, acRun, acSource, acWhole, set } from './acParts';

const isAwg = (design: AcParts): boolean => design.boat.ruleSet === 'awg';

/** Amps a shore cord carries as cords are used: two loaded cores, 40 degC, 75 degC insulation. */
function cordA(s: AcSource): number | null {
  const cord = s.shore && findConductor(s.shore.cordSize.school, s.shore.cordSize.size);
  return cord
    ? ampacityA(
        cord,
        derate(cord.school, { insulationC: 75, bundled: 2, enclosure: 'open' }, { ambientC: 40, engineSpace: false, wet: false }),
      )
    : null;
}

const breakerWithinM = (design: AcParts, s: AcSource): number =>
  design.acRules.breakerWithinM ?? (isAwg(design) ? 3.05 : s.shore?.sheathed ? 3 : 0.5);

const GENERAL: readonly AcRule[] = [
  acWhole(
    {
      id: 'ac-no-service',
      severity: 'fix',
      reads: ['acSources', 'acLoads'],
      when: 'there are AC appliances and no AC source',
      why: 'Nothing ashore or aboard feeds them yet.',
      todo: 'Enter a source on the AC station, or let it propose one.',
      hazard: 'none',
      confirm: 'nothing',
      source: SOURCES.data,
    },
    (d) => when(d.acSources.length === 0 && d.acLoads.length > 0, () => ({ title: 'AC appliances have no service' })),
  ),
  acSource(
    {
      id: 'ac-no-amps',
      severity: 'stop',
      reads: ['acSources.ratedA'],
      when: 'a source is entered with 0 A',
      why: 'Nothing can run on it.',
      todo: 'Enter the amps it is made for.',
      hazard: 'none',
      confirm: 'eyes',
      source: SOURCES.data,
    },
    (s) =>
      when(s.ratedA <= 0, () => ({
        title: 'gives 0 A',
        todo:
          s.kind === 'shore'
            ? 'Enter what the inlet and its cord are made for: 16, 30 or 32 A and so on.'
            : 'Enter the amps its output breaker lets through.',
      })),
  ),
  acSource(
    {
      id: 'ac-other-service',
      severity: 'stop',
      reads: ['acSources.service', 'boat.acRegion'],
      when: 'a source has another service than the boat',
      why: 'Appliances burn on the wrong volts; motors run wrong on the wrong frequency.',
      todo: 'Change the service of the source, or the region of the boat on Survey.',
      hazard: 'fire',
      confirm: 'a meter',
      cure: (design, finding) => set('acSources', ['service'], design.boat.acRegion)(design, finding),
    },
    (s, d) =>
      when(s.service !== d.boat.acRegion && !(s.kind === 'inverter' && d.boat.acRegion === '120/240 V' && s.service === '120 V'), () => ({
        title: `is ${SERVICES[s.service].words} on a ${d.boat.acRegion} boat`,
      })),
  ),
  acSource(
    {
      id: 'ac-unused',
      severity: 'fix',
      reads: ['acCircuits.from'],
      when: 'no run leaves a source',
      why: 'No run leaves it.',
      todo: 'Propose the AC side, or add a run from it to a panel.',
      hazard: 'none',
      confirm: 'nothing',
      source: SOURCES.data,
    },
    (s, d) => when(!d.acCircuits.some((c) => c.from.kind === 'source' && c.from.id === s.id), () => ({ title: 'feeds nothing' })),
  ),
  acSource(
    {
      id: 'ac-place',
      severity: 'stop',
      reads: ['acSources.placeId', 'places'],
      when: 'a generator or inverter is in a wet, dripping or petrol vapour place',
      why: 'It is wet there, or petrol vapour is possible, or something drips from above: shock, fire, explosion.',
      todo: 'Find it a dry, aired place.',
      hazard: 'shock',
      confirm: 'eyes',
    },
    (s, d) => {
      const place = rowOf(d.places, s.placeId);
      return when(s.kind !== 'shore' && place !== undefined && (place.vapour || place.wet || place.drips), () => ({
        title: `is in ${place?.name ?? ''}`,
      }));
    },
  ),
  acSource(
    {
      id: 'ac-no-place',
      severity: 'fix',
      reads: ['acSources.placeId'],
      when: 'it is not entered where a generator or inverter is',
      why: 'In a wet, dripping or petrol vapour place it is a shock, a fire or an explosion.',
      todo: 'Enter its place.',
      hazard: 'shock',
      confirm: 'eyes',
    },
    (s) => when(s.kind !== 'shore' && s.placeId === null, () => ({ title: 'has no place aboard' })),
  ),
];

const SHORE: readonly AcRule[] = [
  acSource(
    {
      id: 'ac-breaker-far',
      severity: 'fix',
      reads: ['acSources.shore.breakerAtM', 'acSources.shore.sheathed', 'acRules.breakerWithinM', 'boat.ruleSet'],
      when: 'the main breaker is too far along the conductors from the inlet',
      why: 'Up to it the conductors are protected by the pedestal alone, if at all.',
      todo: 'Move the breaker, or put one by the inlet.',
      hazard: 'fire',
      confirm: 'eyes',
      cure: set('acSources', ['shore', 'breakerAtM'], 0.4),
    },
    (s, d) => {
      const within = breakerWithinM(d, s);
      return when(s.shore !== null && s.shore.breakerAtM > within + 1e-9, () => ({
        title: `the main breaker is ${s.shore?.breakerAtM ?? 0} m from the inlet`,
        why: `Up to it the conductors are protected by the pedestal alone, if at all; ${within} m along them is the most (${isAwg(d) ? 'awg school' : `metric school, ${s.shore?.sheathed ? 'sheathed' : 'unsheathed'}`}).`,
      }));
    },
  ),
  acSource(
    {
      id: 'ac-no-isolation',
      severity: 'fix',
      reads: ['acSources.shore.isolation'],
      when: 'the earth from ashore comes aboard without an isolator or transformer',
      why: 'The boat’s metal is then one battery with every other on the pontoon, and stray current has a path through it.',
      todo: 'Fit a galvanic isolator with its test, or an isolation transformer.',
      hazard: 'stray current',
      confirm: 'eyes',
      cure: set('acSources', ['shore', 'isolation'], 'galvanic isolator'),
    },
    (s) => when(s.shore?.isolation === 'none', () => ({ title: 'has its earth straight from ashore' })),
  ),
  acSource(
    {
      id: 'ac-cord-thin',
      severity: 'stop',
      reads: ['acSources.shore.cordSize', 'acSources.ratedA'],
      when: 'the shore cord carries less than the inlet is rated for',
      why: 'It overheats long before anything opens, most of all coiled on a reel.',
      todo: 'A heavier cord, or an inlet and breaker of less.',
      hazard: 'fire',
      confirm: 'eyes',
    },
    (s) => {
      const iz = cordA(s);
      return when(iz !== null && iz < s.ratedA - 1e-9, () => ({
        title: `the shore cord carries ${Math.floor(iz ?? 0)} A, the inlet ${s.ratedA} A`,
      }));
    },
  ),
  acSource(
    {
      id: 'ac-cord-long',
      severity: 'note',
      reads: ['acSources.shore.cordM', 'acSources.shore.cordSize'],
      when: 'the shore cord takes more of the volts than feeder and branch leave it',
      why: `${TOTAL_DROP_PCT} % from the pedestal on is the most; feeder and branch want 3 of them.`,
      todo: 'A shorter or heavier cord.',
      hazard: 'none',
      confirm: 'a meter',
    },
    (s) =>
      when(cordA(s) !== null && cordPct(s, s.ratedA) > TOTAL_DROP_PCT - DROP_PCT + 1e-9, () => ({
        title: `the shore cord loses ${cordPct(s, s.ratedA).toFixed(1)} % at ${s.ratedA} A`,
      })),
  ),
  acRun(
    {
      id: 'ac-no-leakage',
      severity: 'stop',
      reads: ['acCircuits.leakageMa', 'acSources.kind'],
      when: 'the run from a shore inlet has no leakage trip',
      why: 'A fault into the water or through a person draws too little for any breaker: it kills swimmers beside the boat.',
      todo: `A double-pole main with a 30 mA leakage trip. ${AC_LAW}`,
      hazard: 'shock',
      confirm: 'a meter',
      cure: set('acCircuits', ['leakageMa'], 30),
    },
    (c, d) =>
      when(fromShore(d, c.from) && c.leakageMa === null, () => ({
        title: 'the main has no leakage trip',
        todo: `A double-pole main with a 30 mA${isAwg(d) ? ', 100 ms' : ''} leakage trip. ${AC_LAW}`,
      })),
  ),
  acRun(
    {
      id: 'ac-main-poles',
      severity: 'stop',
      reads: ['acCircuits.poles', 'acSources.kind'],
      when: 'the main of a shore inlet opens one pole',
      why: 'With live and neutral changed over ashore the boat stays live with its main off.',
      todo: 'A double-pole main.',
      hazard: 'shock',
      confirm: 'eyes',
      cure: set('acCircuits', ['poles'], 2),
    },
    (c, d) => when(fromShore(d, c.from) && c.poles < 2, () => ({ title: 'the main opens one pole' })),
  ),
];

const fromShore = (design: AcParts, from: Design['acCircuits'][number]['from']): boolean =>
  from.kind === 'source' && design.acSources.some((s) => s.id === from.id && s.shore !== null);

const GENERATORS: readonly AcRule[] = [
  acSource(
    {
      id: 'ac-no-kva',
      severity: 'stop',
      reads: ['acSources.generator.kva'],
      when: 'a generator is entered with 0 kVA',
      why: 'A generator without a rating gives no volts to calculate with.',
      todo: 'Enter its plate: kVA, and its power factor.',
      hazard: 'none',
      confirm: 'eyes',
      source: SOURCES.data,
    },
    (s) => when(s.generator !== null && s.generator.kva <= 0, () => ({ title: 'is rated 0 kVA' })),
  ),
  acSource(
    {
      id: 'ac-generator-pf',
      severity: 'stop',
      reads: ['acSources.generator.powerFactor'],
      when: 'a generator is entered with a power factor of 0',
      why: 'It could give no watts at all.',
      todo: 'Enter the plate’s: 1 for most single-phase sets, 0.8 for some.',
      hazard: 'none',
      confirm: 'eyes',
      source: SOURCES.data,
      cure: set('acSources', ['generator', 'powerFactor'], 1),
    },
    (s) => when(s.generator !== null && s.generator.powerFactor <= 0, () => ({ title: 'has a power factor of 0' })),
  ),
  acSource(
    {
      id: 'ac-generator-loose',
      severity: 'stop',
      reads: ['acSources.bonded'],
      when: 'neutral and earth are not joined at a generator',
      why: 'Without neutral joined to earth there a fault to a case opens nothing.',
      todo: 'BankTie neutral and earth at the generator, and nowhere else on its neutral.',
      hazard: 'shock',
      confirm: 'a meter',
      cure: set('acSources', ['bonded'], true),
    },
    (s) => when(s.generator !== null && !s.bonded, () => ({ title: 'has no bond at its frame' })),
  ),
];

const INVERTERS: readonly AcRule[] = [
  acSource(
    {
      id: 'ac-no-va',
      severity: 'stop',
      reads: ['acSources.inverter.va'],
      when: 'an inverter is entered with 0 VA',
      why: 'Nothing can run on it.',
      todo: 'Enter its continuous rating and the temperature it holds at.',
      hazard: 'none',
      confirm: 'eyes',
      source: SOURCES.data,
    },
    (s) => when(s.inverter !== null && s.inverter.va <= 0, () => ({ title: 'is rated 0 VA' })),
  ),
  acSource(
    {
      id: 'ac-no-air',
      severity: 'fix',
      reads: ['acSources.inverter.aired'],
      when: 'an inverter has too little free air',
      why: 'It shuts down hot, at the worst moment.',
      todo: 'The free space its maker asks for, and a way out for warm air at the top.',
      hazard: 'fire',
      confirm: 'eyes',
      source: SOURCES.maker,
      cure: set('acSources', ['inverter', 'aired'], true),
    },
    (s) => when(s.inverter !== null && !s.inverter.aired, () => ({ title: 'has too little air' })),
  ),
  acSource(
    {
      id: 'ac-drips',
      severity: 'stop',
      reads: ['acSources.inverter.dry'],
      when: 'water can reach an inverter',
      why: 'Salt water in it is mains volts on its case.',
      todo: 'Move it, or lead the drips and its cables away with a loop below the entry.',
      hazard: 'shock',
      confirm: 'eyes',
      cure: set('acSources', ['inverter', 'dry'], true),
    },
    (s) => when(s.inverter !== null && !s.inverter.dry, () => ({ title: 'water can reach it' })),
  ),
  acSource(
    {
      id: 'ac-sleeps',
      severity: 'note',
      reads: ['acSources.inverter.rest'],
      when: 'an inverter sleeps while nothing draws',
      why: 'Asleep it looks dead to every tester and wakes when touched.',
      todo: 'Treat its output as live unless its DC disconnect is open and locked.',
      hazard: 'shock',
      confirm: 'eyes',
      source: SOURCES.practice,
      cure: set('acSources', ['inverter', 'rest'], 'switched off'),
    },
    (s) => when(s.inverter?.rest === 'sleeps', () => ({ title: 'sleeps while nothing draws' })),
  ),
  acSource(
    {
      id: 'ac-surge-low',
      severity: 'fix',
      reads: ['acSources.inverter.surges'],
      when: 'an inverter’s surge is entered below its continuous rating',
      why: 'A surge is what it gives for a short time beyond its rating.',
      todo: 'Enter VA and seconds as its maker gives them.',
      hazard: 'none',
      confirm: 'eyes',
      source: SOURCES.data,
    },
    (s) =>
      when(s.inverter !== null && s.inverter.surges.some((p) => p.va < (s.inverter?.va ?? 0) - 1e-9), () => ({
        title: 'a surge is below its running output',
      })),
  ),
  acLoad(
    {
      id: 'ac-loop',
      severity: 'stop',
      reads: ['acLoads.chargerId', 'acCircuits', 'acSources.inverter'],
      when: 'a charger can be fed by the inverter',
      why: 'The charger fills the bank that the inverter empties: a circle that loses a fifth at every turn and flattens the bank.',
      todo: 'Put the charger on a panel that the inverter cannot feed.',
      hazard: 'stranded',
      confirm: 'eyes',
      source: SOURCES.practice,
      cure: (design, { about }) => {
        const runs = design.acCircuits.filter((c) => c.loadIds.includes(about.id));
        return runs.flatMap(
          (c) =>
            set(
              'acCircuits',
              ['loadIds'],
              c.loadIds.filter((id) => id !== about.id),
            )(design, { about: { kind: 'AC circuit', id: c.id } } as never) ?? [],
        );
      },
    },
    (l, d) => {
      const on = l.chargerId === null ? [] : d.acCircuits.filter((c) => c.loadIds.includes(l.id));
      const by = d.acSources.find(
        (s) =>
          s.inverter !== null &&
          !(s.inverter.chargerId !== null && s.inverter.chargerId === l.chargerId) &&
          on.some((c) => chainsTo(d, c).some((x) => x.source.id === s.id)),
      );
      return when(by !== undefined, () => ({ title: `can be fed by ${by?.name ?? ''}` }));
    },
  ),
];

/** What several rules on an appliance ask: the settings of the sources that can run it, and whether it is on a run. */
interface Served {
  readonly loose: ReadonlySet<string>;
  readonly settingsFor: (l: AcLoad) => readonly Setting[];
}
function servedBy(design: AcParts): Served {
  const rows = new Map(design.acSources.map((s) => [s.id, new Set(rowsOn(design, s.id))]));
  const settings = withBreakers(design, settingsOf(design));
  return { loose: loose(design), settingsFor: (l) => settings.filter((s) => rows.get(s.sourceId)?.has(l)) };
}

const counts = (l: AcLoad): boolean => l.powerFactor > 0;

const APPLIANCES: readonly AcRule[] = [
  acLoad(
    {
      id: 'ac-pf',
      severity: 'stop',
      reads: ['acLoads.powerFactor'],
      when: 'an appliance is entered with a power factor of 0',
      why: 'It would draw without end.',
      todo: 'Enter 1 for what heats, 0.6 to 0.9 for motors and electronics.',
      hazard: 'none',
      confirm: 'a meter',
      source: SOURCES.data,
      cure: set('acLoads', ['powerFactor'], 1),
    },
    (l) => when(!counts(l), () => ({ title: 'has a power factor of 0' })),
  ),
  acLoad(
    {
      id: 'ac-no-watts',
      severity: 'fix',
      reads: ['acLoads.watts'],
      when: 'an appliance is entered with 0 W',
      why: 'It counts for nothing.',
      todo: 'Enter the watts on its plate, or measure them.',
      hazard: 'none',
      confirm: 'a meter',
      source: SOURCES.data,
    },
    (l) => when(counts(l) && l.watts <= 0 && l.chargerId === null, () => ({ title: 'draws 0 W' })),
  ),
  acLoad(
    {
      id: 'ac-surge',
      severity: 'fix',
      reads: ['acLoads.surgeVa', 'acLoads.watts'],
      when: 'an appliance’s start is entered below what it runs on',
      why: 'A start takes more than running does.',
      todo: 'Enter what it takes while it starts, or leave it empty where it has no surge.',
      hazard: 'none',
      confirm: 'a meter',
      source: SOURCES.data,
      cure: set('acLoads', ['surgeVa'], null),
    },
    (l, d) =>
      when(counts(l) && l.surgeVa !== null && l.surgeVa < vaOf(d, l) - 1e-9, () => ({
        title: 'starts with less than it runs on',
        why: `Its start is entered as ${Math.round(l.surgeVa ?? 0)} VA, it runs on ${Math.round(vaOf(d, l))} VA.`,
      })),
  ),
  acLoad(
    {
      id: 'ac-leg',
      severity: 'fix',
      reads: ['acLoads.leg', 'boat.acRegion'],
      when: 'an appliance is on a leg the service has not',
      why: 'It is calculated on the first.',
      todo: 'Put it on the first leg, or change the region on Survey.',
      hazard: 'none',
      confirm: 'nothing',
      source: SOURCES.data,
      cure: set('acLoads', ['leg'], 'first'),
    },
    (l, d) =>
      when(counts(l) && SERVICES[d.boat.acRegion].legs === 1 && l.leg !== 'first', () => ({
        title: 'is on a leg this boat has not',
        why: `The service has one pole: ${l.leg === 'both' ? 'nothing goes between two legs' : 'there is no second leg'}. It is calculated on the first.`,
      })),
  ),
  {
    id: 'ac-loose',
    about: 'AC load',
    severity: 'note',
    reads: ['acCircuits.loadIds'],
    when: 'an appliance is on no run',
    why: 'It is taken to be within reach of every source.',
    todo: 'Put it on a branch, or let the station propose one.',
    hazard: 'none',
    confirm: 'nothing',
    source: SOURCES.data,
    find: (d) => {
      if (d.acCircuits.length === 0) return [];
      const free = loose(d);
      return d.acLoads.flatMap((l) => (counts(l) && free.has(l.id) ? [{ id: l.id, title: 'is on no AC circuit' }] : []));
    },
  },
  {
    id: 'ac-too-large',
    about: 'AC load',
    severity: 'fix',
    reads: ['acLoads.watts', 'acSources', 'acCircuits'],
    when: 'an appliance fits on no source that reaches it',
    why: 'It takes more than any source it can reach.',
    todo: 'A smaller one, a larger service, or a panel it can be fed from.',
    hazard: 'none',
    confirm: 'nothing',
    source: SOURCES.practice,
    find: (d) => {
      const served = servedBy(d);
      return d.acLoads.flatMap((l) => {
        const settings = counts(l) ? served.settingsFor(l) : [];
        const alone = settings.flatMap((s) => opens([consumerOf(d, l, s.limit.legs)], s.limit));
        return settings.length > 0 && settings.every((s) => !fits([consumerOf(d, l, s.limit.legs)], s.limit))
          ? [
              {
                id: l.id,
                title: 'fits on no source',
                why: `It takes ${Math.round(vaOf(d, l))} VA alone, more than any source it can reach${alone.length > 0 ? `, or a breaker before it: ${[...new Set(alone)].join(', ')}` : ''}.`,
                todo: `A smaller one, a larger service, or a panel it can be fed from; an outlet is made for ${outletA(SERVICES[d.boat.acRegion].volts)} A.`,
              },
            ]
          : [];
      });
    },
    cure: (design, { about }) => dropOps(design, 'acLoads', [about.id]),
  },
];

export const AC_SOURCE_RULES: readonly AcRule[] = [...GENERAL, ...SHORE, ...GENERATORS, ...INVERTERS, ...APPLIANCES];
