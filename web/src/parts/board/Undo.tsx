import { Redo2, Undo2 } from 'lucide-react'
import { type ReactNode, useEffect } from 'react'

interface Props {
  undo: (() => void) | undefined
  redo: (() => void) | undefined
}

/** Back and again, by button and by key wherever nothing is being typed. */
export function UndoButtons({ undo, redo }: Props) {
  useEffect(() => {
    function keyed(event: KeyboardEvent) {
      const typing = (event.target as HTMLElement).closest('input:not([type=checkbox]), textarea')
      if (typing || !(event.ctrlKey || event.metaKey)) return
      const key = event.key.toLowerCase()
      const back = key === 'z' && !event.shiftKey
      const again = key === 'y' || (key === 'z' && event.shiftKey)
      if (!back && !again) return
      event.preventDefault()
      if (back) undo?.()
      else redo?.()
    }
    window.addEventListener('keydown', keyed)
    return () => window.removeEventListener('keydown', keyed)
  }, [undo, redo])
  return (
    <span className="flex">
      <UndoButton label="Undo" onPress={undo} icon={<Undo2 size={19} aria-hidden />} />
      <UndoButton label="Redo" onPress={redo} icon={<Redo2 size={19} aria-hidden />} />
    </span>
  )
}

interface ButtonProps {
  label: string
  onPress: (() => void) | undefined
  icon: ReactNode
}

function UndoButton({ label, onPress, icon }: ButtonProps) {
  return (
    <button
      type="button"
      aria-label={label}
      disabled={!onPress}
      onClick={onPress}
      className="grid size-11 place-items-center rounded-sm hover:bg-sheet-2 disabled:opacity-35"
    >
      {icon}
    </button>
  )
}
