import js from '@eslint/js';
import globals from 'globals';
import hooks from 'eslint-plugin-react-hooks';
import ts from 'typescript-eslint';

/** Inside core each folder imports only the faces of folders named before it; those on one line do not know each other. */
const coreLayers = [
  ['units'],
  ['rule', 'thumbnail'],
  ['geometry', 'learn', 'light'],
  ['picture'],
  ['materials'],
  ['foam', 'pipe'],
  ['body'],
  ['document'],
  ['flatten', 'outline', 'printed'],
  ['panel'],
  ['space'],
  ['skin'],
  ['features'],
  ['forms'],
  ['parts'],
  ['dimensions', 'glow', 'sets', 'view'],
  ['fit', 'circuit', 'cut', 'carry', 'assembly'],
  ['pattern'],
  ['plan', 'travel'],
  ['folding', 'stepPicture'],
  ['findings'],
  ['report'],
  ['files'],
];
const coreFolders = coreLayers.flat();
/** How a folder is written from however deep in another. */
const from = (folder, rest = '') =>
  ['..', '../..', '../../..', '../../../..'].map((up) => `${up}/${folder}${rest}`);

const coreRules = coreLayers.flatMap((layer, i) =>
  layer.map((folder) => {
    const later = coreLayers
      .slice(i)
      .flat()
      .filter((f) => f !== folder);
    return {
      files: [`core/src/${folder}/**/*.ts`],
      ignores: ['**/*.test.ts', '**/testing/**'],
      rules: {
        '@typescript-eslint/no-restricted-imports': [
          'error',
          {
            patterns: [
              {
                group: ['node:*', 'react', 'react-dom', '@fomrik/*'],
                message: 'core imports no platform and no interface.',
              },
              {
                group: later.flatMap((f) => [...from(f), ...from(f, '/**')]),
                message: `${folder}/ stands below, types too.`,
              },
              {
                group: coreFolders.filter((f) => f !== folder).flatMap((f) => from(f, '/**')),
                message: 'other folders are known by their face.',
              },
            ].filter(({ group }) => group.length > 0),
          },
        ],
      },
    };
  }),
);

export default ts.config(
  {
    ignores: [
      '**/dist/**',
      'core/bench.mjs',
      'core/strips.mjs',
      '**/node_modules/**',
      '.data/**',
      '.tmp/**',
      'coverage/**',
    ],
  },
  js.configs.recommended,
  ...ts.configs.strict,
  {
    languageOptions: { globals: { ...globals.node, ...globals.browser, ...globals.mocha } },
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-expressions': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { ignoreRestSiblings: true }],
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-dynamic-delete': 'off',
      '@typescript-eslint/no-import-type-side-effects': 'error',
    },
  },
  {
    files: ['core/src/**/*.ts', 'server/src/**/*.ts', 'web/src/**/*.{ts,tsx}'],
    ignores: ['**/*.test.ts', '**/testing/**'],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': [
        'error',
        { checksVoidReturn: { arguments: false, attributes: false } },
      ],
      '@typescript-eslint/await-thenable': 'error',
      '@typescript-eslint/no-unsafe-argument': 'error',
      '@typescript-eslint/no-unsafe-assignment': 'error',
      '@typescript-eslint/no-unsafe-call': 'error',
      '@typescript-eslint/no-unsafe-member-access': 'error',
      '@typescript-eslint/no-unsafe-return': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': [
        'error',
        { considerDefaultExhaustiveForUnions: true },
      ],
    },
  },
  {
    files: ['server/**/*.ts'],
    rules: {
      'no-restricted-imports': ['error', { patterns: [{ group: ['@fomrik/web', '**/web/**', 'react'] }] }],
    },
  },
  {
    files: ['web/src/**/*.{ts,tsx}'],
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
