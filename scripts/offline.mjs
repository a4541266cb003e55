/** After a build: packs what is fetched, and lists what a device keeps of the program. */
import { finish } from './lib.mjs';

finish();
