const build = String(Date.now());

export default defineNuxtConfig({
  compatibilityDate: '2026-11-01',
  ssr: false,
  telemetry: false,
  devtools: { enabled: false },
  modules: ['@pinia/nuxt', '@element-plus/nuxt', '@vueuse/nuxt', '@vite-pwa/nuxt', '@nuxt/eslint'],
  components: [{ path: '~/components', pathPrefix: false }],
  experimental: { appManifest: false },
  css: [
    '@fontsource-variable/atkinson-hyperlegible-next/index.css',
    '@fontsource-variable/fraunces/index.css',
    'element-plus/theme-chalk/dark/css-vars.css',
    '~/assets/theme.css',
    '~/assets/base.css',
  ],
  app: {
    head: {
      title: 'Zeitlauf',
      htmlAttrs: { lang: 'en' },
      meta: [
        { name: 'viewport', content: 'width=device-width, initial-scale=1' },
        { name: 'description', content: 'One evening, several courses, and the cook at the table too.' },
      ],
      link: [{ rel: 'icon', type: 'image/svg+xml', href: '/icon.svg' }],
    },
  },
  elementPlus: { importStyle: 'css', icon: false },
  nitro: {
    compressPublicAssets: { gzip: true, brotli: false },
    esbuild: { options: { target: 'es2022' } },
  },
  routeRules: {
    '/**': {
      headers: {
        'x-content-type-options': 'nosniff',
        'referrer-policy': 'no-referrer',
        'content-security-policy':
          "default-src 'self'; script-src 'self' 'unsafe-inline'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; worker-src 'self' blob:; object-src 'none'; base-uri 'none'; frame-ancestors 'none'",
      },
    },
  },
  eslint: { config: { stylistic: false } },
  pwa: {
    registerType: 'autoUpdate',
    manifest: {
      name: 'Zeitlauf',
      short_name: 'Zeitlauf',
      display: 'standalone',
      background_color: '#faf4ea',
      theme_color: '#7a2e1d',
      icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' }],
    },
    workbox: {
      navigateFallback: '/',
      navigateFallbackDenylist: [/^\/api\//],
      globPatterns: ['**/*.{js,css,woff2,svg}'],
      additionalManifestEntries: [{ url: '/', revision: build }],
      maximumFileSizeToCacheInBytes: 4_000_000,
    },
  },
  hooks: {
    // nuxt dev without server rendering looks for a server entry all the same.
    'vite:extendConfig'(config, { isClient }) {
      if (!isClient) return;
      const environments = (config as { environments?: Record<string, object> }).environments ?? {};
      Object.assign(config, {
        environments: {
          ...environments,
          ssr: { build: { rollupOptions: { input: { server: 'nuxt/dist/app/entry-spa' } } } },
        },
      });
    },
  },
  vite: {
    $client: {
      build: {
        rollupOptions: {
          // Cut up by page, the core's index files and their parts would run in the wrong order.
          output: {
            manualChunks: (id: string) => (/\/core\/[a-z]+\/[a-z]+\.ts/.test(id) ? 'core' : undefined),
          },
        },
      },
    },
    worker: { format: 'es' },
    optimizeDeps: { include: ['comlink', 'dexie', 'dayjs', 'ical-generator', 'lodash-unified'] },
  },
});
