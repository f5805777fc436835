import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { build } from 'esbuild'
import { plannerVersion } from './scripts/lib/planner-version'

/** Runs before anything is painted, so that a dark page never flashes light. */
const THEME
  = 'try{const t=localStorage.getItem("wakaru-theme");if(t==="dark"||(t!=="light"&&matchMedia("(prefers-color-scheme: '
    + 'dark)").matches))document.documentElement.classList.add("dark")}catch{}'

/**
 * What the pages fetch, in this order: what stands in a file of an earlier page is in none of a later one. Each page
 * has a file of packages, which seldom changes, and one of our own; what is asked for later stays by itself.
 */
const FETCHED: [name: string, page: RegExp][] = [
  ['first', /nuxt\/dist\/app\/entry|app\/(layouts\/default|pages\/index)\.vue/],
  ['class', /app\/pages\/classes\/\[id\]\.vue/],
  ['card', /app\/pages\/classes\/\[id\]\/cards\.vue/],
  ['printed', /app\/pages\/print\//],
]

interface Modules {
  getModuleIds: () => Iterable<string>
  getModuleInfo: (id: string) => { importers: readonly string[], importedIds: readonly string[] } | null
}

/** Packages, but for what the framework writes for us among them. */
const PACKAGED = /\/node_modules\/(?!\.cache\/)/

/** Everything that is reached from some modules. */
function reached(from: string[], next: (id: string) => readonly string[] | undefined): Set<string> {
  const seen = new Set<string>()
  const left = [...from]
  for (let id = left.pop(); id !== undefined; id = left.pop()) {
    if (seen.has(id)) continue
    seen.add(id)
    left.push(...next(id) ?? [])
  }
  return seen
}

/** Which file each module goes into: that of the first page that needs it. */
function filesOf({ getModuleIds, getModuleInfo }: Modules): Map<string, string> {
  const all = [...getModuleIds()]
  // A package that knows of our code stays with it: files must not need each other in a circle.
  const ours = reached(all.filter(id => !PACKAGED.test(id)), id => getModuleInfo(id)?.importers)
  const fileOf = new Map<string, string>()
  for (const [name, page] of FETCHED)
    for (const id of reached(all.filter(id => page.test(id)), id => getModuleInfo(id)?.importedIds))
      if (!fileOf.has(id)) fileOf.set(id, ours.has(id) ? name : `${name}-packages`)
  return fileOf
}

function together(): (id: string, modules: Modules) => string | undefined {
  let fileOf: Map<string, string> | undefined
  return (id, modules) => (fileOf ??= filesOf(modules)).get(id)
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
    // Another version of the planner may find other answers.
    public: { planner: plannerVersion() },
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
    build: { rollupOptions: { output: { manualChunks: together() } } },
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
