import type { Fit } from './fit'
import type { Handover } from './handover'
import type { ModuleRecord } from './moduleRecord'
import type { Order } from './order'
import type { Stored } from './stored'
import type { Verification } from './verification'

type Blank<T> = Omit<T, keyof Stored | 'jobId'>

/** A module of which nothing but itself is known. */
export const UNKNOWN_PIECE: Omit<Blank<ModuleRecord>, 'module' | 'source'> = {
  price: null,
  note: '',
  condition: null,
  testedOn: null,
  serialNumber: '',
  warrantyUntil: null,
  fromJobId: null,
  supplier: '',
  stock: null,
  leadDays: null,
  askedAt: null,
  fittedJobId: null,
  standsFor: null,
  cost: null,
  invoice: '',
}

/** A fitting nobody has begun. */
export const UNFITTED: Blank<Fit> = {
  static: 'strap',
  hatch: null,
  battery: null,
  ticks: {},
  note: '',
  seconds: 0,
  runningSince: null,
  screws: [],
  screwPhotoId: null,
  screwsBack: [],
  screwsLeft: null,
  serials: {},
  removed: {},
  finishedAt: null,
}

/** A machine nobody has looked at since it was fitted. */
export const UNVERIFIED: Blank<Verification> = {
  seen: {
    totalGiB: null,
    slots: {},
    rate: null,
    ways: null,
    cl: null,
    memoryClock: null,
    controllerClock: null,
    fabricClock: null,
    eccActive: null,
  },
  trials: [],
  stability: [],
  tuning: [],
  accepted: {},
  changes: null,
}

/** An order nobody has sent. */
export const NOT_ORDERED: Omit<Blank<Order>, 'supplier' | 'currency' | 'number'> = {
  lines: [],
  note: '',
  sent: null,
  confirmation: null,
  arrived: [],
  open: true,
  cancelled: null,
}

/** A job nobody has begun to hand over. */
export const NOT_HANDED_OVER: Blank<Handover> = {
  wording: {},
  payments: [],
  returned: [],
  setupFound: {},
  reasons: {},
  signed: null,
  document: null,
  collected: null,
}
