import { Redo2, Undo2 } from 'lucide-react'
import type { ReactNode } from 'react'
import { useShortcut } from '../../base/keys'
import { IconButton } from '../../base/ui'

interface Props {
  undo: (() => void) | undefined
  redo: (() => void) | undefined
}

/** Back and again, by button and by key wherever nothing is being typed. */
export function UndoButtons({ undo, redo }: Props) {
  useShortcut('undo', undo)
  useShortcut('redo', redo)
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
    <IconButton label={label} disabled={!onPress} onClick={onPress}>
      {icon}
    </IconButton>
  )
}
