import { STARTING_MACHINES } from '@tembrix/core/things/machines'
import type { Machine, Module } from '@tembrix/core/things/model'

export const sampleStick: Module = {
  article: 'Q4-8-3200',
  generation: 'DDR4',
  formFactor: 'SODIMM',
  buffering: 'unbuffered',
  ecc: false,
  capacityGiB: 8,
  ranks: 1,
  deviceWidth: 8,
  voltages: [1.2],
  speeds: [{ kind: 'standard', dataRate: 3200, cl: 22, trcd: 22, trp: 22, tras: 52 }],
  kit: null,
}

const general = STARTING_MACHINES.find(({ id }) => id === 'laptop-2')?.machine as Machine

/** A laptop whose firmware stops below its processor's rating. */
export const laptop: Machine = {
  ...general,
  limits: { ...general.limits, firmwareDataRate: 2666 },
}

export const newJobBody = {
  customer: { name: 'Ottoline Varga', phone: '0555 1234' },
  machine: { machine: laptop },
  complaint: 'Stutters while sorting orchard photos',
}
