import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

// Only pure functions are tested here; what a person does is driven in a browser by PHPUnit.
export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./resources/js', import.meta.url)) } },
  test: { include: ['resources/js/**/*.test.ts', 'lang/*.test.ts'] },
})
