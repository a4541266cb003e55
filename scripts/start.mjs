/** npm start: serves your own boats, kept in SOLENIX_DATA or ./.data. */
import { join } from 'node:path';
import { answering, build, freePort, install, root, serve } from './lib.mjs';

install();
await build();
const port = await freePort(Number(process.env.PORT ?? 4170));
const server = serve(port, process.env.SOLENIX_DATA ?? join(root, '.data'), ['ignore', 'ignore', 'inherit']);
server.once('exit', (code) => process.exit(code ?? 0));
for (const signal of ['SIGINT', 'SIGTERM']) process.once(signal, () => server.kill(signal));
await answering(`http://127.0.0.1:${port}/api/boats`);
console.log(`\n  Solenix: http://127.0.0.1:${port}\n  Ctrl C stops it.\n`);
