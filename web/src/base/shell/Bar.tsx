import { Menu, Moon, Sun } from 'lucide-react'
import { lazy, memo, type ReactNode } from 'react'
import { Link, NavLink } from 'react-router'
import { useCommand } from '../keys'
import { IconButton, OnDemand } from '../ui'
import { AtHand } from './AtHand'
import { PLACES } from './places'
import { SaveState } from './SaveState'
import { Technician } from './Technician'
import { useTheme } from './theme'

interface Props {
  /** The places without their names, where what this is about needs the room. */
  compact?: boolean
  children?: ReactNode
}

/** The strip on top of every screen: home, what this is about, and whether all of it is saved. */
export function Bar({ children, compact = false }: Props) {
  const [theme, toggle] = useTheme()
  useCommand(theme === 'dark' ? 'daylight colours' : 'dark bench colours', toggle)
  return (
    <header className="screen-only flex min-h-12 flex-wrap items-center gap-x-1 border-b-2 border-ink bg-sheet px-2 md:gap-x-4 lg:flex-nowrap">
      <a
        href="#work"
        className="absolute top-0 z-50 -translate-y-20 flex min-h-11 items-center rounded-sm bg-ink px-3 text-sheet focus:translate-y-0"
      >
        Skip to the work
      </a>
      <Places compact={compact} />
      <div className="flex min-w-0 items-center gap-3 max-lg:order-last max-lg:basis-full lg:flex-1">
        {children}
      </div>
      <span className="flex-1 lg:hidden" />
      <SaveState />
      <AtHand />
      <Technician />
      <IconButton
        onClick={toggle}
        label={theme === 'dark' ? 'Daylight colours' : 'Dark bench colours'}
      >
        {theme === 'dark' ? <Sun size={20} aria-hidden /> : <Moon size={20} aria-hidden />}
      </IconButton>
    </header>
  )
}

const PlaceMenu = lazy(async () => ({ default: (await import('./PlaceMenu')).PlaceMenu }))

/** Does not change while a screen is worked at. */
const Places = memo(function Places({ compact }: { compact: boolean }) {
  return (
    <>
      <OnDemand
        label="Places"
        className="grid size-11 place-items-center rounded-sm hover:bg-sheet-2 md:hidden"
        face={<Menu size={20} aria-hidden />}
      >
        {(trigger) => <PlaceMenu trigger={trigger} />}
      </OnDemand>
      <Link
        to="/"
        className="flex min-h-11 min-w-11 items-center gap-2 px-1 text-lg font-bold tracking-tight"
        aria-label="Tembrix, to the counter"
      >
        <Mark />
        <span className="max-sm:sr-only">Tembrix</span>
      </Link>
      <nav aria-label="Main" className="flex max-md:hidden">
        {PLACES.map(({ to, name, icon: Icon }) => (
          <NavLink
            key={to}
            to={to}
            end
            title={name}
            className={({ isActive }) =>
              `flex min-h-11 min-w-11 items-center justify-center gap-1.5 border-b-3 px-2 text-sm ${isActive ? 'border-act font-semibold' : 'border-transparent text-ink-2 hover:bg-sheet-2'}`
            }
          >
            <Icon size={17} aria-hidden />
            <span className={compact ? 'max-2xl:sr-only' : 'max-lg:sr-only'}>{name}</span>
          </NavLink>
        ))}
      </nav>
    </>
  )
})

function Mark() {
  return (
    <svg viewBox="4 8 24 17" className="h-5" aria-hidden="true">
      <path d="M5 9h22v12h-9v3h-3v-3H5z" className="fill-act" />
      <path d="M8 21v3M11 21v3M21 21v3M24 21v3" strokeWidth="2" className="stroke-gold-line" />
    </svg>
  )
}
