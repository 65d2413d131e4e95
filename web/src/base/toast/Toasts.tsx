import { X } from 'lucide-react'
import { Toast } from 'radix-ui'
import { IconButton } from '../ui'
import { dismiss, type Notice } from './notices'

const SECONDS = 5

/** What was said last, each for some seconds; read out, and reached by F8. What lies beneath can be pressed all the same. */
export default function Toasts({ notices }: { notices: readonly Notice[] }) {
  return (
    <Toast.Provider duration={SECONDS * 1000} label="Notice">
      {notices.map(({ id, text }) => (
        <Toast.Root
          key={id}
          onOpenChange={(open) => !open && dismiss(id)}
          className="pointer-events-none flex items-center gap-2 rounded-sm border border-rule-2 bg-ink py-0.5 pl-4 text-sheet shadow-lg"
        >
          <Toast.Description className="flex-1">{text}</Toast.Description>
          <Toast.Close asChild>
            <IconButton label="Close" look="notice" className="pointer-events-auto">
              <X size={17} aria-hidden />
            </IconButton>
          </Toast.Close>
        </Toast.Root>
      ))}
      <Toast.Viewport className="screen-only pointer-events-none fixed bottom-3 left-1/2 z-40 flex w-[min(24rem,calc(100vw-1.5rem))] -translate-x-1/2 flex-col gap-2 outline-none" />
    </Toast.Provider>
  )
}
