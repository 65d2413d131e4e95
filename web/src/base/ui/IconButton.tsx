import { cva, type VariantProps } from 'class-variance-authority'
import type { ComponentProps } from 'react'

const look = cva(
  'grid size-11 shrink-0 place-items-center rounded-sm disabled:cursor-not-allowed disabled:opacity-35',
  {
    variants: {
      look: {
        plain: 'hover:bg-sheet-2',
        remove: 'hover:bg-stop-soft',
        /** On the board. */
        board: 'text-pcb-ink hover:bg-pcb-2',
        /** On a toast. */
        notice: 'text-sheet hover:bg-ink-2',
      },
    },
    defaultVariants: { look: 'plain' },
  },
)

interface Props extends Omit<ComponentProps<'button'>, 'aria-label'>, VariantProps<typeof look> {
  /** What it does, for those who do not see its icon, and as a hint for those who do. */
  label: string
}

/** A button that is an icon only. */
export function IconButton({ label, look: one, className, type = 'button', ...rest }: Props) {
  return (
    <button
      type={type}
      aria-label={label}
      title={label}
      className={look({ look: one, className })}
      {...rest}
    />
  )
}
