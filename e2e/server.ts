import type { ChildProcess } from 'node:child_process';
import { answering, freePort, seed, serve } from '../scripts/lib.mjs';

export interface Server {
  readonly url: string;
  readonly port: number;
  readonly stop: (signal: NodeJS.Signals) => Promise<void>;
}

/** The production server on a data folder: on a free port, with the demo boats put into it; or again on the port it had. */
export async function startServer(data: string, port?: number, more: Readonly<Record<string, string>> = {}): Promise<Server> {
  if (port === undefined) seed(data, 'ignore');
  const on = port ?? (await freePort(0));
  const child: ChildProcess = serve(on, data, 'ignore', more);
  const url = `http://127.0.0.1:${on}`;
  await answering(`${url}/api/boats`);
  return {
    url,
    port: on,
    stop: (signal) =>
      new Promise((resolve) => {
        if (child.exitCode !== null) return resolve();
        child.once('exit', () => resolve());
        child.kill(signal);
      }),
  };
}
