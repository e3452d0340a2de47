import { defineConfig } from 'drizzle-kit'

export default defineConfig({
  dialect: 'postgresql',
  schema: './server/store/pglite/schema.ts',
  out: './server/store/pglite/migrations',
  casing: 'snake_case',
})
