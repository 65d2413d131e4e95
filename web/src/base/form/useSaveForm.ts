import { zodResolver } from '@hookform/resolvers/zod'
import type { BaseSyntheticEvent } from 'react'
import { type FieldValues, get, useForm } from 'react-hook-form'
import type { ZodType } from 'zod'

export interface SaveForm {
  /** What is typed at a path such as `warranty.work`. */
  value: (path: string) => unknown
  set: (path: string, value: unknown) => void
  /** Everything as it is typed, and some of it set at once. */
  values: () => FieldValues
  fill: (values: FieldValues) => void
  /** What is wrong there, once saving was tried. */
  error: (path: string) => string | undefined
  /** How many fields are wrong. */
  faults: number
  submit: (event?: BaseSyntheticEvent) => void
  /** As it was at the start. */
  clear: () => void
}

/**
 * A form with a button that saves it: checked by its schema when that is pressed, and from then on as it is
 * typed. What is wrong stays as typed, is said at its field, and the first of it gets the focus.
 */
export function useSaveForm<Out>(
  schema: ZodType<Out>,
  start: FieldValues,
  onSave: (fields: Out) => unknown,
): SaveForm {
  const form = useForm<FieldValues, unknown, FieldValues>({
    resolver: zodResolver(schema as never),
    defaultValues: start,
    shouldFocusError: false,
  })
  const { errors, isSubmitted } = form.formState
  form.watch()
  const set = (path: string, value: unknown) =>
    form.setValue(path, value, { shouldDirty: true, shouldValidate: isSubmitted })
  return {
    value: (path) => form.getValues(path),
    set,
    values: () => form.getValues(),
    fill: (values) => {
      for (const [path, value] of Object.entries(values)) set(path, value)
    },
    error: (path) => plainly((get(errors, path) as { message?: unknown } | undefined)?.message),
    faults: countOf(errors),
    submit: (event) => {
      // A form within a dialog within a form is not sent twice.
      event?.stopPropagation()
      void form.handleSubmit(
        (fields) => onSave(fields as Out),
        (_, at) => toFirstFault(at),
      )(event)
    },
    clear: () => form.reset(start),
  }
}

/** What a schema says without words of ours. */
function plainly(message: unknown): string | undefined {
  if (typeof message !== 'string') return undefined
  if (/^Invalid\b/.test(message)) return 'Enter a number.'
  return /^Too\b/.test(message) ? 'Out of range.' : message
}

/** Fields with something wrong in them, at any depth. */
function countOf(errors: object): number {
  return Object.values(errors).reduce<number>((sum, one) => {
    if (!one || typeof one !== 'object') return sum
    return sum + ('message' in one && 'type' in one ? 1 : countOf(one))
  }, 0)
}

function toFirstFault(event: BaseSyntheticEvent | undefined): void {
  const form = event?.target as Element | undefined
  requestAnimationFrame(() =>
    form?.querySelector<HTMLElement>('[aria-invalid=true], [data-fault]')?.focus(),
  )
}
