/** Rules on generators and inverters as sources of AC. */
import { rowOf, setOp } from '../../design';
import { chainsTo } from '../../ac';
import { SOURCES, when } from '../rule';
import { acLoad, type AcRule, acSource, set } from './acParts';

export const AC_GENERATOR_RULES: readonly AcRule[] = [
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
      todo: 'Join neutral and earth at the generator, and nowhere else on its neutral.',
      hazard: 'shock',
      confirm: 'a meter',
      cure: set('acSources', ['bonded'], true),
    },
    (s) => when(s.generator !== null && !s.bonded, () => ({ title: 'has no bond at its frame' })),
  ),
];

export const AC_INVERTER_RULES: readonly AcRule[] = [
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
      cure: (design, { about }) => {
        const inverter = rowOf(design.acSources, about.id)?.inverter;
        return inverter
          ? [
              setOp(
                design,
                ['acSources', about.id, 'inverter', 'surges'],
                inverter.surges.filter((p) => p.va >= inverter.va),
              ),
            ]
          : null;
      },
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
