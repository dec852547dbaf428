import js from '@eslint/js';
import angular from 'angular-eslint';
import tseslint from 'typescript-eslint';

/** Boundaries: what a room may not reach for. Directions of imports are held by .dependency-cruiser.cjs. */
const forbid = (...groups) => ({ '@typescript-eslint/no-restricted-imports': ['error', { patterns: groups }] });
/** By its name the browser gets all of it, forty languages and more: three times as much. */
const ALL_OF_ZOD = {
  selector: "ImportDeclaration[source.value='zod'] > ImportSpecifier[imported.name='z']",
  message: "Write import * as z from 'zod'.",
};

export default tseslint.config(
  {
    ignores: [
      '**/dist/**',
      '**/node_modules/**',
      '.cache/**',
      'test-results/**',
      '**/.angular/**',
      'web/karma.conf.cjs',
      '.dependency-cruiser.cjs',
    ],
  },
  { files: ['**/*.ts', '**/*.mjs'], ...js.configs.recommended },
  ...tseslint.configs.strict.map((config) => ({ ...config, files: ['**/*.ts'] })),
  {
    files: ['**/*.ts'],
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'separate-type-imports' }],
      '@typescript-eslint/no-extraneous-class': 'off',
      '@typescript-eslint/no-empty-object-type': ['error', { allowInterfaces: 'with-single-extends' }],
      eqeqeq: 'error',
      'no-restricted-syntax': ['error', ALL_OF_ZOD],
      'no-control-regex': 'off',
    },
  },
  {
    files: ['core/**/*.ts'],
    ignores: ['core/**/*.spec.ts', 'core/reference/**'],
    rules: {
      ...forbid({
        group: ['node:*', '@angular/*', '@odontis/*', 'rxjs'],
        message: 'core knows nothing but saws.',
      }),
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'process',
        'console',
        'setTimeout',
        'setInterval',
        'performance',
        'fetch',
        'localStorage',
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'core has no randomness.' },
        { object: 'Date', property: 'now', message: 'core has no clock.' },
      ],
      'no-restricted-syntax': [
        'error',
        ALL_OF_ZOD,
        { selector: "NewExpression[callee.name='Date']", message: 'core has no clock.' },
      ],
    },
  },
  {
    files: ['web/app/**/*.ts'],
    extends: [...angular.configs.tsRecommended],
    processor: angular.processInlineTemplates,
    rules: {
      '@angular-eslint/prefer-on-push-component-change-detection': 'error',
      '@angular-eslint/component-selector': ['error', { type: 'element', prefix: 'od', style: 'kebab-case' }],
      ...forbid({ group: ['node:*', 'express', 'sequelize', 'pg'], message: 'web runs in the browser.' }),
    },
  },
  {
    files: ['web/**/*.html'],
    extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility],
    rules: {
      '@angular-eslint/template/click-events-have-key-events': 'off',
      '@angular-eslint/template/interactive-supports-focus': 'off',
      '@angular-eslint/template/no-autofocus': 'off',
    },
  },
  { files: ['**/*.mjs'], languageOptions: { globals: { process: 'readonly', console: 'readonly' } } },
);
