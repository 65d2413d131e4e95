import type { Forecast } from '@tembrix/core/forecast'
import type { Evaluation, Machine, Module } from '@tembrix/core/model'
import type { FirmwareReason, MixingLevel } from '@tembrix/core/plan'
import type { Destination, Warranty } from '@tembrix/core/records'

/** A module that goes in: new, used, or one the customer brought; null where nobody has said. */
export interface Added {
  module: Module
  state: 'new' | 'used' | 'own' | null
  /** Of a used one: the day it was tested. */
  testedOn: string | null
}

/** A module that comes out: what it is bought for, as written, and where the customer wants it. */
export interface TakenOut {
  module: Module
  credit: string | null
  goesTo: Destination | null
}

/** What a quote rests on. Modules are those in slots; soldered memory is in the totals. */
export interface QuoteFacts {
  kind: Machine['kind']
  before: Evaluation
  after: Evaluation
  kept: readonly Module[]
  /** Memory fixed to the board, GiB. */
  solderedGiB: number
  added: readonly Added[]
  removed: readonly TakenOut[]
  /** How many modules of one complete kit are in the slots, with nothing else beside it; null otherwise. */
  wholeKit: number | null
  gain: Forecast | null
  mixing: MixingLevel
  /** The only thing mixed is a module beside soldered memory. */
  besideSoldered: boolean
  /** The memory profile is turned on for it: its voltage where known, V. */
  profile: { volts: number | null } | null
  integratedGraphics: boolean
  firmware: readonly FirmwareReason[]
  /** Days until what is bought is here, and the day the supplier said so; null where nobody knows, or nothing is bought. */
  lead: { inShop: true } | { inShop: false; days: number; saidOn: string | null } | null
  /** The shop's rules. */
  testHours: number | null
  warranty: Warranty
}
