/** npm run passphrase: sets the passphrase by which people come in from other machines, and signs everybody out. Asked for, or read from a pipe. */
import { createInterface } from 'node:readline/promises';
import { setPassphrase } from '../src/server/access';
import { dataFolder, openDatabase } from '../src/server/database';

const lines = createInterface({ input: process.stdin, output: process.stdin.isTTY ? process.stdout : undefined });
const said = process.stdin.isTTY
  ? await lines.question('passphrase (ten letters or more): ')
  : ((await lines[Symbol.asyncIterator]().next()).value ?? '');
lines.close();
const why = setPassphrase(openDatabase(dataFolder()), String(said).trim(), Date.now());
if (why !== null) {
  console.error(`Not set: ${why}.`);
  process.exit(1);
}
console.log(`Set in ${dataFolder()}. Everybody signs in again.`);
