/** The sheet a boat is commissioned by, made from her design: only what she has, in the order in which it is safe (docs/methods.md, M15). */
import type { Analysis } from '../analysis';
import { listsOf } from '../build';
import { asDecided, type Design, rowOf } from '../design';
import { gensetStart } from '../network';
import { alarmsOf } from '../monitoring';
import { type Conditions, line, type TestLine } from './line';
import { acLines } from './stages/ac';
import { banksCharged, charging } from './stages/charging';
import { circuitLines } from './stages/circuits';
import { dead } from './stages/dead';
import { energised } from './stages/energised';
import { heavyLines } from './stages/heavy';

/** @param given what was read before; expected figures follow. */
export function testSheet(whole: Design, analysis: Analysis, given: Conditions): readonly TestLine[] {
  const design = asDecided(whole);
  // What has no gauge calls nobody.
  const gauged = design.banks.filter((b) => design.gauges.some((g) => g.bankId === b.id));
  const alarms = gauged.flatMap((b) => alarmsOf(design, b).lines.map((a) => ({ b, a })));
  const lists = listsOf(design, analysis.circuits);
  const named = (ids: readonly string[]) => ids.map((id) => rowOf(design.loads, id)?.name ?? id).join(', ');
  return [
    ...dead(design),
    ...energised(design, given),
    ...circuitLines(design, analysis.circuits, given),
    ...heavyLines(design, analysis.circuits, given),
    ...charging(design, given),
    ...banksCharged(design),
    ...acLines(design, (s) => gensetStart(design, analysis, s)),
    ...design.gauges
      .filter((g) => g.kind === 'counting')
      .map((g) =>
        line(6, {
          id: `set.${g.id}`,
          what: `${g.name} is set as its sheet says`,
          state: 'bank full',
          probes: 'the gauge’s own menu against the sheet of Monitoring',
          unit: 'seen',
          outside: 'Set as the sheet says, and written down: one that is set wrong lies for months.',
        }),
      ),
    ...alarms.map(({ b, a }) =>
      line(6, {
        id: `alarm.${b.id}.${a.id}`.replaceAll(' ', '-'),
        what: `${a.what}, ${b.name}: at ${a.value}`,
        state: 'everything else quiet',
        probes: a.proof,
        unit: 'seen',
        outside: 'An alarm nobody hears is none.',
      }),
    ),
    ...lists.positions.map((p) =>
      line(7, {
        id: `position.${p.id}`,
        what: `switches: ${p.name}`,
        state: 'switches as named',
        probes: `live: ${named(p.live) || 'nothing'}. Dead: ${named(p.dead) || 'nothing'}`,
        unit: 'seen',
        outside: 'What is live and should be dead is found before she is left alone.',
      }),
    ),
  ].sort((a, b) => a.stage - b.stage);
}

/** What each line of a sheet must keep to, by its id; a drop at a current as milliohms. Lines without a limit are left out. */
export function testLimits(sheet: readonly TestLine[]): ReadonlyMap<string, { least: number | null; most: number | null; why: string }> {
  return new Map(
    sheet.flatMap((l) => {
      const { least, most } = l.limit;
      if (least === null && most === null) return [];
      const by = l.drop && l.unit === 'mV' ? l.drop.atA : 1;
      return [
        [l.id, { least: least === null ? null : least / by, most: most === null ? null : most / by, why: 'that of its test' }] as const,
      ];
    }),
  );
}
