/** npm run restore -- archive.zip folder: a backup into a new folder, every file checked; start the server with SOLENIX_DATA set to it. */
import { restoreBackup } from '../src/server/backup';

const [archive, folder] = process.argv.slice(2);
if (!archive || !folder) {
  console.error('npm run restore -- archive.zip new-folder');
  process.exit(1);
}
const done = await restoreBackup(archive, folder);
if (!done.ok) {
  console.error(`Not restored: ${done.reason}`);
  process.exit(1);
}
console.log(
  `${folder}: ${done.boats} boats and ${done.pictures} pictures, as of ${done.made}. Start with SOLENIX_DATA=${folder} npm start`,
);
