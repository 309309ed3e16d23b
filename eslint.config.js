import js from '@eslint/js';
import globals from 'globals';
import jsxA11y from 'eslint-plugin-jsx-a11y';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/** The core and the catalogue take time and chance as arguments, so that the same input always gives the same bits. */
const ambient = [
  {
    selector: "MemberExpression[object.name='Math'][property.name='random']",
    message: 'Randomness is an argument: pass a Stream.',
  },
  { selector: "MemberExpression[object.name='Date'][property.name='now']", message: 'Time is an argument.' },
  { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: 'Time is an argument.' },
];

/** The last digits of these are left to the engine; units/exact.ts has them from plain arithmetic. */
const inexact = [
  {
    selector:
      "MemberExpression[object.name='Math'][property.name=/^(exp|expm1|log|log1p|log2|log10|pow|sin|cos|tan|asin|acos|atan|atan2|sinh|cosh|tanh|cbrt|hypot)$/]",
    message: 'Engines differ in its last digits: use units/exact.ts.',
  },
  {
    selector: "BinaryExpression[operator='**']",
    message: 'Engines differ in its last digits: multiply, or use power() of units/exact.ts.',
  },
];

export default tseslint.config(
  { ignores: ['dist', 'node_modules', '.cache', 'public'] },
  js.configs.recommended,
  ...tseslint.configs.recommended,
  {
    languageOptions: { globals: { ...globals.browser, ...globals.node } },
    plugins: { 'react-hooks': reactHooks },
    rules: {
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': 'error',
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      'no-console': ['error', { allow: ['warn', 'error'] }],
    },
  },
  { files: ['src/**/*.tsx'], ...jsxA11y.flatConfigs.recommended },
  // A scroll region must be reachable by keyboard, so it takes a tab stop.
  { files: ['src/**/*.tsx'], rules: { 'jsx-a11y/no-noninteractive-tabindex': 'off' } },
  {
    files: ['src/core/**/*.ts', 'src/catalogue/**/*.ts'],
    rules: { 'no-restricted-syntax': ['error', ...ambient, ...inexact] },
  },
  {
    files: ['src/**/*.test.ts'],
    rules: { 'no-restricted-syntax': ['error', ...ambient] },
  },
  {
    files: ['scripts/**', 'cli/**', 'bench/**', 'demo/**', 'server/**', 'e2e/**'],
    rules: { 'no-console': 'off' },
  },
);
