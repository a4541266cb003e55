/** Stage 5: AC, source by source. */
import { type Design, SERVICE_V } from '../../design';
import { bandOf, even } from '../band';
import { line, type TestLine } from '../line';

export function acLines(design: Design): TestLine[] {
  const volts = SERVICE_V[design.boat.acRegion];
  return design.acSources.flatMap((s) => [
    line(5, {
      id: `bond.${s.id}`,
      what: `bond of neutral and earth, ${s.name}`,
      state: s.kind === 'shore' ? 'lead in, selector on shore' : `${s.name} alone is on`,
      probes: 'neutral to earth at the panel',
      unit: 'V',
      limit: { least: null, most: 2 },
      working: s.kind === 'shore' ? 'joined ashore, never aboard' : 'joined in the source, once',
      hazard: 'Live AC behind a cover: one hand, insulated probes, or leave it to who is licensed.',
      outside: 'Earth floats or is joined twice: off, and the bonds looked at.',
    }),
    line(5, {
      id: `volts.${s.id}`,
      what: `volts and polarity, ${s.name}`,
      state: `${s.name} alone is on`,
      probes: 'live to neutral, live to earth, at an outlet tester',
      unit: 'V',
      band: bandOf(volts, [even('service', 0.1 * volts)]),
      hazard: 'Crossed live and neutral: everything switched off stays live.',
      outside: 'Off at once; the lead, the inlet, the source.',
    }),
    ...(s.kind === 'inverter'
      ? []
      : [
          line(5, {
            id: `leak.${s.id}`,
            what: `residual device of ${s.name} at its rated current`,
            state: 'loads off',
            probes: 'tester at the nearest outlet behind it',
            unit: 'ms',
            limit: { least: null, most: 100 },
            working: 'at its rated current, main device; the pedestal’s tripping with it is no failure. 5 mA class by its own test: verify',
            outside: 'It does not trip: it protects nobody. Changed before anything is used.',
          }),
        ]),
  ]);
}
