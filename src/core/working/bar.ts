/** The working of a bus bar: what flows through it, what lands on it, and what that asks for (docs/methods.md, "Main side"). */
import { type Design, rowOf } from '../design';
import { type BusBar, busName } from '../network';
import { round3, sizeName, type Units } from '../quantity';
import { studName } from '../rules';
import { liner, plainWorking } from './parts';
import type { Working } from './types';

export function barWorking(design: Design, bar: BusBar, units: Units): Working {
  const line = liner(units);
  const name = (f: BusBar['flows'][number]) => {
    const c = f.kind === 'circuit' ? rowOf(design.circuits, f.id) : undefined;
    return c ? `${c.no} ${c.name}`.trim() : (rowOf(design.leads, f.id)?.name ?? f.id);
  };
  const flows = bar.flows.filter((f) => f.amps > 0).sort((a, b) => b.amps - a.amps);
  const sum = flows.reduce((total, f) => total + f.amps, 0);
  const { wants } = bar;
  return plainWorking(bar.name, [
    {
      title: `What lasts: ${bar.by}`,
      lines: [
        ...flows.map((f) => line(name(f), f.amps, 'A')),
        line('through the bar', bar.amps, 'A', {
          formula: flows.length > 0 ? `${round3(sum)} A ÷ 2` : 'the largest of what is wired there',
          ...(flows.length > 0 ? { source: 'what flows in flows out' } : {}),
          breaks: bar.ratedA !== null && bar.amps > bar.ratedA,
        }),
        line('rated', bar.ratedA ?? NaN, 'A', {
          ...(bar.ratedA === null ? { text: 'not entered' } : {}),
          source: wants.ratedA === null ? 'no bar is made so strong' : `the next rating is ${wants.ratedA} A`,
        }),
      ],
    },
    {
      title: 'What lands on it',
      lines: [
        line('terminals', bar.terminals, 'none', {
          source: bar.tooMany > 0 ? `${bar.tooMany} more than its studs may hold` : '',
          breaks: bar.tooMany > 0,
        }),
        ...(bar.largest
          ? [
              line('largest cable', 0, 'none', {
                text: sizeName(bar.largest.school, bar.largest.size),
                source: `its stud: ${studName(design.boat.ruleSet, bar.stud)}`,
                breaks: !bar.largest.fits,
              }),
            ]
          : []),
        line('studs', bar.studs ?? NaN, 'none', {
          ...(bar.studs === null ? { text: 'not entered' } : {}),
          source: wants.studs === null ? 'more than one bar has are wanted' : `${wants.studs} are wanted, one in four of them kept free`,
          breaks: (bar.spare ?? 0) < 0,
        }),
        line('it asks for', 0, 'none', { text: busName(bar, design) }),
      ],
    },
    {
      title: 'Volts and a short there',
      lines: [
        line(
          'least volts',
          bar.volts ?? NaN,
          'V',
          bar.volts === null ? { text: 'no study reaches it' } : { source: 'of all studies, against the first bank’s negative' },
        ),
        line(
          'largest short',
          bar.faultA ?? NaN,
          'A',
          bar.faultA === null ? { text: 'not known' } : { source: 'the largest of the circuits that begin there' },
        ),
      ],
    },
  ]);
}
