/** Writes docs/design.schema.json and docs/openapi.json from the Valibot schemas; with --check only compares. */
import { toJsonSchema } from '@valibot/to-json-schema';
import { readFileSync, writeFileSync } from 'node:fs';
import { DesignSchema } from '../src/core/design';
import { openapi } from './openapi';

const made: Readonly<Record<string, object>> = {
  'docs/design.schema.json': { title: 'Solenix design file, version 1', ...toJsonSchema(DesignSchema, { errorMode: 'ignore' }) },
  'docs/openapi.json': openapi(),
};
for (const [file, value] of Object.entries(made)) {
  const text = `${JSON.stringify(value, null, 1)}\n`;
  if (!process.argv.includes('--check')) writeFileSync(file, text);
  else if (readFileSync(file, 'utf8') !== text) {
    console.error(`${file} is not what the schema says: npm run schema`);
    process.exit(1);
  }
}
