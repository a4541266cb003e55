/** Rules on gauges: what feeds them, where they are seen, and whether they can ever call full (docs/methods.md, M14). */
import { type Design, type Gauge, type Op, rowOf, setOp } from '../../design';
import { gaugeSheet } from '../../monitoring';
import { type Said, SOURCES, type Told, when } from '../rule';
import type { ChargingRow, ChargingRule } from './chargingRule';
import type { ChargingParts } from './reads';

const each = (row: ChargingRow, told: (g: Gauge, design: ChargingParts) => readonly Said[]): ChargingRule => ({
  source: SOURCES.practice,
  ...row,
  about: 'gauge',
  find: (design) => design.gauges.flatMap((g) => told(g, design).map((t): Told => ({ ...t, id: g.id }))),
});
const set =
  (key: keyof Gauge & string, to: (g: Gauge, design: ChargingParts) => unknown): NonNullable<ChargingRule['cure']> =>
  (design, { about }): readonly Op[] | null => {
    const g = rowOf(design.gauges, about.id);
    return g ? [setOp(design as Design, ['gauges', g.id, key], to(g, design))] : null;
  };

/** Fuse of a gauge's supply where its maker says nothing, A. */
const USUAL_A = 1;
const MOST_A = 3;

export const GAUGE_RULES: readonly ChargingRule[] = [
  each(
    {
      id: 'gauge-asleep',
      severity: 'fix',
      reads: ['gauges.kind', 'gauges.behindSwitch'],
      when: 'a gauge that counts is fed behind the house switch',
      why: 'While the switch is off it counts nothing of what is drawn, and shows too much from then on.',
      todo: 'Feed it before the switch, always live, through its own small fuse.',
      hazard: 'none',
      confirm: 'eyes',
      cure: set('behindSwitch', () => false),
    },
    (g) => when(g.kind === 'counting' && g.behindSwitch, () => ({ title: 'sleeps with the house switch' })),
  ),
  each(
    {
      id: 'gauge-unfused',
      severity: 'fix',
      reads: ['gauges.supplyFuseA'],
      when: 'a gauge’s supply has no fuse of its own, or one larger than 3 A',
      why: 'Its wire is thin and hangs on a battery: a short burns it from end to end.',
      todo: 'A fuse of 1 A, or what its maker says, right at the tap.',
      hazard: 'fire',
      confirm: 'eyes',
      cure: set('supplyFuseA', () => USUAL_A),
    },
    (g) =>
      when(g.supplyFuseA === null || g.supplyFuseA > MOST_A, () => ({
        title: g.supplyFuseA === null ? 'has no fuse in its supply' : `has ${g.supplyFuseA} A in its supply`,
      })),
  ),
  each(
    {
      id: 'gauge-data-long',
      severity: 'fix',
      reads: ['gauges.dataM', 'gauges.dataMostM'],
      when: 'a gauge’s data cable is longer than its maker allows',
      why: 'It reads wrong or not at all, and nobody knows when.',
      todo: 'Seen nearer by, or its maker’s extension.',
      hazard: 'none',
      confirm: 'eyes',
      source: SOURCES.maker,
    },
    (g) =>
      when(g.dataM !== null && g.dataMostM !== null && g.dataM > g.dataMostM, () => ({
        title: 'hangs on a data cable that is too long',
      })),
  ),
  each(
    {
      id: 'gauge-unseen',
      severity: 'note',
      reads: ['gauges.placeId'],
      when: 'a gauge is seen nowhere',
      why: 'What nobody looks at warns nobody.',
      todo: 'Monitoring: say where it is seen; where people look, the chart table or the companionway.',
      hazard: 'none',
      confirm: 'eyes',
    },
    (g) => when(g.placeId === null, () => ({ title: 'is seen nowhere' })),
  ),
  each(
    {
      id: 'gauge-never-full',
      severity: 'fix',
      reads: ['gauges.asSet', 'banks', 'sources.regulator', 'sources.bankId'],
      when: 'a gauge’s charged volts are not reached by what charges its bank',
      why: 'It never calls the bank full: its error grows from day to day and nothing puts it right.',
      todo: 'Monitoring, to program: charged volts under the least absorption.',
      hazard: 'none',
      confirm: 'eyes',
      cure: (design, { about }) => {
        const g = rowOf(design.gauges, about.id);
        const sheet = g && gaugeSheet(design as Design, g);
        return g && sheet ? [setOp(design as Design, ['gauges', g.id, 'asSet', 'chargedV'], sheet.set.chargedV)] : null;
      },
    },
    (g, design) => {
      const chargedV = g.asSet.chargedV;
      const bank = rowOf(design.banks, g.bankId);
      if (chargedV === null || !bank || g.kind !== 'counting') return [];
      const reached = design.sources.filter((s) => s.bankId === bank.id && s.kind !== 'portable').map((s) => s.regulator.absorptionV);
      return when(reached.length > 0 && chargedV >= Math.max(...reached), () => ({
        title: `waits for ${chargedV.toFixed(2)} V, and nothing charges above ${Math.max(...reached).toFixed(2)} V`,
      }));
    },
  ),
];
