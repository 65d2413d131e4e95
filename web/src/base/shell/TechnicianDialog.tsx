import { type FormEvent, useState } from 'react'
import { Button, Dialog, Field, TextInput } from '../ui'

interface Props {
  name: string
  onName: (name: string) => void
  onClose: () => void
}

/** Asks who works here. */
export function TechnicianDialog({ name, onName, onClose }: Props) {
  const [typed, setTyped] = useState(name)

  function submit(event: FormEvent) {
    event.preventDefault()
    onName(typed)
    onClose()
  }

  return (
    <Dialog
      open
      onOpen={onClose}
      title="Who works here?"
      intro="Noted beside what is read, resolved and done on this screen."
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
  )
}
