import jsxA11y from 'eslint-plugin-jsx-a11y';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/** A place may use the rooms below it, never another place. */
const rooms = {
  lib: [],
  wording: ['lib', 'wording'],
  api: ['lib', 'wording'],
  ui: ['lib', 'wording'],
  grid: ['lib', 'wording', 'api', 'ui'],
  saving: ['lib', 'wording', 'api'],
  domain: ['lib', 'wording', 'api', 'ui', 'grid', 'saving'],
  catalogue: ['lib', 'wording', 'api', 'ui', 'grid', 'saving', 'domain'],
  workbench: ['lib', 'wording', 'api', 'ui', 'grid', 'saving', 'domain'],
  lineup: ['lib', 'wording', 'api', 'ui', 'grid', 'saving', 'domain'],
  requirements: ['lib', 'wording', 'api', 'ui', 'grid', 'saving', 'domain'],
  registration: ['lib', 'wording', 'api', 'ui', 'grid', 'saving', 'domain'],
};

const arrows = Object.entries(rooms).map(([room, below]) => ({
  files: [`src/${room}/**/*.{ts,tsx}`],
  rules: {
    '@typescript-eslint/no-restricted-imports': [
      'error',
      {
        patterns: [
          {
            group: [...Object.keys(rooms), 'app']
              .filter((other) => !below.includes(other))
              .map((other) => `@/${other}/*`),
            message: `src/${room} may use only: ${below.join(', ') || 'nothing above it'}.`,
            // What is said of an answer's fields knows their names.
            allowTypeImports: room === 'wording',
          },
          { group: ['../*'], message: 'Name another room by @/room.' },
        ],
      },
    ],
  },
}));

export default tseslint.config(
  { ignores: ['src/api/schema.gen.ts'] },
  ...tseslint.configs.strictTypeChecked,
  reactHooks.configs.flat.recommended,
  jsxA11y.flatConfigs.recommended,
  {
    languageOptions: { parserOptions: { projectService: true } },
    rules: {
      // What the React Compiler leaves as it is, for a library's sake, is no fault.
      'react-hooks/incompatible-library': 'off',
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
    },
  },
  ...arrows,
);
