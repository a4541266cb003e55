import { marram } from '../src/server/demo/marram';
import { halcyon } from '../src/server/demo/halcyon';
import { cruise } from '../src/core/energy/cruise';
import { compareJoins } from '../src/core/energy/joinWays';
import { fillTimes } from '../src/core/energy/fill';
import { compareDesigns } from '../src/core/energy/compare';
import { asOption } from '../src/core/design';
import { settingsMatrix } from '../src/core/charge/settings';
import { analyse } from '../src/core';
for (const d of [marram(), halcyon()]) {
const r = cruise(d);
for (const x of r.days) console.log(x.name, x.loadAh.toFixed(1), x.madeAh.toFixed(1), x.bySource.map(y=>y.toFixed(1)).join('/'), x.lowest.map(y=>y.toFixed(3)).join('/'), x.endSoc.map(y=>y.toFixed(3)).join('/'), x.reaches.map(z=>z?.toFixed(1)), x.litres.toFixed(2), x.unmetAh.toFixed(2));
console.log(r.warnings.map(w=>w.title), r.driftPerDay, r.imbalance);
let t=performance.now(); console.table(compareJoins(d).map(c=>({way:c.way,hl:c.house.lowest.toFixed(2),h95:c.house.hoursTo95,sl:c.start.lowest.toFixed(2),s95:c.start.hoursTo95,hV:c.houseV.toFixed(2),sV:c.startV.toFixed(2),f:c.failsAfterDays,st:c.starves}))); console.log(performance.now()-t);
console.log(fillTimes(d));
t=performance.now(); if(d.options[1]) console.table(compareDesigns(d, asOption(d,d.options[1]))); console.log(performance.now()-t);
for (const row of settingsMatrix(d)) console.log(row.source.name,row.worst,row.settings.filter(s=>s.verdict!=='right').map(s=>`${s.name}: ${s.now} / ${s.wanted} → ${s.change}`));
const a=analyse(d); console.log(a.balance.needs.map(n=>[n.name,n.needAh.toFixed(0),n.made?.madeAh.toFixed(0),n.made?.settlesAt.toFixed(2)].join(' ')), a.findings.filter(f=>['source','join','bank','living','cruise'].includes(f.about.kind)).map(f=>f.severity+' '+f.about.id+' '+f.title));
}
