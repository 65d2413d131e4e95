import type { Collection } from '@tembrix/core/things/records'
import { drafted, type Fields, keyOf, useAppSelector, useAppStore } from '../data'

interface FieldSchema {
  safeParse: (value: unknown) => {
    success: boolean
    data?: unknown
    error?: { issues: { path: PropertyKey[]; message: string }[] }
  }
}

export interface RecordForm {
  /** The value at a path, as typed where it cannot be accepted yet. */
  value: (...path: (string | number)[]) => unknown
  error: (...path: (string | number)[]) => string | undefined
  /** Sets the value at a path: saved where the whole field is acceptable, else kept as a draft. */
  set: (value: unknown, ...path: (string | number)[]) => void
}

/**
 * A stored record as a form that saves itself: each top-level field on its own, checked by its
 * schema; what cannot be accepted stays as typed, with the reason, over a reload too. `save` takes
 * what is acceptable on its way, and what is being typed.
 */
export function useRecordForm<T extends { id: string }>(
  collection: Collection,
  record: T,
  schemas: Record<string, FieldSchema>,
  save: (fields: Fields, typing?: string) => void,
): RecordForm {
  const { dispatch, getState } = useAppStore()
  const key = keyOf({ collection, recordId: record.id })
  const drafts = useAppSelector((state) => state.outbox.drafts[key])
  const fields: Fields = { ...record, ...drafts }
  return {
    value: (...path) => valueAt(fields, path),
    error: (...path) => {
      const [field, ...rest] = path
      if (!drafts || field === undefined || !(field in drafts)) return undefined
      const parsed = schemas[field]?.safeParse(drafts[field])
      return parsed?.error?.issues.find((issue) => issue.path.join() === rest.join())?.message
    },
    set: (value, ...path) => {
      const [field, ...rest] = path as [string, ...(string | number)[]]
      const next = withValue(fields[field], rest, value)
      const parsed = schemas[field]?.safeParse(next)
      const fits = parsed?.success ?? true
      const isDraft = field in (getState().outbox.drafts[key] ?? {})
      if (isDraft || !fits) dispatch(drafted({ key, field, value: fits ? undefined : next }))
      const isTyped = typeof value === 'string' || typeof value === 'number'
      if (fits) save({ [field]: parsed?.data ?? next }, isTyped ? path.join('.') : undefined)
    },
  }
}

function valueAt(whole: unknown, path: (string | number)[]): unknown {
  return path.reduce<unknown>((now, step) => (now as Fields | undefined)?.[step], whole)
}

/** The whole with one value inside it replaced; the original is left alone. */
export function withValue(whole: unknown, path: (string | number)[], value: unknown): unknown {
  const [step, ...rest] = path
  if (step === undefined) return value
  if (Array.isArray(whole)) {
    return whole.map((one, at) => (at === step ? withValue(one, rest, value) : one))
  }
  const record = (whole ?? {}) as Fields
  return { ...record, [step]: withValue(record[step], rest, value) }
}
