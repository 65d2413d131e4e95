import { Versioned } from '@tembrix/core/things/records'
import type { Request, Response } from 'express'
import { z } from 'zod'
import type { Page } from './pages'
import type { Created } from './store'

const Id = z.uuid('This is no record id.')

/** A record's id from the address. */
export function idOf(params: Record<string, unknown>): string {
  return z.object({ id: Id }).parse(params).id
}

/** The version a removal was asked against, from the query. */
export function versionOf(query: Record<string, unknown>): number {
  return z.object({ version: z.coerce.number() }).pipe(Versioned).parse(query).version
}

/** 201 for a record just made, 200 for one that was there under the same id. */
export function answerCreated(response: Response, { row, fresh }: Created<unknown>): void {
  response.status(fresh ? 201 : 200).json(row)
}

/** Answers a page of a list; where more follows, with its address (`Link: <…>; rel="next"`, RFC 8288). */
export function answerPage(
  { originalUrl }: Request,
  response: Response,
  { rows, next }: Page<unknown>,
): void {
  if (next !== null) {
    const { pathname, searchParams } = new URL(originalUrl, 'http://tembrix')
    searchParams.set('after', next)
    response.links({ next: `${pathname}?${searchParams}` })
  }
  response.json(rows)
}
