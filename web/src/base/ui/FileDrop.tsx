import type { ReactNode } from 'react'
import { useDropzone } from 'react-dropzone'
import { Button, type ButtonLook } from './Button'

interface Props {
  /** What the file is, for those who cannot see the button. */
  label: string
  /** Kinds that are offered first; another can be taken all the same, and is told about where it is read. */
  accept?: string
  multiple?: boolean
  /** Takes a picture, where the device has a camera. */
  camera?: boolean
  look?: ButtonLook
  disabled?: boolean
  className?: string
  onFiles: (files: File[]) => void
  /** What is on the button. */
  children: ReactNode
}

/** A button that asks for files, and takes those dropped on it. */
export function FileDrop({
  label,
  accept,
  multiple = false,
  camera = false,
  look,
  disabled = false,
  className = '',
  onFiles,
  children,
}: Props) {
  const { getRootProps, getInputProps, isDragActive, open } = useDropzone({
    multiple,
    disabled,
    noClick: true,
    noKeyboard: true,
    noDragEventsBubbling: true,
    useFsAccessApi: false,
    // Of several where one is asked for, the first.
    onDrop: (files, refused) => {
      const [first] = [...files, ...refused.map(({ file }) => file)]
      if (first) onFiles(multiple ? files : [first])
    },
  })
  return (
    <div {...getRootProps({ className: 'self-start' })}>
      <Button
        look={look}
        disabled={disabled}
        onClick={open}
        className={`${className} ${isDragActive ? 'outline-3 outline-gold-line' : ''}`}
      >
        {children}
      </Button>
      <input
        {...getInputProps({
          'aria-label': label,
          ...(accept ? { accept } : {}),
          ...(camera ? { capture: 'environment' } : {}),
        })}
      />
    </div>
  )
}
