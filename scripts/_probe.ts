import { analyse } from '../src/core/analysis';
import { marram } from '../src/server/demo/marram';
import { halcyon } from '../src/server/demo/halcyon';
import { turnstone } from '../src/server/demo/turnstone';
for (const b of [marram, halcyon, turnstone]) {
  const d = b();
  console.log(d.boat.name);
  for (const f of analyse(d).findings) if (process.argv[2] ? new RegExp(process.argv[2]).test(f.id) : true) console.log(' ', f.severity, f.id, '|', f.title, '|', f.why);
}
