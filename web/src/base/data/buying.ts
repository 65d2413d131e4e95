import { createSlice, type PayloadAction } from '@reduxjs/toolkit'
import { z } from 'zod'

/** A machine somebody may buy, as typed: amounts as text, factory modules by slot in GiB. */
const BuyingMachine = z.object({
  id: z.string(),
  /** The starting machine, or the shop's record, that it is. */
  pointId: z.string(),
  price: z.string(),
  factory: z.record(z.string(), z.number()),
  makersUpgrade: z.string(),
})
export type BuyingMachine = z.infer<typeof BuyingMachine>

const Buying = z.object({ minGiB: z.string(), machines: z.array(BuyingMachine) })
export type Buying = z.infer<typeof Buying>

const NOTHING: Buying = { minGiB: '16', machines: [] }
const KEY = 'tembrix.buying'

const slice = createSlice({
  name: 'buying',
  initialState: NOTHING,
  reducers: {
    compared: (state, { payload }: PayloadAction<Partial<Buying>>) => ({ ...state, ...payload }),
  },
})

export const { compared } = slice.actions
export const buyingReducer = slice.reducer

/** The comparison of this tab before a reload. */
export function restoreBuying(storage: Pick<Storage, 'getItem'>): Buying {
  try {
    return Buying.parse(JSON.parse(storage.getItem(KEY) ?? 'null'))
  } catch {
    return NOTHING
  }
}

/** Keeps it over a reload; a storage that is full or closed keeps nothing. */
export function keepBuying(storage: Pick<Storage, 'setItem'>, buying: Buying): void {
  try {
    storage.setItem(KEY, JSON.stringify(buying))
  } catch {
    // It is still there until the page is left.
  }
}
