import { asc, getTableColumns, type SQL, sql } from 'drizzle-orm'
import type { Transaction } from '../../base/database'
import { asStored, type Readable, type RecordRow, type StoredTable } from './store'

/** Records of a kind that are wanted, and where they are found. */
export interface WantedRecords<T extends StoredTable = StoredTable> {
  of: Readable<T>
  where: SQL
}

/**
 * Records of several kinds by name, each kind's in the order they were made: read in one statement, since
 * the database takes longer over a statement than over a few rows.
 */
export async function gathered<W extends Record<string, WantedRecords>>(
  db: Pick<Transaction, 'execute'>,
  wanted: W,
): Promise<{ [Name in keyof W]: RecordRow<W[Name]['of']['table']>[] }> {
  const all = Object.entries(wanted)
  const lists = all.map(([name, one]) => sql`${asJson(one)} as ${sql.identifier(name)}`)
  const { rows } = await db.execute(sql`select ${sql.join(lists, sql`, `)}`)
  const found = rows[0] as Record<string, object[]>
  const read = all.map(([name, { of }]) => [name, found[name]?.map((row) => rowOf(of, row))])
  return Object.fromEntries(read)
}

function asJson({ of: { table }, where }: WantedRecords): SQL {
  const columns = Object.entries(getTableColumns(table))
  const pairs = columns.map(([name, column]) => sql`${sql.raw(`'${name}'`)}, ${column}`)
  return sql`(select coalesce(json_agg(json_build_object(${sql.join(pairs, sql`, `)})
    order by ${asc(table.firstWrite)}), '[]'::json) from ${table} where ${where})`
}

/** A row that came as JSON, as it would have come by itself. */
function rowOf(of: Readable<StoredTable>, row: object): RecordRow<StoredTable> {
  const columns: Record<string, { mapFromDriverValue: (value: unknown) => unknown }> =
    getTableColumns(of.table)
  const values = Object.entries(row).map(([name, value]) => [
    name,
    value === null ? null : columns[name]?.mapFromDriverValue(value),
  ])
  return asStored(of, Object.fromEntries(values))
}
