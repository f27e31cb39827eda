import js from '@eslint/js';
import next from '@next/eslint-plugin-next';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  { ignores: ['.next/', 'node_modules/', '.oaken*/', '.workers/', 'next-env.d.ts', 'test-results/', 'playwright-report/'] },
  js.configs.recommended,
  ...tseslint.configs.strict,
  {
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/no-invalid-void-type': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { ignoreRestSiblings: true }],
      'max-lines': ['error', { max: 300, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    files: ['src/**/*.{ts,tsx}'],
    plugins: { '@next/next': next, 'react-hooks': hooks },
    rules: { ...next.configs.recommended.rules, ...next.configs['core-web-vitals'].rules, ...hooks.configs.recommended.rules },
  },
  {
    // Clock, randomness and ids are passed into the core.
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': ['error', 'window', 'document', 'fetch', 'performance', 'process'],
      'no-restricted-syntax': [
        'error',
        { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: 'The clock is passed in.' },
        { selector: "CallExpression[callee.object.name='Date'][callee.property.name='now']", message: 'The clock is passed in.' },
        { selector: "CallExpression[callee.object.name='Math'][callee.property.name='random']", message: 'Randomness is passed in.' },
      ],
    },
  },
  {
    // A form that only a script sends puts its fields into the address when it is pressed before the page is awake.
    files: ['src/**/*.tsx'],
    ignores: ['src/ui/forms/Form.tsx'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: "JSXOpeningElement[name.name='form']:not(:has(JSXAttribute[name.name='action'])):not(:has(JSXSpreadAttribute))",
          message: 'Use Form, or give the form an action that takes it as a POST.',
        },
      ],
    },
  },
  // Tables of text are as long as what they hold.
  { files: ['src/core/techniques/families.ts', '**/*.test.ts'], rules: { 'max-lines': 'off' } },
  {
    files: ['**/*.cjs', 'public/*.js'],
    rules: { '@typescript-eslint/no-require-imports': 'off' },
    languageOptions: {
      globals: {
        module: 'writable',
        require: 'readonly',
        self: 'readonly',
        caches: 'readonly',
        fetch: 'readonly',
        Response: 'readonly',
        URL: 'readonly',
      },
    },
  },
);
