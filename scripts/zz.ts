import { marram } from '../src/server/demo/marram';
import { blankSource, blankBank, blankJoin } from '../src/core/design';
import { cruise, runDays } from '../src/core/energy/cruise';
import { sceneOf } from '../src/core/energy/scene';
import { createLoop, AS_ENTERED } from '../src/core/energy/loop';
const m = marram(); const d0 = {...m, banks: m.banks.map(b=>({...b, strings:6})), loads: m.loads.filter(l=>!/Inverter|Laptop/.test(l.name))};
const times=1;
const d = { ...d0, banks:[...d0.banks, {...blankBank('start',12,null), job:'start' as const, name:'Start', blockAh: 75, strings:1}], sources: [ {...blankSource('alt','alternator',12,'house'), joinId: null}, blankSource('shore','shore charger',12,'house'), {...blankSource('sun','solar',12,'house'), solar:{...blankSource('sun','solar',12,'house').solar!, parallel: 10, controllerA: 80}}, blankSource('wind','wind',12,'house')], joins:[{...blankJoin('vsr','relay',12), firstId:'house', secondId:'start'}], cruises:[{id:'c',name:'c',legs:[{id:'1',livingId:'anchor',days:5},{id:'2',livingId:'passage',days:2},{id:'3',livingId:'alongside',days:1}],repeat:3,startSoc:1}]};
const r = cruise(d);
for (const x of r.days.slice(0,9)) console.log(x.name, x.loadAh.toFixed(1), x.madeAh.toFixed(1), x.bySource.map(y=>y.toFixed(1)).join('/'), x.lowest.map(y=>y.toFixed(3)).join('/'), x.endSoc.map(y=>y.toFixed(3)).join('/'), x.reaches, x.litres.toFixed(2), x.unmetAh.toFixed(2));
console.log(r.driftPerDay, r.imbalance);
for (const join of [0,1]) for (const step of [15]) {
 const sc = sceneOf(join?d:{...d,joins:[]}, step); const loop=createLoop(sc,true);
 const f={...AS_ENTERED};
 for (let k=0;k<4;k++){ const a=performance.now(); let N=0; for(let run=0;run<400;run++){loop.reset(1); for(let i=0;i<30;i++){f.sun=0.5+((run*7+i*3)%10)/10;loop.day(sc.days[i%7<5?0:1]!,f);N+=sc.n}} const ms=performance.now()-a; console.log(join, step, ms.toFixed(0)+' ms', (ms*1e6/N).toFixed(0)+' ns/step'); }
}
