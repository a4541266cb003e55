/** The working of a load's current and daily need, and of the balance line's figures. */
import { type Analysis, autonomyH, type Need, needsOf } from '../analysis';
import { houseBanks } from '../bank';
import { dayAh, standsBy } from '../energy';
import { standingA } from '../demand';
import { type Design, rowOf, sourcesAboard } from '../design';
import { round3, show, type Units } from '../quantity';
import { CHEMISTRY_SOURCE } from '../rules';
import type { Working, WorkingLine } from './types';

const n = round3;

export function loadWorking(design: Design, analysis: Analysis, loadId: string, units: Units): Working | undefined {
  const load = rowOf(design.loads, loadId);
  const result = rowOf(analysis.loads, loadId);
  if (!load || !result) return undefined;
  const { current, volts } = result;
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
          const ah = dayAh(load, way);
          const idle = standsBy(load, way) ? ` + ${n(standingA(load))} A × ${n(24 - hours)} h standing by` : '';
          return {
            label: way.name,
            value: ah,
            kind: 'Ah',
            text: show(ah, 'Ah', units),
            formula: `${n(current.nominalA)} A × ${n(hours)} h${idle}`,
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
  const living = rowOf(design.living, livingId);
  const parts = needsOf(design)
    .map(({ load, ahIn }) => ({ load, ah: living ? ahIn(living) : 0 }))
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
          ah('a day', needAh, { formula: `sum of ${parts.length} loads, nominal amps × hours, and stand-by` }),
        ],
      },
      {
        title: 'Without any source',
        lines: [
          ...houseBanks(design, analysis.banks).map((b) =>
            ah(`usable of ${n(b.capacityAh)} Ah ${b.chemistry.name}`, b.usableAh, {
              formula: `${n(b.capacityAh)} × (${n(b.chemistry.windowHighSoc * 100)} % − ${n(b.chemistry.windowLowSoc * 100)} %)`,
              mark: 'typical',
              source: `${CHEMISTRY_SOURCE}; rate and cold are counted under Bank`,
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
                ...fromUsual(design, analysis, need, units),
              ]),
        ],
      },
    ],
    neighbours: [],
    margins: [],
    cautions: [],
  };
}

/** Without any source from where the house bank usually stands in this way of living, beside from full. */
function fromUsual(design: Design, analysis: Analysis, need: Need | undefined, units: Units): WorkingLine[] {
  const house = houseBanks(design, analysis.banks)[0];
  if (!need || !house || need.needAh <= 0) return [];
  const { chemistry, capacityAh } = house;
  const usual = need.made?.settlesAt ?? (chemistry.leadAcid ? 0.85 : chemistry.windowHighSoc);
  const hours = (24 * capacityAh * Math.max(0, usual - chemistry.windowLowSoc)) / need.needAh;
  return [
    {
      label: `from ${Math.round(100 * usual)} %, where it usually is`,
      value: hours,
      kind: 'h',
      text: show(hours, 'h', units),
      formula: `24 × ${n(capacityAh)} × (${n(usual)} − ${n(chemistry.windowLowSoc)}) ÷ ${n(need.needAh)}`,
      source: need.made ? 'the day repeated until nothing changes' : 'lead-acid 85 % where nothing is known',
    },
  ];
}

/** What the sources make on a day in a way of living, against the need. */
export function yieldWorking(design: Design, analysis: Analysis, livingId: string, units: Units): Working {
  const need = analysis.balance.needs.find((x) => x.livingId === livingId);
  const made = need?.made;
  const ah = (label: string, value: number, extra: Partial<WorkingLine> = {}): WorkingLine => ({
    label,
    value,
    kind: 'Ah',
    text: show(value, 'Ah', units),
    ...extra,
  });
  const pct = (label: string, soc: number, formula: string): WorkingLine => ({
    label,
    value: 100 * soc,
    kind: 'pct',
    text: show(100 * soc, 'pct', units),
    formula,
  });
  if (!need || !made) return { title: 'Made', sections: [], neighbours: [], margins: [], cautions: [] };
  const through = made.drawnAh - need.needAh;
  return {
    title: `Made, ${need.name}`,
    sections: [
      {
        title: 'By source, a day from the middle of the window',
        lines: [
          ...sourcesAboard(design.sources).map((s, i) =>
            ah(s.name, made.bySource[i] ?? 0, {
              mark: s.mark,
              ...(s.kind === 'DC–DC' ? { formula: 'moved from one bank to another: not counted' } : {}),
            }),
          ),
          ah('made', made.madeAh, { formula: 'all but DC–DC' }),
          ah('need', need.needAh, { formula: 'at nominal volts' }),
          ah(made.madeAh >= need.needAh ? 'to spare' : 'lacking', Math.abs(made.madeAh - need.needAh), {
            formula: `${n(made.madeAh)} − ${n(need.needAh)}; at the volts they see the loads draw ${n(Math.abs(through))} Ah ${through < 0 ? 'less' : 'more'}`,
            breaks: made.madeAh < need.needAh && made.settlesAt < 0.3,
          }),
        ],
      },
      {
        title: 'The day repeated',
        lines: [
          pct('the house bank settles at', made.settlesAt, 'at midnight, when nothing changes any more'),
          pct('and goes down to', made.lowest, 'lowest of that day'),
          {
            label: 'fuel',
            value: made.litres,
            kind: 'none',
            text: `${n(made.litres)} L a day`,
            formula: 'engine by the cube of its speed, and 0.3 L a kWh at the alternator’s shaft',
          },
        ],
      },
    ],
    neighbours: [],
    margins: [],
    cautions: [],
  };
}
