import { build } from 'esbuild'
import { cp, writeFile } from 'node:fs/promises'
import { fileURLToPath } from 'node:url'
import { aheadOf, chunksPlugin } from './scripts/ahead'
import { licenceTexts } from './scripts/licences'

const built = chunksPlugin()
const inRoot = (path: string) => fileURLToPath(new URL(path, import.meta.url))

export default defineNuxtConfig({
  compatibilityDate: '2026-06-01',
  ssr: false,
  telemetry: false,
  devtools: { enabled: false },
  modules: ['@pinia/nuxt', 'vuetify-nuxt-module'],
  css: [
    '@fontsource-variable/atkinson-hyperlegible-next/wght.css',
    '@fontsource-variable/atkinson-hyperlegible-mono/wght.css',
    '~/theme/main.css',
  ],
  components: ['~/shell', '~/ui', '~/board', '~/features'].map(path => ({
    path,
    pathPrefix: false,
    extensions: ['vue'],
  })),
  alias: { '#core': inRoot('./core') },
  app: {
    head: {
      title: 'Interlumen',
      htmlAttrs: { lang: 'en' },
      meta: [
        { name: 'viewport', content: 'width=device-width, initial-scale=1' },
        { name: 'color-scheme', content: 'dark light' },
      ],
      // Before anything is drawn, so that no other theme flashes up.
      script: [
        {
          innerHTML: `try{var t=localStorage.getItem('interlumen:theme');if(t==='day'||(t!=='night'&&matchMedia('(prefers-color-scheme: light)').matches))document.documentElement.dataset.theme='day'}catch(e){}`,
        },
      ],
      link: [{ rel: 'icon', type: 'image/svg+xml', href: '/mark.svg' }],
    },
  },
  vuetify: {
    moduleOptions: { styles: true, disableVuetifyStyles: false },
    vuetifyOptions: {
      icons: { defaultSet: 'mdi-svg' },
      theme: {
        defaultTheme: 'night',
        themes: {
          day: {
            dark: false,
            colors: {
              'background': '#FAF7F1',
              'surface': '#FFFFFF',
              'surface-variant': '#F1ECE2',
              'primary': '#0B6B63',
              'secondary': '#7A4E00',
              'error': '#20222A',
              'on-surface': '#20222A',
              'on-background': '#20222A',
            },
          },
          night: {
            dark: true,
            colors: {
              'background': '#15161B',
              'surface': '#1C1E25',
              'surface-variant': '#262933',
              'primary': '#8FD3C8',
              'secondary': '#FFD98A',
              'error': '#ECE8DF',
              'on-surface': '#ECE8DF',
              'on-background': '#ECE8DF',
            },
          },
        },
      },
      defaults: {
        global: { ripple: false },
        VTextField: { variant: 'outlined', density: 'compact', hideDetails: 'auto' },
        VSelect: { variant: 'outlined', density: 'compact', hideDetails: 'auto' },
      },
    },
  },
  postcss: { plugins: { cssnano: false } },
  vite: {
    plugins: [built.plugin],
    worker: { format: 'es' },
    optimizeDeps: { exclude: ['highs'], include: ['comlink', '@mdi/js', 'fuse.js', 'papaparse'] },
    build: { chunkSizeWarningLimit: 900 },
  },
  hooks: {
    // Nothing is fetched beside what the first picture needs; the rest comes once it stands.
    'build:manifest': manifest => {
      for (const file of Object.values(manifest)) file.prefetch = false
    },
  },
  nitro: {
    // Compressed once by the build: a visit is a quarter on the wire, and costs the server nothing.
    compressPublicAssets: { gzip: true, brotli: true },
    errorHandler: inRoot('./server/error.ts'),
    hooks: {
      // Migrations are read at start; the server's bundle does not carry them by itself.
      compiled: async nitro => {
        await writeFile(`${nitro.options.output.publicDir}/licences.txt`, licenceTexts(inRoot('.')))
        // What a page begins before its program is there is named by the server.
        await writeFile(
          `${nitro.options.output.serverDir}/ahead.json`,
          JSON.stringify(aheadOf(built.chunks, `${nitro.options.output.publicDir}/_nuxt`, inRoot('./app/features'))),
        )
        await cp(inRoot('./server/store/pglite/migrations'), `${nitro.options.output.serverDir}/migrations`, {
          recursive: true,
        })
        await build({
          entryPoints: { judge: inRoot('./server/judge/worker.ts'), restorer: inRoot('./server/judge/restorer.ts') },
          outdir: nitro.options.output.serverDir,
          outExtension: { '.js': '.mjs' },
          // The database comes with files of its own, which lie beside the server already.
          external: ['@electric-sql/pglite', 'drizzle-orm'],
          bundle: true,
          minify: true,
          platform: 'node',
          format: 'esm',
          target: 'node20',
        })
        await cp(inRoot('./demo'), `${nitro.options.output.serverDir}/demo`, {
          recursive: true,
          filter: source => !source.endsWith('.ts'),
        })
      },
    },
  },
  typescript: { typeCheck: false, tsConfig: { compilerOptions: { noUncheckedIndexedAccess: true } } },
  $development: { experimental: { viteEnvironmentApi: true } },
})
