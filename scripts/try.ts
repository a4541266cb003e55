import { analyse } from '../src/core';
import { marram } from '../src/server/demo/marram';
import { halcyon } from '../src/server/demo/halcyon';
import { statesOf } from '../src/core/ac/states';
import { acCircuits } from '../src/core/ac/circuits';
import { runningOf } from '../src/core/ac/running';
import { inverterAnswers } from '../src/core/ac/inverter';
import { generatorAnswers } from '../src/core/ac/genset';
import { acPowerFindings } from '../src/core/check/acPowerFindings';
import { placardLines } from '../src/core/ac/placard';
import { isolationSteps } from '../src/core/ac/isolation';
for (const d of [marram(), halcyon()]) {
  const a = analyse(d);
  console.log('=====', d.boat.name, d.acSources.map((s) => s.name), d.acPanels.map((p) => p.name));
  acCircuits(d).forEach((r, i) => console.log(d.acCircuits[i]?.no, d.acCircuits[i]?.name, '|', r.amps.toFixed(1), r.ratingA, r.conductor.size, r.governs, r.lengthM.toFixed(1), r.dropPct.toFixed(2), r.totalPct.toFixed(2), r.faults.map((f) => `${f.sourceId} ${f.amps.toFixed(0)}A ${f.opensS.toFixed(2)} ${f.cutBy}`).join('; ')));
  for (const s of statesOf(d)) console.log(s.name, s.origins.map((o) => `${o.sourceId}: ${o.panels.length} panels, bonds ${o.bonds.map((b) => b.at)} want ${o.wanted}`).join(' | '));
  for (const r of runningOf(d)) console.log(r.setting.name, r.together.sets.length, r.wanted.roomVa.toFixed(0), r.wanted.shedding.steps, r.wanted.outOfReach, r.tooLarge);
  const power = { inverters: inverterAnswers(d, a, a.banks), generators: generatorAnswers(d, a) };
  console.log(JSON.stringify(power.inverters.map(({ wired, caseHas, caseWanted, ...x }) => ({ ...x, wired: wired && { ...wired, conductor: wired.conductor.size }, case: [caseHas?.size, caseWanted?.size] })), null, 1));
  console.log(JSON.stringify(power.generators));
  for (const f of [...a.findings.filter((x) => x.about.kind.startsWith('AC') || x.about.id === 'ac'), ...acPowerFindings(d, power)]) console.log(f.severity, f.about.id, f.title, '--', f.why.slice(0, 90));
  console.log(a.balance.needs.map((n) => [n.name, n.needAh.toFixed(0), n.made?.madeAh.toFixed(0)]));
  console.log(JSON.stringify(placardLines(d, runningOf(d)), null, 1).slice(0, 1500));
}
console.log(isolationSteps(halcyon()).map((s) => s.do));
