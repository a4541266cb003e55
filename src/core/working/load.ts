/** The working of a load's current and daily need, and of the balance line's figures. */
import type { Analysis } from '../analysis';
import { autonomyH } from '../energy/balance';
import type { Design } from '../design';
import { round3, show, type Units } from '../quantity';
import { CHEMISTRY_SOURCE } from '../rules/chemistries';
import type { Working, WorkingLine } from './types';

const n = round3;

export function loadWorking(design: Design, analysis: Analysis, loadId: string, units: Units): Working | undefined {
  const load = design.loads.find((l) => l.id === loadId);
  const result = analysis.loads.find((l) => l.id === loadId);
  if (!load || !result) return undefined;
  const { current } = result;
  const { volts } = analysis;
  const holds = (b: typeof load.behaviour) => (load.behaviour === b ? 'this load' : 'were it so');
  const amp = (label: string, value: number, formula: string, source: string): WorkingLine => ({
    label,
    value,
    kind: 'A',
    text: show(value, 'A', units),
    formula,
    source,
    mark: load.mark,
  });
  return {
    title: load.name,
    sections: [
      {
        title: 'Working current',
        lines: [
          amp(
            'at nominal volts',
            current.nominalA,
            load.ratingBy === 'W'
              ? `${load.quantity} × ${n(load.rating)} W ÷ ${n(load.nominalV)} V`
              : `${load.quantity} × ${n(load.rating)} A`,
            `${n(current.nominalW)} W`,
          ),
          amp('as constant power', current.asPowerA, `${n(current.nominalW)} W ÷ ${n(volts.lowV)} V, lowest bank volts`, holds('power')),
          amp(
            'as a resistance',
            current.asResistanceA,
            `${n(current.nominalA)} A × ${n(volts.chargingV)} ÷ ${n(load.nominalV)} V, while charging`,
            holds('resistance'),
          ),
          amp('as given', current.asCurrentA, `${n(current.nominalA)} A`, holds('current')),
        ],
      },
      {
        title: 'Need in a day',
        lines: design.living.map((way) => {
          const hours = load.hours[way.id] ?? 0;
          const ah = current.nominalA * hours;
          return {
            label: way.name,
            value: ah,
            kind: 'Ah',
            text: show(ah, 'Ah', units),
            formula: `${n(current.nominalA)} A × ${n(hours)} h`,
            mark: load.mark,
          };
        }),
      },
    ],
    neighbours: [],
    margins: [],
    cautions: [],
  };
}

/** Need, usable capacity and hours without any source, in one way of living; the largest needs first. */
export function needWorking(design: Design, analysis: Analysis, livingId: string, units: Units): Working {
  const need = analysis.balance.needs.find((x) => x.livingId === livingId);
  const needAh = need?.needAh ?? 0;
  const parts = design.loads
    .map((load, i) => ({ load, ah: (analysis.loads[i]?.current.nominalA ?? 0) * (load.hours[livingId] ?? 0) }))
    .filter((p) => p.ah > 0)
    .sort((a, b) => b.ah - a.ah);
  const shown = parts.slice(0, 12);
  const rest = parts.slice(12).reduce((sum, p) => sum + p.ah, 0);
  const hours = autonomyH(analysis.balance.usableAh, needAh);
  const ah = (label: string, value: number, extra: Partial<WorkingLine> = {}): WorkingLine => ({
    label,
    value,
    kind: 'Ah',
    text: show(value, 'Ah', units),
    ...extra,
  });
  return {
    title: `Need, ${need?.name ?? ''}`,
    sections: [
      {
        title: 'Largest first',
        lines: [
          ...shown.map((p) => ah(p.load.name, p.ah, { mark: p.load.mark })),
          ...(rest > 0 ? [ah(`${parts.length - 12} smaller`, rest)] : []),
          ah('a day', needAh, { formula: `sum of ${parts.length} loads, nominal amps × hours` }),
        ],
      },
      {
        title: 'Without any source',
        lines: [
          ...analysis.banks.map((b) =>
            ah(`usable of ${n(b.capacityAh)} Ah ${b.chemistry.name}`, b.usableAh, {
              formula: `${n(b.capacityAh)} × (${n(b.chemistry.windowHighSoc * 100)} % − ${n(b.chemistry.windowLowSoc * 100)} %)`,
              mark: 'typical',
              source: `${CHEMISTRY_SOURCE}; rate, cold and ageing come with the Bank station`,
            }),
          ),
          ...(hours === null
            ? []
            : [
                {
                  label: 'lasts',
                  value: hours,
                  kind: 'h' as const,
                  text: show(hours, 'h', units),
                  formula: `24 × ${n(analysis.balance.usableAh)} ÷ ${n(needAh)}`,
                },
              ]),
        ],
      },
    ],
    neighbours: [],
    margins: [],
    cautions: [],
  };
}
