import { BATTERIES, type Battery, TEST_SOURCES } from '@tembrix/core/things/model'
import { CHOICES } from '../../base/format'

export const BATTERY_OPTIONS: { value: Battery | ''; label: string }[] = [
  { value: '', label: 'not looked at: taken for a plug' },
  ...BATTERIES.map((value) => ({ value, label: CHOICES.battery[value] })),
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

export const TEST_FROM_OPTIONS = TEST_SOURCES.map((value) => ({
  value,
  label: CHOICES.testFrom[value],
}))
