import type { LogSummary } from '../src/judging/sizing'
import type { Machine, Module, Slot } from '../src/things/model'

/** A plain 8 GiB DDR4-3200 stick with a 2666 entry, changed as asked. */
export function stick(changes: Partial<Module> = {}): Module {
  return {
    article: 'p',
    generation: 'DDR4',
    formFactor: 'DIMM',
    buffering: 'unbuffered',
    ecc: false,
    capacityGiB: 8,
    ranks: 1,
    deviceWidth: 8,
    voltages: [1.2],
    speeds: [
      { kind: 'standard', dataRate: 3200, cl: 22, trcd: 22, trp: 22, tras: 52 },
      { kind: 'standard', dataRate: 2666, cl: 19, trcd: 19, trp: 19, tras: 43 },
    ],
    kit: null,
    ...changes,
  }
}

/** A stick with a memory profile of this rate. */
export function profiled(dataRate: number, changes: Partial<Module> = {}): Module {
  const base = stick(changes)
  const profile = { kind: 'profile', dataRate, cl: 16, trcd: 19, trp: 19, tras: 39 } as const
  return { ...base, speeds: [...base.speeds, profile] }
}

export function slot(id: string, channel: string, changes: Partial<Slot> = {}): Slot {
  return { id, channel, position: 1, order: null, mustFill: false, color: null, ...changes }
}

/** A four-slot, two-channel DDR4 desktop whose rate falls with two modules a channel. */
export function desktop(changes: Partial<Machine> = {}): Machine {
  return {
    name: 'Four-slot desktop',
    kind: 'desktop',
    generation: 'DDR4',
    formFactor: 'DIMM',
    channels: ['A', 'B'],
    slots: [
      slot('A1', 'A', { position: 1, order: 3 }),
      slot('A2', 'A', { position: 2, order: 1 }),
      slot('B1', 'B', { position: 1, order: 4 }),
      slot('B2', 'B', { position: 2, order: 2 }),
    ],
    soldered: [],
    limits: {
      totalGiB: 128,
      slotGiB: 32,
      dieGbit: null,
      osGiB: null,
      firmwareDataRate: null,
      dataRates: [
        { modulesPerChannel: 1, ranks: 1, dataRate: 3200 },
        { modulesPerChannel: 1, ranks: 2, dataRate: 3200 },
        { modulesPerChannel: 2, ranks: 1, dataRate: 2933 },
        { modulesPerChannel: 2, ranks: 2, dataRate: 2666 },
      ],
    },
    profiles: true,
    interleave: 'flex',
    voltages: [1.2],
    buffering: ['unbuffered'],
    ecc: 'ignored',
    syncCeiling: 3600,
    desyncPenalty: 0.15,
    ...changes,
  }
}

/** An hour's log with a peak of 5 GiB, changed as asked. */
export const logSummary = (changes: Partial<LogSummary> = {}): LogSummary => ({
  count: 100,
  spanSeconds: 3600,
  peakGiB: 5,
  p99GiB: 4.5,
  tightShare: 0,
  cutOff: false,
  pagingShare: null,
  ...changes,
})
