import { Search } from 'lucide-react'
import { lazy, Suspense, useCallback, useState } from 'react'
import { capital } from '../format'
import { SHORTCUTS, useShortcut } from '../keys'
import { IconButton } from '../ui'

const Palette = lazy(async () => ({ default: (await import('./Palette')).Palette }))
const KeyLegend = lazy(async () => ({ default: (await import('./KeyLegend')).KeyLegend }))

/** The palette and the keys, at hand on every screen. */
export function AtHand() {
  const [open, setOpen] = useState<'palette' | 'legend' | null>(null)
  const find = useCallback(() => setOpen('palette'), [])
  const keys = useCallback(() => setOpen('legend'), [])
  const close = useCallback(() => setOpen(null), [])
  useShortcut('palette', open ? undefined : find, { typing: true })
  useShortcut('legend', open ? undefined : keys)
  const label = capital(SHORTCUTS.palette.does)
  return (
    <>
      <IconButton label={label} onClick={find}>
        <Search size={19} aria-hidden />
      </IconButton>
      <Suspense>
        {open === 'palette' && <Palette onClose={close} />}
        {open === 'legend' && <KeyLegend onClose={close} />}
      </Suspense>
    </>
  )
}
