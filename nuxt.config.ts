import { copyFileSync, mkdirSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import tailwindcss from '@tailwindcss/vite'

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url))

const FONTS = here('./node_modules/.cache/fonts')

/** Of each family the files that pages ask for, in all letters: their packages hold other axes too. */
function gatherFonts(): string {
  const packages = here('./node_modules/@fontsource-variable')
  for (const folder of readdirSync(packages)) {
    const wanted = readdirSync(join(packages, folder, 'files')).filter((f) => /-wght-(normal|italic)\.woff2$/.test(f))
    mkdirSync(join(FONTS, folder), { recursive: true })
    for (const file of wanted) copyFileSync(join(packages, folder, 'files', file), join(FONTS, folder, file))
  }
  return FONTS
}

const NO_STORE = { 'cache-control': 'no-store' }

export default defineNuxtConfig({
  compatibilityDate: '2026-11-01',
  devtools: { enabled: false },
  telemetry: false,
  ssr: false,
  modules: ['@pinia/nuxt', 'nuxt-security', '@nuxt/eslint'],
  css: ['~/assets/studio.css'],
  alias: { '#core': here('./core') },
  app: {
    head: {
      title: 'Outer Frame',
      htmlAttrs: { lang: 'en' },
      link: [{ rel: 'icon', type: 'image/svg+xml', href: '/_of/mark.svg' }],
    },
  },
  components: [{ path: '~/components', pathPrefix: false }],
  vite: {
    plugins: [tailwindcss()],
    // Pieces of a few hundred bytes are fetched with others: sixty requests take longer than what is in them.
    build: { rollupOptions: { output: { experimentalMinChunkSize: 24_000 } } },
  },
  typescript: { strict: true },
  security: {
    csrf: { methodsToProtect: ['POST', 'PUT', 'PATCH', 'DELETE'] },
    // Bodies carry markup as text and are judged by the core; attempts at sign-in are limited by our own service.
    xssValidator: false,
    rateLimiter: false,
    corsHandler: false,
    requestSizeLimiter: false,
    headers: {
      crossOriginEmbedderPolicy: false,
      contentSecurityPolicy: {
        'default-src': ["'self'"],
        'script-src': ["'self'", "'nonce-{{nonce}}'", "'strict-dynamic'"],
        'style-src': ["'self'", "'unsafe-inline'"],
        'img-src': ["'self'", 'data:'],
        'font-src': ["'self'"],
        'connect-src': ["'self'"],
        'worker-src': ["'self'", 'blob:'],
        'frame-src': ["'self'"],
        'object-src': ["'none'"],
        'base-uri': ["'none'"],
        'form-action': ["'self'"],
        'frame-ancestors': ["'none'"],
        'upgrade-insecure-requests': false,
      },
      strictTransportSecurity: false,
    },
  },
  nitro: {
    compressPublicAssets: true,
    // What is seen behind a sign-in is left in no cache.
    routeRules: { '/studio': { headers: NO_STORE }, '/studio/**': { headers: NO_STORE } },
    publicAssets: [{ baseURL: '/_of/fonts', dir: gatherFonts(), maxAge: 60 * 60 * 24 * 365 }],
    esbuild: { options: { target: 'es2022' } },
  },
  $production: { nitro: { entry: here('./server/entry.ts') } },
  eslint: { config: { standalone: true } },
})
