import { defineConfig } from 'drizzle-kit'

export default defineConfig({
  dialect: 'postgresql',
  schema: './src/base/database/schema.ts',
  out: './drizzle',
})
