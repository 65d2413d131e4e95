import type { ErrorRequestHandler, RequestHandler } from 'express'
import { ZodError } from 'zod'

export interface FieldFault {
  path: string
  message: string
}

/** An answer that is not a success: its HTTP status, a code for programs and a sentence for people. */
export class HttpError extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly fields?: FieldFault[],
  ) {
    super(message)
  }
}

export const notFound = (what: string) =>
  new HttpError(404, 'not_found', `There is no such ${what}.`)

export const stale = (what: string) =>
  new HttpError(409, 'stale_version', `This ${what} has been changed since it was read.`)

export const invalid = (fields: FieldFault[]) =>
  new HttpError(400, 'invalid', 'Some fields cannot be accepted.', fields)

export const unknownRoute: RequestHandler = () => {
  throw new HttpError(404, 'not_found', 'There is nothing at this address.')
}

/** Answers every error in one shape and never with a stack trace. What is our own fault is logged. */
export const answerError: ErrorRequestHandler = (error, request, response, next) => {
  if (response.headersSent) return next(error)
  const { status, code, message, fields } = describe(error)
  if (status === 500) console.error(`${request.method} ${request.path} failed:`, error)
  response.status(status).json({ error: { code, message, ...(fields ? { fields } : {}) } })
}

function describe(error: unknown): Pick<HttpError, 'status' | 'code' | 'message' | 'fields'> {
  if (error instanceof HttpError) return error
  if (error instanceof ZodError) return invalid(error.issues.flatMap(faultsOf))
  const status = (error as { status?: unknown }).status
  const type = (error as { type?: unknown }).type
  if (type === 'entity.too.large') {
    return new HttpError(413, 'too_large', 'The request is larger than the server takes.')
  }
  if (type === 'entity.parse.failed') {
    return new HttpError(400, 'malformed_json', 'The request is not well-formed JSON.')
  }
  if (typeof status === 'number' && status >= 400 && status < 500) {
    return new HttpError(status, 'bad_request', 'The request cannot be understood.')
  }
  return new HttpError(500, 'internal', 'Something went wrong in the server.')
}

type Issue = ZodError['issues'][number]

/** For a choice of shapes, the faults of the shape that came nearest. */
function faultsOf(issue: Issue): FieldFault[] {
  if (issue.code === 'invalid_union' && issue.errors.length > 0) {
    const depth = (issues: Issue[]) => Math.max(...issues.map((one) => one.path.length))
    const nearest = issue.errors.reduce((best, one) => (depth(one) > depth(best) ? one : best))
    return nearest
      .flatMap(faultsOf)
      .map(({ path, message }) => ({ path: join([...issue.path, path]), message }))
  }
  return [{ path: join(issue.path), message: issue.message }]
}

function join(path: readonly PropertyKey[]): string {
  return path
    .map(String)
    .filter((part) => part !== '')
    .join('.')
}
