import { createHash } from 'node:crypto'
import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { build } from 'esbuild'

/** Runs before anything is painted, so that a dark page never flashes light. */
const THEME
  = 'try{const t=localStorage.getItem("wakaru-theme");if(t==="dark"||(t!=="light"&&matchMedia("(prefers-color-scheme: '
    + 'dark)").matches))document.documentElement.classList.add("dark")}catch{}'

const ROOT = fileURLToPath(new URL('.', import.meta.url))
/** What every page needs of the frame, none of which knows our code. */
const PARTS = new RegExp(`/node_modules/(${[
  '@?vue',
  'vue-router',
  '@vueuse',
  'pinia',
  'immer',
  '@?primevue',
  '@primeuix',
  'unhead',
  'hookable',
  'ofetch',
  'ufo',
  'destr',
  'defu',
].join('|')})/(?!nuxt-module)`)

/** What prints are made of, and what only they ask for: a file of its own. */
const PRINTED = new RegExp(`core/(${[
  'printed/(bags|cutting|handout|html|instructor|labels|pattern|scores|slips|stage|steps|student)',
  'kits/evening',
  'folds/motion/assembly',
].join('|')})\\.`)
/** Rooms of the core that only some pages ask for, when they need them. */
const LATER = new RegExp(`core/(${[
  'audit', 'kept', 'cutting/(verify|simulate)', 'exports', 'printed', 'formats', 'recount',
  'document/(check|open|(field|shape)-checks|([a-z]+-)?shapes|sizes|upgrades|validators)',
].join('|')})`)

/**
 * What the pages share is fetched in few files: each file is an answer to wait for, and a page of a class needs seventy
 * of its parts. Only later files know of earlier ones: parts, core, frame, work. What is not needed at once (calendar,
 * charts, the third dimension, print, the bags, the checks of files) stays by itself.
 */
