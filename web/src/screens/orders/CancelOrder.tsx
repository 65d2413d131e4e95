import type { Order } from '@tembrix/core/things/records'
import { useState } from 'react'
import { saidOf, useChangeOrderMutation } from '../../base/data'
import { useTechnician } from '../../base/shell'
import { Button, Disclosure, ErrorText, Field, TextInput } from '../../base/ui'

/** Ends an order of which not everything came; the rest can be ordered again. */
export function CancelOrder({ order }: { order: Order }) {
  const [technician] = useTechnician()
  const [change, { error }] = useChangeOrderMutation()
  const [why, setWhy] = useState('')
  const [fault, setFault] = useState('')
  async function cancel() {
    if (why.trim() === '') {
      setFault('Say why it is cancelled.')
      return
    }
    setFault('')
    const cancelled = { at: new Date().toISOString(), by: technician, why: why.trim() }
    await change({ id: order.id, version: order.version, cancelled })
  }
  return (
    <Disclosure summary="Cancel what has not come">
      <p className="text-ink-2">
        Tell the supplier first. What is here stays; the rest is to be ordered again.
      </p>
      <div className="flex flex-wrap items-end gap-3">
        <Field label="Why" className="min-w-64 flex-1" error={fault || undefined}>
          {(control) => <TextInput {...control} value={why} onValue={setWhy} />}
        </Field>
        <Button look="stop" onClick={cancel}>
          Cancel the order
        </Button>
      </div>
      <ErrorText>{error ? saidOf(error) : ''}</ErrorText>
    </Disclosure>
  )
}
