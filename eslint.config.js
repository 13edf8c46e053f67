import js from '@eslint/js';
import angular from 'angular-eslint';
import prettier from 'eslint-config-prettier';
import tseslint from 'typescript-eslint';
import house from './tools/lib/lint/one-thing-a-line.mjs';

const nodeGlobals = {
  process: 'readonly',
  console: 'readonly',
  URL: 'readonly',
  setTimeout: 'readonly',
  clearTimeout: 'readonly',
  performance: 'readonly',
  fetch: 'readonly',
};

export default tseslint.config(
  { ignores: ['dist/', '.angular/', '.cache/', '**/node_modules/', 'docs/'] },
  js.configs.recommended,
  {
    plugins: { house },
    rules: {
      'no-sequences': 'error',
      'house/no-tuple-assignment': 'error',
      'house/no-spread-literal': 'error',
    },
  },
  {
    files: ['**/*.ts'],
    extends: [...tseslint.configs.strictTypeChecked, ...tseslint.configs.stylisticTypeChecked],
    languageOptions: {
      parserOptions: {
        project: [
          '{core,contract,server,demo,stand-ins,e2e}/tsconfig.json',
          'core/tsconfig.bench.json',
          'web/tsconfig.app.json',
          'web/tsconfig.spec.json',
          'web/tsconfig.sw.json',
          'tsconfig.tools.json',
        ],
        tsconfigRootDir: import.meta.dirname,
      },
    },
    rules: {
      'max-lines': ['error', { max: 320, skipBlankLines: true, skipComments: true }],
      'max-lines-per-function': ['error', { max: 80, skipBlankLines: true, skipComments: true }],
      complexity: ['error', 14],
      '@typescript-eslint/no-non-null-assertion': 'error',
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/explicit-function-return-type': 'off',
      '@typescript-eslint/no-extraneous-class': ['error', { allowWithDecorator: true }],
      '@typescript-eslint/prefer-promise-reject-errors': 'off',
      '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
      '@typescript-eslint/unbound-method': ['error', { ignoreStatic: true }],
    },
  },
  {
    files: ['web/**/*.ts'],
    extends: [...angular.configs.tsRecommended],
    processor: angular.processInlineTemplates,
    rules: {
      '@angular-eslint/component-selector': [
        'error',
        { type: 'element', prefix: ['ys', 'app'], style: 'kebab-case' },
      ],
      '@angular-eslint/prefer-on-push-component-change-detection': 'error',
      '@angular-eslint/component-class-suffix': 'off',
      'no-restricted-syntax': [
        'error',
        {
          selector: "CallExpression[callee.name='load'] CallExpression[callee.property.name='pipe']",
          message:
            'What is asked for an input that changes is asked with loadFor: load is dead after one that fails.',
        },
      ],
    },
  },
  {
    files: ['web/**/*.html'],
    extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility],
    rules: { '@angular-eslint/template/label-has-associated-control': 'off' },
  },
  {
    // The core has no clock, no random numbers of its own and no input or output.
    files: ['core/src/**/*.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        'Date',
        'performance',
        'process',
        'console',
        'fetch',
        'setTimeout',
        'setInterval',
        'crypto',
        'window',
        'document',
        'localStorage',
      ],
      'no-restricted-properties': ['error', { object: 'Math', property: 'random' }],
      'no-restricted-imports': ['error', { patterns: ['node:*', 'fs', 'path', 'http', 'net'] }],
    },
  },
  {
    // A list of what a package offers is as long as that is.
    files: ['{core,contract}/src/index.ts'],
    rules: { 'max-lines': 'off' },
  },
  {
    files: ['**/*.test.ts', '**/*.spec.ts', '**/testing/**', 'e2e/**'],
    rules: {
      'max-lines': ['error', { max: 360, skipBlankLines: true, skipComments: true }],
      'max-lines-per-function': 'off',
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-unsafe-assignment': 'off',
    },
  },
  {
    files: ['**/*.mjs', '**/*.cjs', '*.js'],
    languageOptions: { globals: { ...nodeGlobals, module: 'writable' } },
  },
  prettier,
);
