import { defineConfig } from 'drizzle-kit';

export default defineConfig({ dialect: 'sqlite', schema: './src/server/tables.ts', out: './src/server/migrations' });
