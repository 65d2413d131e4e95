import { cva, type VariantProps } from 'class-variance-authority'
import type { ComponentProps } from 'react'

const look = cva(
  'inline-flex min-h-11 min-w-11 items-center justify-center gap-2 rounded-sm border px-3.5 font-medium disabled:cursor-not-allowed disabled:opacity-50',
  {
    variants: {
      look: {
        main: 'border-act bg-act text-act-ink hover:brightness-110',
        plain: 'border-rule-2 bg-sheet text-ink hover:bg-sheet-2',
        quiet: 'border-transparent bg-transparent text-ink hover:bg-sheet-2',
        stop: 'border-stop bg-sheet text-stop hover:bg-stop-soft',
      },
    },
    defaultVariants: { look: 'plain' },
  },
)

export type ButtonLook = NonNullable<VariantProps<typeof look>['look']>

interface Props extends ComponentProps<'button'> {
  look?: ButtonLook
}

export function Button({ look: one, className, type = 'button', ...rest }: Props) {
  return <button type={type} className={look({ look: one, className })} {...rest} />
}
