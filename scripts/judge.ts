/**
 * npm run judge: the demo boats and random ones, row by row, so that a person can read a page and nod: size, device, what governs; and the rows
 * that stand furthest above what their own current and strength ask for. Usage: judge.ts [random boats] [first seed], or judge.ts --all 300: only
 * what no practitioner would sign in so many random boats.
 */
import { analyse, type CircuitResult } from '../src/core';
import type { Design } from '../src/core/design';
import { choiceName } from '../src/core/quantity';
import { findConductor } from '../src/core/rules';
import { halcyon } from '../src/server/demo/halcyon';
import { marram } from '../src/server/demo/marram';
import { turnstone } from '../src/server/demo/turnstone';
import { objections } from '../src/testing/judged';
import { usualBoat } from '../src/testing/usualBoat';

/** Copper a circuit has over what heat, protection and strength ask for. */
function over({ own }: CircuitResult): number {
  const own_ = own.ladder.rungs.filter((r) => r.applies && ['ampacity', 'protection', 'mechanical', 'maker'].includes(r.id));
  const least = Math.max(0.1, ...own_.map((r) => findConductor(own.ladder.school, r.smallest ?? '')?.areaMm2 ?? 0));
  return own.state.areaMm2 / least;
}

const line = (c: CircuitResult): string =>
  [
    c.no.padStart(4),
    c.name.slice(0, 30).padEnd(30),
    `${c.workingA.toFixed(1)} A`.padStart(9),
    choiceName(c.own.ladder.chosen).padStart(14),
    `${c.own.protection.ratingA} A ${c.own.protection.familyName}`.padEnd(26),
    c.own.ladder.governs.padEnd(11),
    c.own.state.drop.worst ? `${c.own.state.drop.worst.pct.toFixed(1)} %` : '',
    c.own.state.failing.length > 0 ? `fails ${c.own.state.failing.join(', ')}` : '',
  ].join(' ');

function tell(design: Design): void {
  const { circuits, findings } = analyse(design);
  console.log(`\n${design.boat.name}: ${design.boat.systemV} V, ${design.boat.ruleSet}, ${design.boat.lengthM.toFixed(1)} m`);
  for (const c of circuits) console.log(line(c));
  const worst = [...circuits]
    .filter((c) => over(c) > 1)
    .sort((a, b) => over(b) - over(a))
    .slice(0, 10);
  if (worst.length > 0) console.log('  most copper over what the current asks for:');
  for (const c of worst) console.log(`  ${over(c).toFixed(1)} times ${line(c)}`);
  for (const f of findings) if (f.severity !== 'note') console.log(`  ${f.severity}: ${f.title} (${f.id})`);
}

const [first = '10', second = '1'] = process.argv.slice(2);
if (first === '--all') {
  let objected = 0;
  for (let seed = 1; seed <= Number(second); seed++) {
    const all = objections(usualBoat(seed), 12);
    for (const o of all) console.log(`boat ${seed}: ${o}`);
    if (all.length > 0) objected++;
  }
  console.log(`${second} boats, ${objected} with an objection`);
  process.exitCode = objected > 0 ? 1 : 0;
} else {
  for (const make of [marram, halcyon, turnstone]) tell(make());
  for (let i = 0; i < Number(first); i++) tell(usualBoat(Number(second) + i));
}
