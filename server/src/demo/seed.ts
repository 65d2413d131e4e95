import type { Database } from '../database'
export async function seed(_db: Database): Promise<void> {}
