import nextVitals from 'eslint-config-next/core-web-vitals';
import tseslint from 'typescript-eslint';

/** Where React is: its rules read every function of a file, and find none elsewhere. */
const SCREENS = ['src/ui/**', 'src/app/**', 'src/proxy.ts'];

/** What is put to the database otherwise than by src/data. */
const STATEMENTS = [
  {
    selector: "MemberExpression[property.name='getQueryInterface']",
    message: 'Statements stand in src/data.',
  },
  {
    selector: "CallExpression[callee.object.name='sequelize'][callee.property.name='query']",
    message: 'Statements stand in src/data.',
  },
];

/** What a person reads stands in messages/: another language then needs no component. */
const SENTENCES = [
  { selector: 'JSXText[value=/[a-z]{2}/i]', message: 'Sentences stand in messages/.' },
  {
    selector:
      'JSXAttribute[name.name=/^(label|title|aria-label|placeholder|alt|hint)$/] > Literal[value=/[a-z]{2}/i]',
    message: 'Sentences stand in messages/.',
  },
];

export default tseslint.config(
  {
    ignores: [
      '.next/',
      'examples/pembit.d.ts',
      'var/',
      'next-env.d.ts',
      'node_modules/',
      'src/core/texts/compiled/',
    ],
  },
  ...nextVitals.map((config) => (config.ignores && !config.rules ? config : { ...config, files: SCREENS })),
  ...tseslint.configs.recommended,
  {
    files: ['**/*.ts', '**/*.tsx'],
    languageOptions: { parserOptions: { projectService: true } },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
      '@typescript-eslint/switch-exhaustiveness-check': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      eqeqeq: ['error', 'always', { null: 'ignore' }],
    },
  },
  {
    // The core is told what time it is and what the world holds; it never looks.
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': ['error', 'Date', 'fetch', 'process', 'window', 'document'],
      'no-restricted-properties': ['error', { object: 'Temporal', property: 'Now' }],
    },
  },
  {
    // What a person reads stands in messages/: another language then needs no component.
    files: ['src/core/texts/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        { selector: 'Literal[value=/[a-z]{2} [a-z]{2}/i]', message: 'Sentences stand in messages/.' },
        {
          selector: 'TemplateElement[value.raw=/[a-z]{2} [a-z]{2}|^[a-z]{3}/i]',
          message: 'Sentences stand in messages/.',
        },
      ],
    },
  },
  {
    files: ['src/ui/**/*.tsx'],
    rules: { 'no-restricted-syntax': ['error', ...SENTENCES] },
  },
  {
    // Statements stand in src/data alone: another database changes what is there, and nothing else.
    files: ['src/server/**/*.ts', 'src/api/**/*.ts', 'src/app/**/*.ts', 'src/app/**/*.tsx'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          paths: [
            { name: '@/data/database', importNames: ['select'], message: 'Statements stand in src/data.' },
          ],
        },
      ],
      'no-restricted-syntax': ['error', ...STATEMENTS],
    },
  },
  {
    files: ['src/app/**/*.tsx'],
    rules: { 'no-restricted-syntax': ['error', ...STATEMENTS, ...SENTENCES] },
  },
);
