/** npm start: serves your own boats, kept in SOLENIX_DATA or ./.data; with a certificate (SOLENIX_TLS_CERT, SOLENIX_TLS_KEY) over TLS. */
import { readFileSync } from 'node:fs';
import { connect } from 'node:net';
import { join } from 'node:path';
import { createServer } from 'node:tls';
import { answering, build, freePort, install, root, serve } from './lib.mjs';

install();
await build();
const data = process.env.SOLENIX_DATA ?? join(root, '.data');
const port = await freePort(Number(process.env.PORT ?? 4170));
const { HOST, SOLENIX_TLS_CERT: certificate, SOLENIX_TLS_KEY: key } = process.env;
const tls = certificate && key;
const inner = tls ? await freePort(0) : port;
// Behind TLS the application itself is reached from this machine alone, and guarded as if it were not.
const server = serve(
  inner,
  data,
  ['ignore', 'ignore', 'inherit'],
  tls ? { HOST: '127.0.0.1', SOLENIX_TLS: '1', SOLENIX_GUARDED: HOST && HOST !== '127.0.0.1' ? '1' : '0' } : {},
);
server.once('exit', (code) => process.exit(code ?? 0));
for (const signal of ['SIGINT', 'SIGTERM']) process.once(signal, () => server.kill(signal));
await answering(`http://${!tls && HOST && HOST !== '0.0.0.0' && HOST !== '::' ? HOST : '127.0.0.1'}:${inner}/api/boats`);
if (tls) {
  const front = createServer({ cert: readFileSync(certificate), key: readFileSync(key), minVersion: 'TLSv1.2' }, (outer) => {
    const within = connect(inner, '127.0.0.1');
    const end = () => {
      outer.destroy();
      within.destroy();
    };
    outer.on('error', end).on('close', end);
    within.on('error', end).on('close', end);
    outer.pipe(within).pipe(outer);
  });
  front.on('tlsClientError', () => {});
  await new Promise((done) => front.listen(port, HOST ?? '127.0.0.1', done));
}
console.log(`\n  Solenix: ${tls ? 'https' : 'http'}://${HOST ?? '127.0.0.1'}:${port}\n  Ctrl C stops it.\n`);
