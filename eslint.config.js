import js from '@eslint/js';
import globals from 'globals';
import hooks from 'eslint-plugin-react-hooks';
import ts from 'typescript-eslint';

/** Inside core each folder may import only from folders named before it. */
const coreLayers = [
  'units',
  'geometry',
  'materials',
  'body',
  'foam',
  'flatten',
  'mass',
  'power',
  'light',
  'forms',
  'fit',
  'inside',
  'cut',
  'plan',
  'findings',
  'build',
  'formats',
];

const coreRules = coreLayers.map((layer, i) => ({
  files: [`core/src/${layer}/**/*.ts`],
  ignores: ['**/*.test.ts'],
  rules: {
    '@typescript-eslint/no-restricted-imports': [
      'error',
      {
        patterns: [
          {
            group: ['node:*', 'react', 'react-dom', '@fomrik/*'],
            message: 'core imports no platform and no interface.',
          },
          ...coreLayers.slice(i + 1).map((later) => ({
            group: [`../${later}/*`, `../../${later}/*`],
            allowTypeImports: true,
            message: `${layer}/ stands below ${later}/.`,
          })),
        ],
      },
    ],
  },
}));

export default ts.config(
  { ignores: ['**/dist/**', '**/node_modules/**', '.data/**', '.tmp/**', 'coverage/**'] },
  js.configs.recommended,
  ...ts.configs.strict,
  {
    languageOptions: { globals: { ...globals.node, ...globals.browser, ...globals.mocha } },
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-expressions': 'off',
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-dynamic-delete': 'off',
      '@typescript-eslint/no-import-type-side-effects': 'error',
    },
  },
  {
    files: ['server/**/*.ts'],
    rules: {
      'no-restricted-imports': ['error', { patterns: [{ group: ['@fomrik/web', '**/web/**', 'react'] }] }],
    },
  },
  {
    files: ['web/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    rules: {
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': 'error',
      'no-restricted-imports': [
        'error',
        { patterns: [{ group: ['node:*', '@fomrik/server', '**/server/**'] }] },
      ],
    },
  },
  { files: ['**/*.cjs'], rules: { '@typescript-eslint/no-require-imports': 'off' } },
  ...coreRules,
);
