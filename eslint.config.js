import js from '@eslint/js'
import globals from 'globals'
import vue from 'eslint-plugin-vue'
import tseslint from 'typescript-eslint'
import vueParser from 'vue-eslint-parser'

// The rooms of core/, lowest first. A room may import those before it, each by its door (#core/<room>), and nothing else.
const ROOMS = ['signal', 'cable', 'catalog', 'plan', 'chain', 'budget', 'ways', 'check', 'board', 'whatif', 'solve', 'paper', 'versions']

const outside = { regex: '^(vue|nuxt|pinia|vuetify|drizzle-orm|h3|nitropack|node:|#app|#imports|~|@)', message: 'core/ is plain TypeScript: no interface, no server, no Node.' }
const behindDoor = { regex: '^#core/[^/]+/.', message: 'Outside code comes in by the door: #core/<room>.' }
const intoCore = { regex: '(^|/)core/', message: 'Import core by its doors: #core/<room>.' }
const toServer = { regex: '(^|/)server/', message: 'app/ and server/ meet only over HTTP.' }
const toApp = { regex: '(^|/)app/|^~/', message: 'app/ and server/ meet only over HTTP.' }
const restrict = (...patterns) => ({ 'no-restricted-imports': ['error', { patterns }] })

export default tseslint.config(
  { ignores: ['.stryker-tmp/**', '.nuxt/**', '.output/**', 'node_modules/**', 'core/plan/validators.generated.js', 'test-results/**', 'server/db/migrations/**'] },
  js.configs.recommended,
  ...tseslint.configs.recommended,
  ...vue.configs['flat/recommended'],
  {
    languageOptions: { globals: { ...globals.es2024 } },
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      'eqeqeq': 'error',
      'no-undef': 'off',
      'no-control-regex': 'off',
    },
  },
  { files: ['**/*.vue'], languageOptions: { parser: vueParser, parserOptions: { parser: tseslint.parser, sourceType: 'module' } } },
  {
    files: ['**/*.vue'],
    rules: {
      'vue/multi-word-component-names': 'off', 'vue/max-attributes-per-line': 'off', 'vue/singleline-html-element-content-newline': 'off', 'vue/multiline-html-element-content-newline': 'off', 'vue/html-closing-bracket-newline': 'off', 'vue/html-self-closing': 'off', 'vue/first-attribute-linebreak': 'off', 'vue/html-indent': 'off', 'vue/attributes-order': 'off',
    },
  },
  ...ROOMS.map((room, i) => ({
    files: [`core/${room}/**/*.ts`],
    ignores: ['**/*.test.ts'],
    rules: restrict(outside, behindDoor, { regex: `^#core/(${ROOMS.slice(i).join('|')})$`, message: `${room} stands below that room.` }, { regex: '^\\.\\./\\.\\./|^\\.\\./(signal|cable|catalog|plan|chain|budget|ways|check|board|whatif|solve|paper|versions)(/|$)', message: 'Other rooms are entered by their doors.' }),
  })),
  { files: ['app/**/*.{ts,vue}'], ignores: ['**/*.test.ts'], rules: restrict(behindDoor, intoCore, toServer) },
  { files: ['server/**/*.ts', 'cli/**/*.ts'], rules: restrict(behindDoor, intoCore, toApp) },
  { files: ['server/tests/**', 'core/tests/**', 'core/**/*.test.ts'], rules: { '@typescript-eslint/no-explicit-any': 'off' } },
)
