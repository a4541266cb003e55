import { kernel } from './scripts/kernel.mjs';
import { thread } from './scripts/thread.mjs';

kernel();
await thread();

export default {
  testEnvironment: 'node',
  // Nothing is judged by how long it takes; a busy machine lays out slowly.
  testTimeout: 60_000,
  // On two cores Jest would otherwise leave one idle.
  maxWorkers: '100%',
  roots: ['<rootDir>/src'],
  testMatch: ['**/*.test.ts'],
  transform: {
    '^.+\\.tsx?$': [
      '@swc/jest',
      { jsc: { parser: { syntax: 'typescript', tsx: true }, target: 'es2022', transform: { react: { runtime: 'automatic' } } } },
    ],
  },
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
};
