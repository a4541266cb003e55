/** Puts the demo boats into a data folder, unless it has boats already. Usage: seed.ts FOLDER */
import { createBoat, listBoats } from '../src/server/boats';
import { openDatabase } from '../src/server/database';
import { halcyon } from '../src/server/demo/halcyon';
import { marram } from '../src/server/demo/marram';

const [folder] = process.argv.slice(2);
if (!folder) throw new Error('a data folder is needed');
const db = openDatabase(folder);
if (listBoats(db).length === 0) {
  createBoat(db, 'halcyon', halcyon(), Date.now());
  createBoat(db, 'marram', marram(), Date.now());
}
