import { writeCsv } from '@tembrix/core/things/tables'
import { Router } from 'express'
import { z } from 'zod'
import type { Database } from '../../base/database'
import { notFound } from '../../base/errors'
import { measurementKind, moduleKind, type Page, Paging, pageOf } from '../../things/store'
import { listJobs } from '../jobs'

type Rows = (string | number)[][]

/** A list as a sheet: its headings, and its rows page by page. */
interface Sheet {
  heads: string[]
  page: (db: Database, paging: Paging) => Promise<Page<Rows>>
}

const today = () => new Date().toISOString().slice(0, 10)
const text = (value: string | number | null) => value ?? ''

const SHEETS: Record<string, Sheet> = {
  jobs: {
    heads: ['job', 'customer', 'phone', 'machine', 'kind', 'complaint', 'stage', 'due', 'changed'],
    page: async (db, paging) => {
      const { rows, next } = await listJobs(db, { search: '' }, today(), paging)
      return {
        next,
        rows: rows.map((one) => [
          [
            one.number,
            one.customerName,
            one.phone,
            one.machineName,
            one.machineKind,
            one.complaint,
            one.stage,
            text(one.dueOn),
            one.updatedAt,
          ],
        ]),
      }
    },
  },
  modules: {
    heads: [
      'source',
      'part number',
      'generation',
      'form factor',
      'capacity GB',
      'ranks',
      'device width',
      'condition',
      'tested on',
      'serial number',
      'price, minor units',
      'supplier',
      'warranty until',
      'note',
    ],
    page: async (db, paging) => {
      const { rows, next } = await pageOf(db, moduleKind, paging)
      return {
        next,
        rows: rows.map(({ module, ...one }) => [
          [
            one.source,
            module.article,
            module.generation,
            module.formFactor,
            module.capacityGiB,
            module.ranks,
            module.deviceWidth,
            text(one.condition),
            text(one.testedOn),
            one.serialNumber,
            text(one.price),
            one.supplier,
            text(one.warrantyUntil),
            one.note,
          ],
        ]),
      }
    },
  },
  measurements: {
    heads: [
      'job id',
      'test',
      'unit',
      'better',
      'configuration',
      'at',
      'busy',
      'run',
      'figure',
      'conditions',
    ],
    page: async (db, paging) => {
      const { rows, next } = await pageOf(db, measurementKind, paging)
      return {
        next,
        rows: rows.map((one) =>
          one.runs.map((run, at) => [
            one.jobId,
            one.test,
            one.unit,
            one.better,
            one.configuration,
            text(one.at),
            one.busy ? 'yes' : 'no',
            at + 1,
            run,
            Object.entries(one.conditions)
              .map((condition) => condition.join(': '))
              .join('; '),
          ]),
        ),
      }
    },
  },
}

/** Lists as comma-separated values, whole and page by page; texts in them never run as formulas. */
export function sheetRoutes(db: Database): Router {
  const routes = Router()

  routes.get('/:name', async (request, response) => {
    const name = z
      .string()
      .parse(request.params.name)
      .replace(/\.csv$/, '')
    const sheet = Object.hasOwn(SHEETS, name) ? SHEETS[name] : undefined
    if (!sheet) throw notFound('sheet')
    let page = await sheet.page(db, Paging.parse({ limit: 1000 }))
    response.set({
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename="${name}.csv"`,
    })
    response.write(`\uFEFF${writeCsv([sheet.heads])}\r\n`)
    for (;;) {
      const rows = page.rows.flat()
      if (rows.length > 0) response.write(`${writeCsv(rows)}\r\n`)
      if (page.next === null || response.destroyed) break
      page = await sheet.page(db, Paging.parse({ limit: 1000, after: page.next }))
    }
    response.end()
  })

  return routes
}
