import { UserRound } from 'lucide-react'
import { lazy, Suspense, useState } from 'react'
import { useTechnician } from './technician'

const TechnicianDialog = lazy(async () => ({
  default: (await import('./TechnicianDialog')).TechnicianDialog,
}))

/** Who works here: shown on top, noted with what they read and resolve. */
export function Technician() {
  const [name, setName] = useTechnician()
  const [open, setOpen] = useState(false)
  return (
    <>
      <button
        type="button"
        onClick={() => setOpen(true)}
        title={name || 'Who works here?'}
        aria-label={name === '' ? 'Say who works here' : `${name} works here; change`}
        className="flex min-h-11 min-w-11 items-center justify-center gap-1.5 rounded-sm px-2 text-sm hover:bg-sheet-2"
      >
        <UserRound size={18} aria-hidden />
        <span className="max-w-28 truncate max-[90rem]:hidden">{name || 'Who works here?'}</span>
      </button>
      <Suspense>
        {open && <TechnicianDialog name={name} onName={setName} onClose={() => setOpen(false)} />}
      </Suspense>
    </>
  )
}
