/** A database file looked through in a process of its own: however large it is, nobody waits for it. */
import { execFile } from 'node:child_process';
import { promisify } from 'node:util';

const LOOK = `const Database = require('better-sqlite3');
const file = new Database(process.argv[1], { readonly: true });
console.log(file.pragma('integrity_check', { simple: true }));`;

/** null: it is sound; else what is wrong with it. */
export async function unsound(path: string): Promise<string | null> {
  try {
    const { stdout } = await promisify(execFile)(process.execPath, ['-e', LOOK, path], { cwd: process.cwd(), maxBuffer: 1 << 24 });
    return stdout.trim() === 'ok' ? null : stdout.trim().slice(0, 300);
  } catch (error) {
    return error instanceof Error
      ? (error.message.split('\n').find((l) => /Error: /.test(l)) ?? error.message).slice(0, 300)
      : String(error);
  }
}
