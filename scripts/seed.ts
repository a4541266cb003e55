/** Puts the demo boats into a data folder, unless it has boats already. Usage: seed.ts FOLDER */
import { createBoat, listBoats } from '../src/server/boats';
import { openDatabase } from '../src/server/database';
import { seedShelf } from '../src/server/demo/firm';
import { halcyon } from '../src/server/demo/halcyon';
import { marram } from '../src/server/demo/marram';
import { turnstone } from '../src/server/demo/turnstone';

const [folder] = process.argv.slice(2);
if (!folder) throw new Error('a data folder is needed');
const db = openDatabase(folder);
if (listBoats(db).length === 0) {
  seedShelf(db, Date.now());
  createBoat(db, 'turnstone', turnstone(), Date.now());
  createBoat(db, 'halcyon', halcyon(), Date.now());
  createBoat(db, 'marram', marram(), Date.now());
}
