import { Tabs } from 'radix-ui'
import type { ReactNode } from 'react'

/** One of the tabs of a step or a place. */
export function Tab({ value, children }: { value: string; children: ReactNode }) {
  return (
    <Tabs.Trigger
      value={value}
      className="-mb-0.5 min-h-11 border-b-4 border-transparent px-3 data-[state=active]:border-act data-[state=active]:font-semibold"
    >
      {children}
    </Tabs.Trigger>
  )
}
