import type { Measurement } from '@tembrix/core/records'
import { Plus } from 'lucide-react'
import { useState } from 'react'
import { making } from '../../../base/data'
import { Button, Field, Select, TextInput } from '../../../base/ui'
import { useJob } from '../file'
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

interface Props {
  known: readonly string[]
  /** The session made last: what it was run under is taken over. */
  last: Measurement | undefined
}

/** Begins a further test: its name, and what it gives. */
export function AddTest({ known, last }: Props) {
  const { file, edit } = useJob()
  const [test, setTest] = useState('')
  const [kind, setKind] = useState<Kind>('score')
  const [tried, setTried] = useState(false)
  const name = test.trim().slice(0, 120)
  const taken = known.includes(name)
  const fault = name === '' ? 'Name the test.' : taken ? 'This test is there already.' : undefined

  function add() {
    setTried(true)
    if (fault) return
    const { unit, better, bandwidth } = KINDS.find(({ value }) => value === kind) ?? KINDS[0]
    const fields = {
      jobId: file.id,
      test: name,
      unit,
      better,
      bandwidth,
      configuration: 'after' as const,
      runs: [],
      ...sessionLike(last),
    }
    edit.act('', [making('measurements', fields)])
    setTest('')
    setTried(false)
  }

  return (
    <form
      noValidate
      className="grid grid-cols-[1fr_1fr_auto] items-start gap-2 border-t border-rule pt-2"
      onSubmit={(event) => {
        event.preventDefault()
        add()
      }}
    >
      <Field label="A further test" error={tried ? fault : undefined}>
        {(control) => (
          <TextInput {...control} placeholder="Photo export" value={test} onValue={setTest} />
        )}
      </Field>
      <Field label="It gives">
        {(control) => <Select {...control} value={kind} options={KINDS} onValue={setKind} />}
      </Field>
      <Button type="submit" className="mt-6">
        <Plus size={17} aria-hidden /> Add
      </Button>
    </form>
  )
}
