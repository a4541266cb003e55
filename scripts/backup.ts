/** npm run backup [-- --to folder] [--keep 14]: one archive of everything in SOLENIX_DATA (or ./.data), while the server runs. */
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { backupName, keepNewest, makeBackup } from '../src/server/backup';
import { dataFolder, openDatabase } from '../src/server/database';

const after = (flag: string): string | undefined => {
  const at = process.argv.indexOf(flag);
  return at < 0 ? undefined : process.argv[at + 1];
};
const folder = dataFolder();
if (!existsSync(join(folder, 'solenix.sqlite'))) {
  console.error(`There is no database in ${folder}: set SOLENIX_DATA to the folder the server uses.`);
  process.exit(1);
}
const to = after('--to') ?? join(process.cwd(), 'backups');
const made = await makeBackup(openDatabase(folder), folder, join(to, backupName(Date.now())), Date.now());
console.log(`${made.file}: ${made.boats} boats, ${made.pictures} pictures, ${(made.bytes / 1e6).toFixed(1)} MB`);
for (const id of made.missing) console.error(`picture ${id} is not in ${folder}: it is missing from the backup too`);
const keep = Number(after('--keep') ?? 0);
for (const name of keepNewest(to, keep)) console.log(`taken away: ${name}`);
process.exit(made.missing.length > 0 ? 2 : 0);
