import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vite'

/** The edit functions as one file without screens, for tests that drive them by themselves. */
export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  build: {
    lib: {
      entry: fileURLToPath(new URL('./src/bench/edits/index.ts', import.meta.url)),
      formats: ['iife'],
      name: 'edits',
      fileName: () => 'edits.js',
    },
    outDir: 'target/edits',
    emptyOutDir: true,
    copyPublicDir: false,
  },
})
