import { readdirSync } from 'node:fs';
import next from 'eslint-config-next/core-web-vitals';
import typescript from 'eslint-config-next/typescript';

// Imports run one way: app -> features -> {ui, data, devices, workers} -> core (docs/architecture.md).
const outsideCore = ['app', 'features', 'ui', 'data', 'devices', 'workers'].map((folder) => `./src/${folder}`);
const rooms = readdirSync(new URL('./src/features', import.meta.url), { withFileTypes: true })
  .filter((entry) => entry.isDirectory())
  .map((entry) => entry.name);

const zones = [
  { target: './src/core', from: outsideCore, message: 'core imports only itself and small calculation libraries' },
  {
    target: ['./src/ui', './src/data', './src/devices', './src/workers'],
    from: ['./src/app', './src/features'],
    message: 'imports run app -> features -> {ui, data, devices, workers} -> core',
  },
  {
    target: './src/data',
    from: ['./src/ui', './src/devices', './src/workers'],
    message: 'the data layer knows no interface',
  },
  {
    target: ['./src/ui', './src/devices', './src/workers'],
    from: './src/data',
    message: 'only queries.ts, actions.ts, route handlers and instrumentation import src/data',
  },
  ...rooms.map((room) => ({
    target: `./src/features/${room}`,
    from: './src/features',
    except: [`./${room}`],
    message: 'features do not import each other: move what two need to core, data or ui',
  })),
];

const dataIsFar = {
  target: ['./src/app', './src/features'],
  from: './src/data',
  message: 'components get props: only queries.ts, actions.ts, route handlers and instrumentation import src/data',
};

const paths = (list) => ['error', { basePath: import.meta.dirname, zones: list }];

// A figure has an owner in core (0072): a room that multiplies energy, density, water or money has stolen it.
const COMPUTED = ['MemberExpression[property.name=', 'Identifier[name='].map((side) => ({
  selector: `BinaryExpression[operator=/^[*\\u002F]$/] > ${side}/^(kcal|kcalADay|homeKcal|density|perGram|perKcal|priceMinor|waterPerGram|gramsADay)$/]`,
  message: 'a figure is said by core, which shows the same to everybody (docs/figures.md); a drawing asks a scale',
}));

// How long food keeps is asked of the food (core/preserve/food-life.ts): nobody else adds its days to a date, and the household's
// setting is a row of the rules of dates and nothing else.
const KEEPING = [
  {
    selector:
      'CallExpression[callee.name=/^add(Days|Months)$/] MemberExpression[property.name=/[kK]eeps|[fF]ridgeDays|safeDays|bestMonths/]',
    message: 'until when food keeps is said by keepingDates of its life (core/preserve/food-life.ts)',
  },
  {
    selector: 'MemberExpression[property.name="cookedFridgeDays"]',
    message:
      'the fridge days of a household are those of cooked food: ask the rules of dates (fridgeDaysOf, keepingDates)',
  },
];

const config = [
  {
    ignores: [
      '.next/**',
      'node_modules/**',
      'next-env.d.ts',
      'drizzle/**',
      '.hodman*/**',
      'test-results/**',
      '.cache/**',
    ],
  },
  ...next,
  ...typescript,
  {
    files: ['src/**/*.{ts,tsx}'],
    settings: { 'import/resolver': { typescript: { project: './tsconfig.json' } } },
    rules: {
      'import/no-restricted-paths': paths([...zones, dataIsFar]),
      'no-restricted-imports': [
        'error',
        {
          paths: [{ name: 'next/link', importNames: ['default'], message: 'use @/ui/Link' }],
          patterns: [{ regex: '^\\.\\.?/.*src/', message: 'use the @/ alias' }, { regex: '/index$' }],
        },
      ],
      '@typescript-eslint/consistent-type-imports': 'error',
    },
  },
  // The one place that takes it.
  { files: ['src/ui/Link.tsx'], rules: { 'no-restricted-imports': 'off' } },
  {
    files: [
      'src/features/**/queries.ts',
      'src/features/*/actions.ts',
      'src/features/**/*.test.ts',
      'src/app/*.test.ts',
      'src/app/**/route.ts',
      'src/instrumentation.ts',
    ],
    rules: { 'import/no-restricted-paths': paths(zones) },
  },
  {
    files: ['src/**/*.ts'],
    ignores: [
      'src/core/preserve/food-life.ts',
      'src/data/repositories/shelf-rules.ts',
      'src/data/commands/{household,redate}.ts',
    ],
    rules: { 'no-restricted-syntax': ['error', ...KEEPING] },
  },
  {
    // One library of controls and one way of styling (docs/decisions/0035).
    files: ['src/features/**/*.tsx', 'src/ui/**/*.tsx'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: 'JSXOpeningElement[name.name=/^(button|details|dialog|progress|meter)$/]',
          message: 'controls come from MUI: a press is a Button or ButtonBase, an expander a Fold, long work Working',
        },
        {
          selector: "JSXAttribute[name.name='sx']",
          message: 'styles stand in a module beside the component, or in the theme where they are for all',
        },
        ...KEEPING,
        ...COMPUTED,
      ],
    },
  },
  {
    files: ['src/features/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: { 'no-restricted-syntax': ['error', ...KEEPING, ...COMPUTED] },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['src/core/**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              regex:
                '^(react|react-dom|next|drizzle-orm|@mui|@emotion|@electric-sql|node:|server-only|fs|path|os|crypto|child_process|next-safe-action|react-hook-form)(/|$|:)?',
              message: 'core is pure: no interface, framework, database or Node code',
            },
          ],
        },
      ],
      'no-restricted-globals': ['error', 'process', 'window', 'document', 'fetch', 'localStorage', 'sessionStorage'],
    },
  },
];

export default config;
