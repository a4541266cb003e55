/** The figures the application calculates with, as a page: conductors, devices, ends, torque. */
import { CONDUCTORS, DC_FAMILIES, STUDS, TERMINALS } from '../src/core/rules';

const NEWTON_LBF = 4.4482216152605;
const NM_LBFT = 1.3558179483314;
const three = (x: number): string => String(Number(x.toPrecision(3)));
const table = (heads: readonly string[], rows: readonly (readonly string[])[]): string =>
  [heads, heads.map(() => '---'), ...rows].map((r) => `| ${r.join(' | ')} |`).join('\n');

const conductors = (school: 'awg' | 'metric'): string => {
  const columns = [60, 75, 90, 105] as const;
  return table(
    ['size', 'mm²', 'Ω/km at 20 °C', 'Ω/1000 ft', ...columns.map((c) => `A at ${c} °C`)],
    CONDUCTORS[school].map((c) => [
      school === 'awg' ? `${c.size} AWG` : `${c.size} mm²`,
      three(c.areaMm2),
      three(c.r20OhmPerKm),
      three(c.r20OhmPerKm * 0.3048),
      ...columns.map((t) => (c.ampacityA[t] === undefined ? '' : String(c.ampacityA[t]))),
    ]),
  );
};

export const figuresPage = (): string => `# Figures

<!-- Written by \`npm run rules\` from src/core/rules. Do not edit. -->

What the application calculates with where nothing better is entered. Figures of standards are to be verified against the edition in force; a maker's own figure always comes first.

## Torque of studs and screws

What a nut or a screw on tinned copper is tightened to, where the maker of the equipment says nothing. Plausible for brass and stainless studs. Too little heats the joint, too much strips it.

${table(
  ['stud', 'in the other school', 'torque, N m', 'torque, lb ft', 'clearance hole, mm'],
  STUDS.map((s) => [s.metric, s.imperial, three(s.torqueNm), three(s.torqueNm / NM_LBFT), three(s.clearanceHoleMm)]),
)}

## Pull tests of crimped ends

Held one minute, on a sample of each die and size.

${table(
  ['AWG', 'mm²', 'pull, N', 'pull, lbf', 'pull of the metric size, N', 'insulated colour', 'kind'],
  TERMINALS.map((t) => [
    t.awg,
    t.mm2,
    String(t.pullTestN),
    String(Math.round(t.pullTestN / NEWTON_LBF)),
    t.pullTestMetricN === null ? '' : String(t.pullTestMetricN),
    t.insulatedColour ?? '',
    t.kind,
  ]),
)}

## Fuses and breakers by pattern

What a pattern typically interrupts, at the volts given.

${table(
  ['pattern', 'kind', 'ratings, A', 'V DC at most', 'interrupts', 'ignition protected'],
  DC_FAMILIES.map((f) => [
    f.name,
    f.kind,
    `${f.ratingsA[0] ?? ''} to ${f.ratingsA[f.ratingsA.length - 1] ?? ''}`,
    String(f.maxVDc ?? ''),
    f.interrupting.map((i) => `${i.amps} A at ${i.volts} V`).join('; '),
    f.ignitionProtected ? 'yes' : 'no',
  ]),
)}

## Conductors, AWG

Ampacity of one conductor in free air, by the class of its insulation.

${conductors('awg')}

## Conductors, mm²

${conductors('metric')}
`;
