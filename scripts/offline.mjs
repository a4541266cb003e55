/** After a build: lists what a device keeps of the program. */
import { listFiles } from './lib.mjs';

listFiles();
