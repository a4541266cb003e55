/** Studies a boat wants: every hard start on its own, and an evening with nothing charging. */
import { BOUNDS, type Design, type Load, type Study, type StudyUse, startBankOf } from '../design';
import { isCharging, nominalW } from '../demand';

/** Amps from which a start or a running current is felt by everything else, as a part of the house bank's C20 in Ah. */
const FELT = 0.25;

/**
 * Proposals that are not there yet by name: each hard start at 60 % with what runs at the same time, engine idling for what the engine is run
 * for; and all that runs long at half charge. @param freshId makes ids.
 */
export function proposeStudies(design: Design, freshId: (prefix: string) => string): Study[] {
  const bankAh = design.banks.reduce((most, b) => Math.max(most, b.blockAh * b.strings), 0);
  const loads = design.loads.filter((l) => !isCharging(l));
  const ampsOf = (l: Load) => nominalW(l) / l.nominalV;
  const hard = loads.filter((l) => Math.max(l.surgeA ?? 0, ampsOf(l)) >= FELT * bankAh && bankAh > 0);
  const long = loads.filter((l) => l.runsLong && !hard.includes(l));
  const on = (rows: readonly Load[], use: StudyUse): Record<string, StudyUse> => Object.fromEntries(rows.map((l) => [l.id, use]));
  const make = (name: string, soc: number, engineRpm: number, uses: Study['loads'], cranking = false): Study => ({
    id: freshId('st'),
    name,
    soc,
    engineRpm,
    shore: false,
    cranking,
    loads: uses,
  });
  const proposals = [
    ...hard.map((l) =>
      make(`${l.name} starts${l.duty ? ', engine idling' : ''}, 60 %`, 0.6, l.duty ? design.engine.idleRpm : 0, {
        ...on(long, 'on'),
        [l.id]: l.surgeA === null ? 'on' : 'start',
      }),
    ),
    ...(startBankOf(design) !== undefined
      ? [
          make(
            'the engine is cranked, 60 %',
            0.6,
            0,
            on([...long, ...loads.filter((l) => l.supply === 'engine key' && !long.includes(l))], 'on'),
            true,
          ),
        ]
      : []),
    ...(long.length > 0 ? [make('an evening with nothing charging, 50 %', 0.5, 0, on(long, 'on'))] : []),
  ];
  const known = new Set(design.studies.map((s) => s.name));
  return proposals.filter((p) => !known.has(p.name)).slice(0, Math.max(0, BOUNDS.studies - design.studies.length));
}
