/** npm run notices: the licences of every package that is shipped, with their texts, into public/notices.txt; made anew with every build. */
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

const root = dirname(dirname(fileURLToPath(import.meta.url)));
const LICENCE = /^(licen[cs]e|copying|notice)([.-].*)?$/i;

/** Writes the file; answers how many packages it tells. Throws where a package that is shipped says nothing of its licence. */
export function notices() {
  const { packages } = JSON.parse(readFileSync(join(root, 'package-lock.json'), 'utf8'));
  const told = new Map();
  for (const [path, { version, license, dev, devOptional, optional }] of Object.entries(packages)) {
    if (path === '' || dev || devOptional || (optional && !existsSync(join(root, path)))) continue;
    if (!license) throw new Error(`${path} says nothing of its licence`);
    const name = path.slice(path.lastIndexOf('node_modules/') + 'node_modules/'.length);
    const files = existsSync(join(root, path)) ? readdirSync(join(root, path)).filter((f) => LICENCE.test(f)) : [];
    const text = files.map((f) => readFileSync(join(root, path, f), 'utf8').trim()).join('\n\n');
    told.set(`${name} ${version}`, { license, text });
  }
  const parts = [...told].sort(([a], [b]) => a.localeCompare(b));
  writeFileSync(
    join(root, 'public/notices.txt'),
    [
      'Solenix is shipped with these packages. Each stands under its own licence.',
      parts.map(([name, { license }]) => `${name}: ${license}`).join('\n'),
      ...parts.filter(([, { text }]) => text !== '').map(([name, { text }]) => `${'-'.repeat(80)}\n${name}\n\n${text}`),
    ].join('\n\n'),
  );
  return parts.length;
}

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) console.log(`public/notices.txt: ${notices()} packages`);
