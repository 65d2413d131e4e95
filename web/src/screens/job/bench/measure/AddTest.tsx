import type { Measurement } from '@tembrix/core/things/records'
import { Plus } from 'lucide-react'
import { useMemo } from 'react'
import { z } from 'zod'
import { making } from '../../../../base/data'
import { useSaveForm } from '../../../../base/form'
import { Button, Field, Select, TextInput } from '../../../../base/ui'
import { useJob } from '../../base/file'
import { sessionLike } from './sessions'

const KINDS = [
  {
    value: 'score',
    label: 'a score, higher is better',
    unit: 'points',
    better: 'higher',
    bandwidth: null,
  },
  { value: 'time', label: 'a time, lower is better', unit: 's', better: 'lower', bandwidth: null },
  { value: 'rate', label: 'frames a second', unit: 'frames/s', better: 'higher', bandwidth: null },
  { value: 'copy', label: 'copy bandwidth', unit: 'GB/s', better: 'higher', bandwidth: 'copy' },
  { value: 'read', label: 'read bandwidth', unit: 'GB/s', better: 'higher', bandwidth: 'read' },
  { value: 'latency', label: 'latency', unit: 'ns', better: 'lower', bandwidth: null },
] as const
type Kind = (typeof KINDS)[number]['value']

/** A name for a test that none has yet. */
const naming = (known: readonly string[]) =>
  z.object({
    test: z
      .string()
      .trim()
      .min(1, 'Name the test.')
      .max(120, 'This name is too long.')
      .refine((name) => !known.includes(name), 'This test is there already.'),
    kind: z.enum(KINDS.map(({ value }) => value)),
  })

interface Props {
  known: readonly string[]
  /** The session made last: what it was run under is taken over. */
  last: Measurement | undefined
}

/** Begins a further test: its name, and what it gives. */
export function AddTest({ known, last }: Props) {
  const { file, edit } = useJob()
  const schema = useMemo(() => naming(known), [known])
  const form = useSaveForm(schema, { test: '', kind: 'score' }, ({ test, kind }) => {
    const { unit, better, bandwidth } = KINDS.find(({ value }) => value === kind) ?? KINDS[0]
    const fields = {
      jobId: file.id,
      test,
      unit,
      better,
      bandwidth,
      configuration: 'after' as const,
      runs: [],
      ...sessionLike(last),
    }
    edit.act('', [making('measurements', fields)])
    form.clear()
  })
  return (
    <form
      noValidate
      className="grid items-start gap-2 border-t sm:grid-cols-[1fr_1fr_auto] border-rule pt-2"
      onSubmit={form.submit}
    >
      <Field label="A further test" error={form.error('test')}>
        {(control) => (
          <TextInput
            {...control}
            placeholder="Photo export"
            value={form.value('test')}
            onValue={(test) => form.set('test', test)}
          />
        )}
      </Field>
      <Field label="It gives">
        {(control) => (
          <Select
            {...control}
            value={form.value('kind') as Kind}
            options={KINDS}
            onValue={(kind) => form.set('kind', kind)}
          />
        )}
      </Field>
      <Button type="submit" className="sm:mt-6">
        <Plus size={17} aria-hidden /> Add
      </Button>
    </form>
  )
}
