import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'

const server = process.env.BRACHYON_API ?? 'http://127.0.0.1:4173'

export default defineConfig({
  plugins: [vue()],
  // Every browser that es2022 runs on preloads modules by itself.
  build: { target: 'es2022', chunkSizeWarningLimit: 900, modulePreload: { polyfill: false } },
  server: { port: 5173, proxy: { '/api': server } },
})
