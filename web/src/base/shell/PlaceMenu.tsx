import { DropdownMenu } from 'radix-ui'
import type { ReactElement } from 'react'
import { Link } from 'react-router'
import { ALL_PLACES } from './places'

/** The places as a list, where there is no room for them side by side. */
export function PlaceMenu({ trigger }: { trigger: ReactElement }) {
  return (
    <DropdownMenu.Root defaultOpen>
      <DropdownMenu.Trigger asChild>{trigger}</DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="start"
          className="z-40 min-w-52 rounded-sm border-2 border-ink bg-sheet py-1"
        >
          {ALL_PLACES.map(({ to, name, icon: Icon }) => (
            <DropdownMenu.Item key={to} asChild>
              <Link
                to={to}
                className="flex min-h-12 items-center gap-3 px-4 outline-none data-highlighted:bg-act-soft"
              >
                <Icon size={18} aria-hidden /> {name}
              </Link>
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}
