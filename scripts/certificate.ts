/** npm run certificate -- name [name ...]: a certificate for these names and addresses, kept beside the boats, and how a tablet is told to trust it. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { isIP } from 'node:net';
import { hostname, networkInterfaces } from 'node:os';
import { join } from 'node:path';
import { generate } from 'selfsigned';
import { dataFolder } from '../src/server/database';

const own = Object.values(networkInterfaces()).flatMap((all) =>
  (all ?? []).filter((a) => !a.internal && a.family === 'IPv4').map((a) => a.address),
);
const asked = process.argv.slice(2);
const names = [...new Set([...(asked.length > 0 ? asked : [hostname(), ...own]), 'localhost', '127.0.0.1'])];
const [first = 'localhost'] = names;
const end = new Date(Date.now() + 825 * 24 * 3600_000);
const made = await generate([{ name: 'commonName', value: first }], {
  algorithm: 'sha256',
  keySize: 2048,
  notAfterDate: end,
  extensions: [
    { name: 'basicConstraints', cA: true, critical: true },
    { name: 'keyUsage', digitalSignature: true, keyEncipherment: true, keyCertSign: true, critical: true },
    { name: 'extKeyUsage', serverAuth: true },
    {
      name: 'subjectAltName',
      altNames: names.map((name) => (isIP(name) ? { type: 7 as const, ip: name } : { type: 2 as const, value: name })),
    },
  ],
});
const folder = join(dataFolder(), 'tls');
mkdirSync(folder, { recursive: true, mode: 0o700 });
writeFileSync(join(folder, 'certificate.pem'), made.cert);
writeFileSync(join(folder, 'key.pem'), made.private, { mode: 0o600 });
console.log(`${join(folder, 'certificate.pem')} and key.pem, for ${names.join(', ')}, until ${end.toISOString().slice(0, 10)}.

Start:   HOST=0.0.0.0 SOLENIX_HOSTS=${names.filter((n) => !isIP(n)).join(',')} SOLENIX_TLS_CERT=${join(folder, 'certificate.pem')} SOLENIX_TLS_KEY=${join(folder, 'key.pem')} npm start
A tablet trusts it once certificate.pem (never key.pem) is on it and taken in as a certificate authority:
  Android: Settings, Security, Encryption and credentials, Install a certificate, CA certificate.
  iPadOS: open the file, Settings, Profile downloaded, Install; then General, About, Certificate Trust Settings, and switch it on.`);
