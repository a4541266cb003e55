/** Bundles the server's thread (src/app/work/thread.ts) to dist/thread.mjs when it is older than its sources. */
import { existsSync, readdirSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = dirname(dirname(fileURLToPath(import.meta.url)));
const target = join(root, 'dist/thread.mjs');

function newest(path) {
  const stat = statSync(path);
  if (!stat.isDirectory()) return stat.mtimeMs;
  return readdirSync(path).reduce((most, name) => Math.max(most, newest(join(path, name))), 0);
}

export async function thread() {
  const sources = ['src/core', 'src/server', 'src/ui/drawing', 'src/app/work', 'package-lock.json'].map((p) => newest(join(root, p)));
  if (existsSync(target) && statSync(target).mtimeMs > Math.max(...sources)) return;
  const { build } = await import('esbuild');
  await build({
    entryPoints: [join(root, 'src/app/work/thread.ts')],
    outfile: target,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    jsx: 'automatic',
    minify: true,
    // What packages of the older module kind ask for.
    banner: { js: "import{createRequire as __cr}from'node:module';const require=__cr(import.meta.url);" },
    define: { 'process.env.NODE_ENV': '"production"' },
    logLevel: 'warning',
  });
}

if (process.argv[1] === fileURLToPath(import.meta.url)) await thread();
