import { Fragment } from 'react'

/** Keys as they stand on the keyboard. */
export function Keys({ shown }: { shown: readonly string[] }) {
  return (
    <span className="whitespace-nowrap">
      {shown.map((key, at) => (
        <Fragment key={key}>
          {at > 0 && ' '}
          <kbd className="rounded-xs border border-rule-2 px-1 font-mono text-[0.85em]">{key}</kbd>
        </Fragment>
      ))}
    </span>
  )
}
