export default defineNuxtConfig({ compatibilityDate: '2026-11-01', ssr: false, telemetry: false, devtools: { enabled: false } })
