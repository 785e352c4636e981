import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'

const server = process.env.BRACHYON_API ?? 'http://127.0.0.1:4173'

export default defineConfig({
  plugins: [vue()],
  build: { target: 'es2022', chunkSizeWarningLimit: 900 },
  server: { port: 5173, proxy: { '/api': server } },
})
