import next from 'eslint-config-next/core-web-vitals';
import tseslint from 'typescript-eslint';
import { coreFaces } from './eslint.faces.mjs';

export default tseslint.config(
  { ignores: ['.next', 'dist', 'node_modules', 'next-env.d.ts', 'test-results', '.demo', '.data', '.dependency-cruiser.cjs'] },
  ...next,
  ...tseslint.configs.strict,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-empty-function': 'off',
      'import/no-anonymous-default-export': 'off',
      // It does not know aria-description, which every role may have; journeys ask axe for the rest.
      'jsx-a11y/role-supports-aria-props': 'off',
    },
  },
  {
    files: ['src/stations/**/*.{ts,tsx}', 'src/ui/**/*.{ts,tsx}'],
    ignores: ['**/*.test.ts'],
    plugins: { core: { rules: { faces: coreFaces } } },
    rules: { 'core/faces': 'error' },
  },
  // AssemblyScript has no imports of types alone.
  { files: ['src/core/energy/kernel/*.ts'], rules: { '@typescript-eslint/consistent-type-imports': 'off' } },
);
