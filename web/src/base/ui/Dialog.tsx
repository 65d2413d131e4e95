import { X } from 'lucide-react'
import { Dialog as Radix } from 'radix-ui'
import type { ReactNode } from 'react'

interface Props {
  open: boolean
  onOpen: (open: boolean) => void
  title: string
  intro?: string
  /** For what needs the width of the screen. */
  wide?: boolean
  children: ReactNode
}

export function Dialog({ open, onOpen, title, intro, wide = false, children }: Props) {
  return (
    <Radix.Root open={open} onOpenChange={onOpen}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-black/50" />
        <Radix.Content
          {...(intro ? {} : { 'aria-describedby': undefined })}
          className={`fixed top-1/2 left-1/2 z-50 max-h-[92vh] ${wide ? 'w-[min(96vw,72rem)]' : 'w-[min(94vw,44rem)]'} -translate-x-1/2 -translate-y-1/2 overflow-auto rounded-md border border-rule-2 bg-sheet p-5 text-ink`}
        >
          <div className="mb-3 flex items-start justify-between gap-4">
            <div>
              <Radix.Title className="text-lg font-semibold">{title}</Radix.Title>
              {intro && <Radix.Description className="text-ink-2">{intro}</Radix.Description>}
            </div>
            <Radix.Close
              aria-label="Close"
              className="-mt-2 -mr-2 grid size-11 shrink-0 place-items-center rounded-sm hover:bg-sheet-2"
            >
              <X size={20} aria-hidden />
            </Radix.Close>
          </div>
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  )
}
