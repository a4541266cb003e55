/** Lists the files of the built program beside them: what a device keeps to open without a connection (public/sw.js). */
import { readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './lib.mjs';

const from = join(root, '.next/static');
const files = readdirSync(from, { recursive: true, withFileTypes: true })
  .filter((f) => f.isFile() && /\.(js|css|woff2|wasm)$/.test(f.name))
  .map(
    (f) =>
      `/_next/static/${join(f.parentPath, f.name)
        .slice(from.length + 1)
        .replaceAll('\\', '/')}`,
  )
  .sort();
writeFileSync(join(from, 'files.json'), JSON.stringify(files));
