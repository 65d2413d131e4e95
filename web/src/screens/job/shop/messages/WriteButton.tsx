import { isUndelivered } from '@tembrix/core/things/records'
import { Mail, MailWarning } from 'lucide-react'
import { lazy, Suspense, useState } from 'react'
import { useCommand } from '../../../../base/keys'
import { IconButton } from '../../../../base/ui'
import { useJobPart } from '../../base/file'

const WriteDialog = lazy(async () => ({ default: (await import('./WriteDialog')).WriteDialog }))

/** The way to write to the customer, from every step; it warns where a message did not arrive. */
export function WriteButton() {
  const [open, setOpen] = useState(false)
  const trouble = useJobPart(({ file }) => file.messages.some(({ state }) => isUndelivered(state)))
  useCommand('write to the customer', () => setOpen(true))
  return (
    <>
      <IconButton
        label={
          trouble
            ? 'Write to the customer: the last message did not arrive'
            : 'Write to the customer'
        }
        onClick={() => setOpen(true)}
      >
        {trouble ? (
          <MailWarning size={19} aria-hidden className="text-stop" />
        ) : (
          <Mail size={19} aria-hidden />
        )}
      </IconButton>
      {open && (
        <Suspense fallback={null}>
          <WriteDialog onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  )
}
