/** Compiles the time loop (src/core/energy/kernel) to WebAssembly, as text that a bundler takes along (hexadecimal packs tighter than base 64), when it is older than its sources. */
import { execFileSync } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = dirname(dirname(fileURLToPath(import.meta.url)));
const folder = join(root, 'src/core/energy/kernel');
const target = join(root, 'src/core/energy/kernel.wasm.ts');

export function kernel() {
  const sources = readdirSync(folder).map((name) => join(folder, name));
  const newest = Math.max(...[...sources, fileURLToPath(import.meta.url)].map((path) => statSync(path).mtimeMs));
  if (existsSync(target) && statSync(target).mtimeMs > newest) return;
  const at = mkdtempSync(join(tmpdir(), 'solenix-kernel-'));
  const wasm = join(at, 'kernel.wasm');
  const options = ['-O3', '--uncheckedBehavior', 'always', '--runtime', 'stub', '--use', 'abort='];
  const asc = join(root, 'node_modules/assemblyscript/bin/asc.js');
  execFileSync(process.execPath, [asc, join(folder, 'index.ts'), ...options, '-o', wasm], { cwd: root, stdio: 'inherit' });
  writeFileSync(
    target,
    `/** Made by scripts/kernel.mjs of src/core/energy/kernel. */\nexport const KERNEL =\n  '${readFileSync(wasm, 'hex')}';\n`,
  );
  rmSync(at, { recursive: true });
}

if (process.argv[1] === fileURLToPath(import.meta.url)) kernel();
