/** Starts the production build on a free port with a throw-away data folder; stops it by its own process. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startServer } from './server';

export default async function setup() {
  const data = mkdtempSync(join(tmpdir(), 'solenix-e2e-'));
  const server = await startServer(data);
  process.env.SOLENIX_URL = server.url;
  process.env.SOLENIX_E2E_DATA = data;
  return async () => {
    await server.stop('SIGTERM');
    rmSync(data, { recursive: true, force: true });
  };
}
