import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  {
    ignores: [
      '**/node_modules',
      '**/dist',
      '**/.expo',
      '**/.cache',
      'data',
      'test-results',
      'playwright-report',
      'docs',
    ],
  },
  ...tseslint.configs.recommended,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', caughtErrorsIgnorePattern: '^_' },
      ],
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/no-explicit-any': 'error',
      eqeqeq: 'error',
      'max-lines': ['error', { max: 250, skipBlankLines: true }],
      'max-lines-per-function': ['error', { max: 80, skipBlankLines: true, skipComments: true, IIFEs: true }],
      'max-depth': ['error', 4],
      'max-params': ['error', 5],
      'no-console': 'off',
    },
  },
  {
    // A law takes as many unknowns as it has, a table of cases as many columns.
    files: ['**/*.test.{ts,tsx}', 'e2e/**'],
    rules: {
      'max-params': 'off',
      'max-lines-per-function': 'off',
      'max-lines': ['error', { max: 400, skipBlankLines: true }],
    },
  },
  { files: ['client/src/**/*.{ts,tsx}'], ...reactHooks.configs.flat.recommended },
  {
    // What plans a job stands behind the planner, so that it is done off the finger's path.
    files: ['client/src/**/*.{ts,tsx}'],
    ignores: ['client/src/planning/{planning,plans}.ts', '**/*.test.{ts,tsx}', 'client/src/testing/**'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          paths: [
            {
              name: '@katabasis/core',
              importNames: ['planJob', 'solve', 'sizeJob', 'fixOf', 'searchFix'],
              message: 'Ask planning/planner.',
            },
          ],
        },
      ],
    },
  },
  { files: ['**/*.cjs', '**/*.config.js', '*.js'], rules: { '@typescript-eslint/no-require-imports': 'off' } },
);
