/** Writes docs/design.schema.json from the Valibot schema; with --check only compares. */
import { toJsonSchema } from '@valibot/to-json-schema';
import { readFileSync, writeFileSync } from 'node:fs';
import { DesignSchema } from '../src/core/design';

const file = 'docs/design.schema.json';
const text = `${JSON.stringify({ title: 'Solenix design file, version 1', ...toJsonSchema(DesignSchema, { errorMode: 'ignore' }) }, null, 1)}\n`;
if (!process.argv.includes('--check')) writeFileSync(file, text);
else if (readFileSync(file, 'utf8') !== text) {
  console.error(`${file} is not what the schema says: npm run schema`);
  process.exit(1);
}
