/** npm run demo: installs, builds, makes the demo boats once, and serves them. Edits are kept from one run to the next. */
import { join } from 'node:path';
import { answering, build, freePort, install, root, seed, serve } from './lib.mjs';

install();
await build();
const data = join(root, '.demo');
seed(data);
const port = await freePort(Number(process.env.PORT ?? 4180));
const server = serve(port, data, ['ignore', 'ignore', 'inherit']);
server.once('exit', (code) => process.exit(code ?? 0));
for (const signal of ['SIGINT', 'SIGTERM']) process.once(signal, () => server.kill(signal));
await answering(`http://127.0.0.1:${port}/api/boats`);
console.log(`\n  Solenix with its demo boats: http://127.0.0.1:${port}\n  Ctrl C stops it.\n`);
