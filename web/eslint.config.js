import js from '@eslint/js';
import jsxA11y from 'eslint-plugin-jsx-a11y';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/** Amounts are summed, compared and rounded by the server; here they are only placed. */
const NO_AMOUNTS = [
  {
    selector: 'CallExpression[callee.name=/^(parseFloat|BigInt)$/]',
    message: 'Numbers are read by format/numbers, figures are placed by format/placing.',
  },
  {
    selector:
      "CallExpression[callee.name='Number'][arguments.0.property.name!=/^(key|value)$/]:not([arguments.0.type='Identifier']):not([arguments.0.callee.property.name=/^(get|slice)$/]):not([arguments.0.computed=true])",
    message: 'An amount is no number here: place it with placed() of format/placing.',
  },
  {
    selector:
      'BinaryExpression[operator=/^([-+*%]|\\x2F)$/] > CallExpression[callee.name=/^placed/]',
    message: 'No arithmetic on amounts in the browser: the server computes.',
  },
  {
    selector: 'CallExpression[callee.property.name=/^(toFixed|toPrecision|toLocaleString)$/]',
    message: 'No rounding for display: the server gives what is shown.',
  },
];

/** What a person reads stands in the catalogues (`words.en.json`), nowhere else. */
const NO_TEXTS = [
  {
    selector: 'JSXText[value=/[A-Za-z]{2}/]',
    message: 'Put the text into words.en.json and say it with t().',
  },
  {
    selector:
      'JSXAttribute[name.name=/^(title|label|placeholder|what|alt|submit|button|legend|aria-label|aria-description)$/] > Literal[value=/[A-Za-z]{2}/]',
    message: 'Put the text into words.en.json and say it with t().',
  },
  {
    selector: 'Literal[value=/^[A-Z][a-z]+( [a-z]+)+|[a-z] [a-z]+ [a-z]+[^:]*[.…]$/]',
    message: 'Put the text into words.en.json and say it with t().',
  },
  {
    selector:
      'TemplateElement[value.raw=/ [a-z]{2,} [a-z]{2,} |^ [a-z]{2,} [a-z]+$/]:not(JSXAttribute[name.name="className"] TemplateElement)',
    message: 'Put the text into words.en.json and say it with t().',
  },
];

export default tseslint.config(
  { ignores: ['dist', 'node_modules', 'target', 'src/api/schema.ts'] },
  js.configs.recommended,
  { files: ['*.mjs'], languageOptions: { globals: { console: 'readonly', process: 'readonly' } } },
  {
    files: ['src/**/*.{ts,tsx}'],
    extends: [...tseslint.configs.strictTypeChecked, jsxA11y.flatConfigs.strict],
    languageOptions: { parserOptions: { projectService: true } },
    plugins: { 'react-hooks': reactHooks },
    rules: {
      ...reactHooks.configs.recommended.rules,
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
    },
  },
  {
    files: ['src/**/*.{ts,tsx}'],
    ignores: ['src/**/*.test.{ts,tsx}', 'src/test/**', 'src/**/samples.tsx'],
    rules: { 'no-restricted-syntax': ['error', ...NO_TEXTS] },
  },
  {
    files: ['src/**/*.{ts,tsx}'],
    ignores: [
      'src/format/**',
      'src/marks/**',
      'src/address/span.ts',
      'src/**/*.test.{ts,tsx}',
      'src/test/**',
      'src/**/samples.tsx',
    ],
    rules: { 'no-restricted-syntax': ['error', ...NO_AMOUNTS, ...NO_TEXTS] },
  },
  {
    files: ['src/desks/**'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              regex: '^(\\.\\./)+(desks/)?(standing|earnings|intake|rules)(/|$)',
              message: 'Desks know nothing of each other.',
            },
            {
              regex: '^(\\.\\./)+app/',
              message: 'The frame holds the desks; desks do not reach it.',
            },
          ],
        },
      ],
    },
  },
  {
    files: ['src/{api,address,format,marks,ui}/**'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              regex: '^(\\.\\./)+(desks|app|accounts)/',
              message: 'Arrows go downward: what every desk uses knows none of them.',
            },
          ],
        },
      ],
    },
  },
  {
    files: ['src/**/*.{ts,tsx}'],
    ignores: ['src/{desks,api,address,format,marks,ui}/**'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            { regex: 'desks/[^/]+/', message: 'A desk is entered by its door, desks/name only.' },
          ],
        },
      ],
    },
  },
);
