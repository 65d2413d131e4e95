import { isClosed } from '@tembrix/core/shop/handover'
import { CircleSlash } from 'lucide-react'
import { lazy, Suspense, useState } from 'react'
import { useCommand } from '../../../../base/keys'
import { Button } from '../../../../base/ui'
import { useJobPart } from '../../base/file'

const EndWithoutWork = lazy(async () => ({
  default: (await import('./EndWithoutWork')).EndWithoutWork,
}))

/** Whether the job can still end without work. */
const useMayEnd = () =>
  useJobPart(({ file }) => !isClosed(file) && file.handovers[0]?.signed == null)

/** The way to end a job without work. */
export function EndButton() {
  const [open, setOpen] = useState(false)
  const may = useMayEnd()
  if (!may) return null
  return (
    <>
      <Button look="quiet" className="self-start" onClick={() => setOpen(true)}>
        <CircleSlash size={17} aria-hidden /> It ends without work…
      </Button>
      <Ending open={open} onClose={() => setOpen(false)} />
    </>
  )
}

/** The same from every step, by the palette, which finds it by what people would type. */
export function EndCommand() {
  const [open, setOpen] = useState(false)
  const may = useMayEnd()
  useCommand('cancel, close or delete the job: it ends without work', () => setOpen(may))
  return <Ending open={open && may} onClose={() => setOpen(false)} />
}

function Ending({ open, onClose }: { open: boolean; onClose: () => void }) {
  if (!open) return null
  return (
    <Suspense fallback={null}>
      <EndWithoutWork onClose={onClose} />
    </Suspense>
  )
}
