import type { Module } from '@tembrix/core/things/model'
import { memo } from 'react'
import { capacity } from '../../base/format'
import { organisation, profileRateOf, rateOf } from './words'

interface Props {
  module: Module
  upright?: boolean
  /** With room for the part number. */
  roomy?: boolean
  chosen?: boolean
  /** Not at hand: it sits in a slot already, or cannot be used. */
  faded?: boolean
  /** A short word on the module's part in a change. */
  mark?: string | undefined
}

/** A module as drawn: its figures, and the row of contacts with the notch that keys it. */
export const ModuleFace = memo(function ModuleFace({
  module,
  upright = false,
  roomy = false,
  chosen = false,
  faded = false,
  mark,
}: Props) {
  const profile = profileRateOf(module)
  const contacts = upright ? 'flex-col w-2 border-l' : 'h-2 border-t'
  return (
    <span
      className={`@container flex h-full w-full overflow-hidden rounded-xs border ${faded ? 'border-dashed bg-sheet-2 text-ink-2' : 'bg-module text-module-ink'} ${upright ? 'flex-row-reverse' : 'flex-col'} ${chosen ? 'border-gold-line ring-2 ring-gold-line' : 'border-chip/40'}`}
    >
      <span
        className={`flex min-h-0 min-w-0 flex-1 ${upright ? 'flex-col items-center justify-center gap-1.5 px-0.5 py-2 text-center' : 'items-center justify-between gap-2 px-2.5'}`}
      >
        <span className="leading-none">
          <span className="text-[1.35rem] font-semibold">
            {capacity(module.capacityGiB).split(' ')[0]}
          </span>
          <span className="text-sm"> {capacity(module.capacityGiB).split(' ')[1]}</span>
        </span>
        {roomy && (
          <span className="hidden min-w-0 flex-1 truncate text-sm @[13rem]:block">
            {module.generation} <span className="opacity-75">{module.article}</span>
          </span>
        )}
        {mark && (
          <span className="rounded-xs bg-gold-soft px-1.5 text-[0.8rem] font-semibold text-gold">
            {mark}
          </span>
        )}
        <span className={`font-mono text-[0.8rem] leading-snug ${upright ? '' : 'text-right'}`}>
          <span className={upright ? 'block' : 'whitespace-nowrap'}>{rateOf(module)}</span>
          {profile > 0 && <span className="whitespace-nowrap">▸{profile}</span>}
          <span className="block whitespace-nowrap">{organisation(module)}</span>
        </span>
      </span>
      <span className={`flex border-chip/50 ${contacts} ${faded ? 'opacity-40' : ''}`} aria-hidden>
        <span className="flex-[11] bg-gold-line" />
        <span className={upright ? 'h-1.5 bg-pcb-2' : 'w-1.5 bg-pcb-2'} />
        <span className="flex-[8] bg-gold-line" />
      </span>
    </span>
  )
})
