import prettier from 'eslint-config-prettier';
import withNuxt from './.nuxt/eslint.config.mjs';

const NO_CLOCK_OR_CHANCE = [
  {
    selector: 'CallExpression[callee.object.name="Date"][callee.property.name="now"]',
    message: 'Time is passed in.',
  },
  { selector: 'NewExpression[callee.name="Date"][arguments.length=0]', message: 'Time is passed in.' },
  {
    selector: 'CallExpression[callee.object.name="Math"][callee.property.name="random"]',
    message: 'Randomness is passed in.',
  },
  { selector: 'ImportExpression', message: 'The core imports nothing late.' },
];

/** Who may import whom: see docs/architecture.md. */
const forbid = (...groups) => ({
  'no-restricted-imports': ['error', { patterns: groups.map(([group, message]) => ({ group, message })) }],
});
const OUTSIDE_CORE = [
  [
    '**/app/**',
    '**/server/**',
    '**/cli/**',
    '**/tests/**',
    'vue',
    'nuxt',
    '#*',
    '~/*',
    'node:*',
    'pinia',
    'dexie',
    'element-plus',
  ],
  'The core imports nothing from the application, the server, the DOM or Node.',
];
/** Folders of the core from the lowest up: each may import only those before it. */
const LAYERS = [
  'exact',
  'clock',
  'dinner',
  'amounts',
  'allergens',
  'sentences',
  'compose',
  'recipes',
  'gather',
  'plan',
  'model',
  'proof',
  'explain',
  'planner',
  'reasons',
  'live',
  'strip',
  'write',
  'audit',
];
const ABOVE = {
  exact: LAYERS.slice(1),
  clock: LAYERS.slice(2),
  dinner: LAYERS.slice(3),
  amounts: LAYERS.slice(4),
  allergens: LAYERS.slice(5),
  sentences: LAYERS.slice(6),
  compose: LAYERS.slice(7),
  recipes: LAYERS.slice(8),
  // Gathering reads the finished plan, and nothing of how it is found.
  gather: LAYERS.slice(9).filter((layer) => !['plan', 'live', 'strip'].includes(layer)),
  plan: LAYERS.slice(10),
  model: LAYERS.slice(11),
  proof: LAYERS.slice(12),
  explain: ['planner', 'reasons', 'live', 'strip', 'write', 'audit'],
  planner: ['reasons', 'live', 'strip', 'write', 'audit'],
  reasons: ['live', 'strip', 'write', 'audit'],
  live: ['compose', 'model', 'proof', 'planner', 'reasons', 'strip', 'write', 'audit'],
  strip: ['compose', 'model', 'proof', 'planner', 'reasons', 'write', 'audit'],
  write: ['model', 'proof', 'planner', 'reasons', 'audit'],
  audit: [
    'amounts',
    'sentences',
    'compose',
    'model',
    'proof',
    'explain',
    'planner',
    'reasons',
    'live',
    'strip',
    'write',
  ],
};

export default withNuxt(
  {
    ignores: [
      'dist/**',
      'kernel/**',
      'core/compiled/**',
      'coverage/**',
      '.output/**',
      'playwright-report/**',
    ],
  },
  {
    rules: {
      'max-lines': ['warn', { max: 400, skipBlankLines: true, skipComments: true }],
      eqeqeq: ['error', 'always'],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-non-null-assertion': 'off',
      'vue/multi-word-component-names': 'off',
      'vue/require-default-prop': 'off',
    },
  },
  ...LAYERS.map((layer) => ({
    files: [`core/${layer}/**/*.ts`],
    rules: {
      'no-restricted-syntax': ['error', ...NO_CLOCK_OR_CHANCE],
      'no-console': 'error',
      ...forbid(OUTSIDE_CORE, [
        ABOVE[layer].map((name) => `../${name}`).concat(ABOVE[layer].map((name) => `../${name}/**`)),
        'Layers of the core point one way.',
      ]),
    },
  })),
  {
    files: ['app/components/**/*.vue'],
    rules: forbid([
      ['**/core/planner', '**/core/model', '**/core/audit', '**/storage/**', 'dexie'],
      'Components reach the planner and the database through stores.',
    ]),
  },
  {
    files: ['server/**/*.ts', 'cli/**/*.ts'],
    rules: forbid([['**/app/**', 'vue', 'pinia'], 'Server and command line use the core only.']),
  },
  prettier,
);
