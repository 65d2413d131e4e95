import type { ReactNode } from 'react'
import { Button } from './Button'
import { Dialog } from './Dialog'

interface Props {
  title: string
  /** What it does, on its button. */
  action: string
  onConfirm: () => void
  onClose: () => void
  children: ReactNode
}

/** Asks before what cannot be undone. */
export function Confirm({ title, action, onConfirm, onClose, children }: Props) {
  return (
    <Dialog open onOpen={onClose} title={title}>
      <div className="mb-4">{children}</div>
      <div className="flex flex-wrap justify-end gap-3">
        <Button onClick={onClose}>Keep it</Button>
        <Button
          look="stop"
          onClick={() => {
            onConfirm()
            onClose()
          }}
        >
          {action}
        </Button>
      </div>
    </Dialog>
  )
}
