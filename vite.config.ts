import { readFileSync } from 'node:fs'
import { constants } from 'node:zlib'
import UnoCSS from '@unocss/vite'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'
import { compression } from 'vite-plugin-compression2'

const server = process.env.BRACHYON_API ?? 'http://127.0.0.1:4173'

/** Messages that signing in needs. */
const start = JSON.parse(readFileSync('src/messages/start.json', 'utf8')) as readonly string[]
const messagesOf = (id: string): string => {
  const [, language, area] = /messages[\\/](\w+)[\\/](.*)\.json/.exec(id)!
  return `${language}-${start.includes(area!.replace(/[\\/]/g, '.')) ? 'start' : 'rest'}`
}

export default defineConfig({
  plugins: [
    vue(),
    UnoCSS('./uno.config.ts'),
    // Packed once here, not by the server for each who comes; over plain HTTP browsers take gzip only.
    compression({
      include: /assets\/.*\.(js|css|svg)$/,
      threshold: 1000,
      logLevel: 'silent',
      algorithms: [
        ['brotliCompress', { params: { [constants.BROTLI_PARAM_QUALITY]: 9 } }],
        ['gzip', { level: 9 }],
      ],
    }),
  ],
  // Of the translator only its composer is used, and ICU instead of its own message compiler.
  define: {
    __VUE_I18N_LEGACY_API__: false,
    __VUE_I18N_FULL_INSTALL__: false,
    __INTLIFY_PROD_DEVTOOLS__: false,
    __INTLIFY_DROP_MESSAGE_COMPILER__: true,
  },
  resolve: { alias: { 'vue-i18n': 'vue-i18n/dist/vue-i18n.runtime.esm-bundler.js' } },
  // Every browser that es2022 runs on preloads modules by itself.
  build: {
    target: 'es2022',
    chunkSizeWarningLimit: 1000,
    modulePreload: { polyfill: false },
    rolldownOptions: {
      output: {
        // A language is two files: what signing in needs, and the rest.
        codeSplitting: {
          groups: [
            { debugName: 'messages', name: messagesOf, test: /[\\/]src[\\/]messages[\\/]\w+[\\/].*\.json$/ },
          ],
        },
      },
    },
  },
  // What several jobs of the worker need is a file of its own.
  worker: { format: 'es' },
  server: { port: 5173, proxy: { '/api': server } },
})
