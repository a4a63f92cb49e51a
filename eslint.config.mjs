import eslint from '@eslint/js';
import angular from 'angular-eslint';
import prettier from 'eslint-config-prettier';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  {
    ignores: [
      '**/dist/**',
      '**/node_modules/**',
      '**/.angular/**',
      '**/coverage/**',
      '**/test-results/**',
      'core/kernels/*.as.ts',
    ],
  },
  eslint.configs.recommended,
  {
    files: ['**/*.ts'],
    extends: [...tseslint.configs.strictTypeChecked, ...tseslint.configs.stylisticTypeChecked],
    languageOptions: {
      parserOptions: {
        project: ['tsconfig.json', 'e2e/tsconfig.json', 'web/tsconfig.lint.json', 'web/tsconfig.worker.json'],
        tsconfigRootDir: import.meta.dirname,
      },
    },
    rules: {
      // Indices of typed arrays are checked by the loops around them
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
      '@typescript-eslint/no-extraneous-class': ['error', { allowWithDecorator: true }],
      // Units of measure and signs read better in columns of plain numbers
      '@typescript-eslint/prefer-for-of': 'off',
    },
  },
  {
    // What can be held in the head
    files: ['**/*.ts'],
    ignores: ['**/*.spec.ts', 'e2e/**', 'core/bench/**'],
    rules: {
      'max-lines': ['error', 400],
      'max-lines-per-function': ['error', 80],
      'max-params': ['error', 5],
    },
  },
  {
    // Their functions stand for those of a WebAssembly module, which take numbers alone
    files: ['core/src/analysis/sparse/kernels*.ts'],
    rules: { 'max-params': 'off', 'max-lines-per-function': 'off' },
  },
  {
    files: ['web/src/**/*.ts'],
    extends: [...angular.configs.tsRecommended],
    processor: angular.processInlineTemplates,
    rules: {
      '@angular-eslint/component-selector': [
        'error',
        { type: 'element', prefix: 'app', style: 'kebab-case' },
      ],
    },
  },
  {
    files: ['web/src/**/*.html'],
    extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility],
  },
  {
    // Tests damage documents in ways that types forbid
    files: ['**/*.spec.ts'],
    rules: {
      '@typescript-eslint/no-explicit-any': 'off',
      '@typescript-eslint/no-unsafe-member-access': 'off',
      '@typescript-eslint/no-unsafe-call': 'off',
      '@typescript-eslint/no-unsafe-return': 'off',
    },
  },
  {
    files: ['**/*.mjs', '**/*.cjs'],
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        require: 'readonly',
        module: 'writable',
        Buffer: 'readonly',
        URL: 'readonly',
        setTimeout: 'readonly',
        performance: 'readonly',
      },
    },
  },
  prettier,
);
