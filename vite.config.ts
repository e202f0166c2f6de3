import vue from '@vitejs/plugin-vue'
import elementPlus from 'unplugin-element-plus/vite'
import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vite'
import { sentences } from './resources/js/words/sentences'

export default defineConfig({
  base: '/build/',
  // Files under public/ are served as they are and are no part of the build.
  plugins: [vue({ template: { transformAssetUrls: false, compilerOptions: { nodeTransforms: [sentences()] } } }), elementPlus({})],
  publicDir: false,
  resolve: { alias: { '@': fileURLToPath(new URL('./resources/js', import.meta.url)) } },
  build: {
    outDir: 'public/build',
    // Where Laravel looks for it.
    manifest: 'manifest.json',
    emptyOutDir: true,
    chunkSizeWarningLimit: 900,
    // The page of the shop, and what a customer sees by a link.
    rollupOptions: { input: ['resources/js/main.ts', 'resources/js/shown/main.ts'] },
  },
})