function together(id: string): string | undefined {
  if (/\/(datepicker|multiselect|chip)\/|Stage\.vue|Chart\.(vue|ts)|components\/(print|help|kits)\//.test(id)) return
  if (PARTS.test(id) || /preload-helper|export-helper|commonjsHelpers/.test(id)) return 'parts'
  // What hand-outs, labels and lists are made of comes with the page that prints them.
  if (PRINTED.test(id)) return 'printed'
  if (id.startsWith(`${ROOT}core/`) && !LATER.test(id)) return 'core'
  // What cards are made with is needed by classes, folds and the shelf, not by the lists.
  if (/\/app\/components\/(card|class|cutting|papers)\/\w+\.vue/.test(id)) return 'work'
  if (/nuxt\/dist\/(app|pages|head)|@nuxt\/icon/.test(id)) return 'frame'
  if (/\/app\/(layouts|composables|utils|stores|components)\//.test(id)) return 'frame'
}

/** Changes with every change of what finds plans and shares prints out. */
function versionOf(rooms: string[]): string {
  const hash = createHash('sha256')
  for (const room of rooms)
    for (const file of readdirSync(join(ROOT, 'core', room)).sort())
      if (!/test(ing)?\.ts$/.test(file)) hash.update(file).update(readFileSync(join(ROOT, 'core', room, file)))
  hash.update(readFileSync(join(ROOT, 'node_modules/highs/package.json')))
  return hash.digest('base64url')
}

export default defineNuxtConfig({
  modules: ['@pinia/nuxt', '@primevue/nuxt-module', '@nuxt/icon', '@nuxt/eslint'],
  // The development server wants an entry for the server; its pages are drawn in the browser all the same.
  $development: { ssr: true, routeRules: { '/**': { ssr: false } } },
  // Everything is drawn in the browser: the first answer is the same for everybody and costs the server next to
  // nothing.
  ssr: false,
  components: [{ path: '~/components', pathPrefix: false, extensions: ['vue'] }],
  // The core says itself where everything comes from.
  imports: { transform: { exclude: [/\/core\//] } },
  devtools: { enabled: false },
  app: {
    head: {
      htmlAttrs: { lang: 'en' },
      title: 'Wakaru',
      meta: [
        { name: 'viewport', content: 'width=device-width, initial-scale=1' },
        { name: 'description', content: 'Piece sizes, cutting layouts and kit lists for fold and pop-up card classes' },
      ],
      script: [{ innerHTML: THEME, tagPosition: 'head' }],
      link: [
        { rel: 'icon', type: 'image/svg+xml', href: '/mark.svg' },
        {
          rel: 'preload',
          as: 'font',
          type: 'font/woff2',
          href: '/fonts/SourceSans3VF-Upright.ttf.woff2',
          crossorigin: 'anonymous',
        },
      ],
    },
  },
  css: ['~/assets/main.css'],
  runtimeConfig: {
    // Set by NUXT_DATABASE_URL; the start command does it.
    databaseUrl: '',
    // Answers that another version has found may not be the same.
    public: { planner: versionOf(['lists', 'lengths', 'cutting', 'sharing']) },
  },
  experimental: {
    payloadExtraction: false,
    // Pages are fetched ahead when somebody points at a link, not because a link is in sight.
    defaults: { nuxtLink: { prefetchOn: { visibility: false, interaction: true } } },
  },
  compatibilityDate: '2026-01-01',
  nitro: {
    hooks: {
      // The thread that does long checks, beside the application.
      compiled: async (nitro) => {
        await build({
          entryPoints: [fileURLToPath(new URL('./server/workers/checker.ts', import.meta.url))],
          outfile: join(nitro.options.output.serverDir, 'checker.cjs'),
          bundle: true,
          format: 'cjs',
          platform: 'node',
          target: 'node20',
          mainFields: ['module', 'main'],
          tsconfigRaw: { compilerOptions: { experimentalDecorators: true } },
          logLevel: 'warning',
        })
      },
    },
    // Bounds, headers and a quick end: see the file. For development the framework brings its own.
    ...(process.env.NODE_ENV !== 'development' && {
      entry: fileURLToPath(new URL('./server/entry.ts', import.meta.url)),
    }),
    // The typeface under an address that is known before anything is built.
    publicAssets: [{ dir: '../node_modules/source-sans/WOFF2/VF', baseURL: 'fonts', maxAge: 31_536_000 }],
    // Imported for what it does to Reflect, not for what it exports.
    moduleSideEffects: ['reflect-metadata'],
    esbuild: { options: { tsconfigRaw: { compilerOptions: { experimentalDecorators: true } } } },
    typescript: { tsConfig: { compilerOptions: { experimentalDecorators: true } } },
  },
  vite: {
    worker: { format: 'es' },
    build: { rollupOptions: { output: { manualChunks: together } } },
    optimizeDeps: { include: ['chart.js/auto'] },
  },
  typescript: {
    strict: true,
    tsConfig: { compilerOptions: { experimentalDecorators: true, noUncheckedIndexedAccess: true } },
    sharedTsConfig: { compilerOptions: { experimentalDecorators: true } },
    nodeTsConfig: {
      compilerOptions: { experimentalDecorators: true, noUncheckedIndexedAccess: true },
      include: [
        '../core/**/*', '../cli/**/*', '../e2e/**/*', '../demo/**/*', '../benchmark/**/*', '../*.config.ts',
        '../scripts/**/*.ts',
      ],
    },
  },
  telemetry: false,
  hooks: {
    // A page fetches what it needs; what others need is fetched when somebody points at a link to them.
    'build:manifest': (manifest) => {
      for (const entry of Object.values(manifest)) entry.dynamicImports = []
    },
  },
  eslint: { config: { stylistic: true } },
  icon: {
    serverBundle: 'local',
    clientBundle: { scan: true, sizeLimitKb: 128 },
    fallbackToApi: false,
    provider: 'server',
    mode: 'svg',
  },
  primevue: {
    importTheme: { from: '~/theme/preset.ts' },
    // Parts bring their styles when they are shown; the first answer carries none.
    loadStyles: false,
    components: {
      include: [
        'Button',
        'Checkbox',
        'ConfirmDialog',
        'DatePicker',
        'Dialog',
        'InputText',
        'Menu',
        'Message',
        'Popover',
        'ProgressBar',
        'Select',
        'SelectButton',
        'Textarea',
        'Toast',
        'ToggleButton',
        'ToggleSwitch',
      ],
    },
    directives: { include: ['Tooltip'] },
  },
})
