import { BATTERIES, type Battery } from '@tembrix/core/model'

const BATTERY_NAMES: Record<Battery, string> = {
  plug: 'a plug under the cover',
  pack: 'a pack that is taken out',
  setup: 'disabled in the setup: its plug is out of reach',
  none: 'no battery in it',
}

export const BATTERY_OPTIONS: { value: Battery | ''; label: string }[] = [
  { value: '', label: 'not looked at: taken for a plug' },
  ...BATTERIES.map((value) => ({ value, label: BATTERY_NAMES[value] })),
]

type HatchOption = { value: 'hatch' | 'other' | ''; label: string }

export const HATCH_OPTIONS: HatchOption[] = [
  { value: '', label: 'not looked at: taken for the display' },
  { value: 'hatch', label: 'a hatch' },
  { value: 'other', label: 'the display' },
]

export const LAPTOP_HATCH_OPTIONS: HatchOption[] = [
  { value: '', label: 'not looked at: taken for the whole cover' },
  { value: 'hatch', label: 'a hatch of their own' },
  { value: 'other', label: 'the whole cover' },
]
