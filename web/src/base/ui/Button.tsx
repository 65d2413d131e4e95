import type { ComponentProps } from 'react'

const LOOKS = {
  main: 'bg-act text-act-ink border-act hover:brightness-110',
  plain: 'bg-sheet text-ink border-rule-2 hover:bg-sheet-2',
  quiet: 'bg-transparent text-ink border-transparent hover:bg-sheet-2',
  stop: 'bg-sheet text-stop border-stop hover:bg-stop-soft',
}

interface Props extends ComponentProps<'button'> {
  look?: keyof typeof LOOKS
}

export function Button({ look = 'plain', className = '', type = 'button', ...rest }: Props) {
  return (
    <button
      type={type}
      className={`inline-flex min-h-11 items-center justify-center gap-2 rounded-sm border px-3.5 font-medium disabled:cursor-not-allowed disabled:opacity-50 ${LOOKS[look]} ${className}`}
      {...rest}
    />
  )
}
