import { fileURLToPath } from 'node:url'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'

export default defineConfig({
  plugins: [vue()],
  // Whose work is in the scripts, for the page that says so.
  build: { license: { fileName: 'notices/web.md' } },
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  server: {
    proxy: { '/api': 'http://127.0.0.1:8080', '/faces': 'http://127.0.0.1:8080' },
  },
})
