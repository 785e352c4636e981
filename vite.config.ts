import { constants } from 'node:zlib'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'
import { compression } from 'vite-plugin-compression2'

const server = process.env.BRACHYON_API ?? 'http://127.0.0.1:4173'

export default defineConfig({
  plugins: [
    vue(),
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
  // Every browser that es2022 runs on preloads modules by itself.
  build: { target: 'es2022', chunkSizeWarningLimit: 1000, modulePreload: { polyfill: false } },
  server: { port: 5173, proxy: { '/api': server } },
})
