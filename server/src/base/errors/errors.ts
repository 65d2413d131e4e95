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
    more: { fields?: FieldFault[]; again?: number } = {},
  ) {
    super(message)
    if (more.fields) this.fields = more.fields
    if (more.again) this.again = more.again
  }

  readonly fields?: FieldFault[]
  /** After how many seconds it may be asked again. */
  readonly again?: number
}

export const notFound = (what: string) =>
  new HttpError(404, 'not_found', `There is no such ${what}.`)

export const versionConflict = (what: string) =>
  new HttpError(409, 'stale_version', `This ${what} has been changed since it was read.`)

export const invalid = (fields: FieldFault[]) =>
  new HttpError(400, 'invalid', 'Some fields cannot be accepted.', { fields })

export type Described = Pick<HttpError, 'status' | 'code' | 'message' | 'fields' | 'again'>

/** What is answered of an error, as plain data. */
export function describe(error: unknown): Described {
  const { status, code, message, fields, again } = asHttpError(error)
  return { status, code, message, ...(fields && { fields }), ...(again && { again }) }
}

function asHttpError(error: unknown): HttpError {
  if (error instanceof HttpError) return error
  if (error instanceof ZodError) return invalid(error.issues.flatMap(faultsOf))
  if (isDiskError(error)) {
    return new HttpError(507, 'no_room', 'The disk of the server takes no more. Make room on it.')
  }
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

/** Of the database: no room, or an error of the disk (SQLSTATE classes 53 and 58); and where it extends its files. */
const DISK_CODES = ['53100', '58030']
const DISK_SOURCE = 'md.c'

interface DatabaseError {
  code?: unknown
  file?: unknown
  message?: string
}

/** What went wrong at the root: the database's own error where a query failed. */
export const rootOf = (error: unknown): DatabaseError =>
  (error as { cause?: DatabaseError }).cause ?? (error as DatabaseError)

function isDiskError(error: unknown): boolean {
  const { code, file } = rootOf(error)
  return DISK_CODES.includes(String(code)) || file === DISK_SOURCE
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
