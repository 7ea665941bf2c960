import { defineConfigWithVueTs, vueTsConfigs } from '@vue/eslint-config-typescript';
import prettier from 'eslint-config-prettier';
import vue from 'eslint-plugin-vue';
import { globalIgnores } from 'eslint/config';

export default defineConfigWithVueTs(
  globalIgnores([
    '**/node_modules/**',
    '.escalier/**',
    '.cache/**',
    'coverage/**',
    'e2e/results/**',
    'web/components.d.ts',
    'web/vite.config.ts',
    'web/vite.room.config.ts',
    'web/vite.shared.ts',
  ]),
  { files: ['**/*.{ts,vue}'] },
  vue.configs['flat/recommended'],
  vueTsConfigs.recommendedTypeChecked,
  {
    files: ['**/*.{ts,vue}'],
    rules: {
      eqeqeq: 'error',
      'no-console': 'error',
      'prefer-const': 'error',
      // Indices are checked by the compiler, and a "!" says where the code knows better.
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-unused-vars': ['error', { ignoreRestSiblings: true }],
      'vue/multi-word-component-names': 'off',
      'vue/block-lang': ['error', { script: { lang: 'ts' } }],
      'vue/component-api-style': ['error', ['script-setup']],
      'vue/no-undef-components': ['error', { ignorePatterns: ['^B[A-Z]', '^RouterLink$'] }],
      'max-lines': ['error', { max: 400 }],
      'no-restricted-syntax': [
        'error',
        {
          selector: 'ObjectExpression > SpreadElement > ObjectExpression',
          message: 'Write the properties themselves: { a, b } instead of { ...{ a, b } }.',
        },
        {
          selector: 'AssignmentExpression > ArrayPattern > MemberExpression > ThisExpression',
          message: 'Write one assignment a line instead of [this.a, this.b] = [1, 2].',
        },
      ],
    },
  },
  {
    files: ['**/main.ts', '**/make-migration.ts', 'cli/src/*.ts', '**/bench/*.ts', 'e2e/**/*.ts'],
    rules: { 'no-console': 'off' },
  },
  { files: ['**/*.test.ts', 'e2e/**/*.ts'], rules: { '@typescript-eslint/no-unsafe-assignment': 'off' } },
  prettier,
);
