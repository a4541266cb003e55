/** npm run dev: the demo boats in a server that follows the sources. A change below src/core reaches the server's threads at the next start. */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { env, install, root, seed } from './lib.mjs';
import { fonts } from './fonts.mjs';
import { kernel } from './kernel.mjs';
import { thread } from './thread.mjs';

install();
kernel();
await thread();
fonts();
const data = join(root, '.demo');
seed(data);
const next = spawn(process.execPath, [join(root, 'node_modules/next/dist/bin/next'), 'dev', '-H', '127.0.0.1', ...process.argv.slice(2)], {
  cwd: root,
  stdio: 'inherit',
  env: { ...env, SOLENIX_DATA: data },
});
next.once('exit', (code) => process.exit(code ?? 0));
for (const signal of ['SIGINT', 'SIGTERM']) process.once(signal, () => next.kill(signal));
