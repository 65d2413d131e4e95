import { UserRound } from 'lucide-react'
import { type FormEvent, useState } from 'react'
import { Button, Dialog, Field, TextInput } from '../ui'
import { useTechnician } from './technician'

/** Who works here: shown on top, noted with what they read and settle. */
export function Technician() {
  const [name, setName] = useTechnician()
  const [open, setOpen] = useState(false)
  const [typed, setTyped] = useState(name)

  function submit(event: FormEvent) {
    event.preventDefault()
    setName(typed)
    setOpen(false)
  }

  return (
    <>
      <button
        type="button"
        onClick={() => {
          setTyped(name)
          setOpen(true)
        }}
        aria-label={name === '' ? 'Say who works here' : `${name} works here; change`}
        className="flex min-h-11 items-center gap-1.5 rounded-sm px-2 text-sm hover:bg-sheet-2"
      >
        <UserRound size={18} aria-hidden />
        <span className="max-w-28 truncate max-lg:hidden">{name || 'Who works here?'}</span>
      </button>
      <Dialog
        open={open}
        onOpen={setOpen}
        title="Who works here?"
        intro="Noted beside what is read, settled and done on this screen."
      >
        <form onSubmit={submit} className="flex flex-col gap-3">
          <Field label="Name">
            {(control) => <TextInput {...control} value={typed} onValue={setTyped} autoFocus />}
          </Field>
          <Button look="main" type="submit" className="self-end">
            That is me
          </Button>
        </form>
      </Dialog>
    </>
  )
}
