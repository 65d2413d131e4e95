import { expect, test } from 'vitest'
import { answerTo } from '../inputs'

const logOf = (text: string) => answerTo(text).system?.errorLog

test('lines of a kernel: corrected and uncorrected errors by slot, and machine checks', () => {
  const text = `hardware errors, since the start:
[  812.1] EDAC MC0: 3 CE memory read error on DIMM_A1 (channel:0 slot:0 page:0x1f offset:0x0 grain:32)
[  901.4] EDAC MC0: 1 CE memory scrubbing error on DIMM_A1 (channel:0 slot:0 page:0x1f)
[ 1400.0] EDAC MC0: 1 UE memory read error on DIMM_B1 (channel:1 slot:0 page:0x2a)
[ 1400.1] mce: [Hardware Error]: CPU 2: Machine Check: 0 Bank 8: 9c00000000000090`
  expect(logOf(text)).toEqual({
    corrected: 4,
    uncorrected: 1,
    machineChecks: 1,
    bySlot: { DIMM_A1: 4, DIMM_B1: 1 },
    since: 'start',
  })
})

test('counters of the controller, which count the same errors as its lines', () => {
  const text = `/sys/devices/system/edac/mc/mc0/ce_count:5
/sys/devices/system/edac/mc/mc0/ue_count:0
/sys/devices/system/edac/mc/mc0/dimm0/dimm_label:DIMM_A1
/sys/devices/system/edac/mc/mc0/dimm0/dimm_ce_count:5
/sys/devices/system/edac/mc/mc0/dimm0/dimm_ue_count:0
/sys/devices/system/edac/mc/mc0/dimm1/dimm_label:DIMM_B1
/sys/devices/system/edac/mc/mc0/dimm1/dimm_ce_count:0
EDAC MC0: 2 CE memory read error on DIMM_A1 (channel:0 slot:0)`
  expect(logOf(text)).toEqual({
    corrected: 5,
    uncorrected: 0,
    machineChecks: 0,
    bySlot: { DIMM_A1: 5 },
    since: 'start',
  })
})

test('events of a log: memory, machine checks, and other parts left out', () => {
  const text = `TimeCreated : 11/12/2026 09:14:02
Id          : 47
Message     : A corrected hardware error has occurred.

              Component: Memory
              Error Source: Corrected Machine Check

TimeCreated : 11/12/2026 09:20:00
Id          : 18
Message     : A fatal hardware error has occurred.

              Reported by component: Processor Core
              Error Source: Machine Check Exception

TimeCreated : 11/12/2026 09:21:00
Id          : 17
Message     : A corrected hardware error has occurred.

              Component: PCI Express Root Port`
  expect(logOf(text)).toEqual({
    corrected: 1,
    uncorrected: 0,
    machineChecks: 1,
    bySlot: {},
    since: 'kept',
  })
})

test('a log without entries is told from one that nobody took', () => {
  const none = { corrected: 0, uncorrected: 0, machineChecks: 0, bySlot: {} }
  expect(logOf('== hardware errors, kept in the log ==\n(none logged)\n\n== end ==')).toEqual({
    ...none,
    since: 'kept',
  })
  expect(logOf('hardware errors, since the start:\nnone')).toEqual({ ...none, since: 'start' })
  expect(logOf('== hardware errors, since the start ==\n\n== end ==')).toBeUndefined()
})

test('a memory report beside it is read as before', () => {
  const text = `MemTotal:       16384000 kB
MemAvailable:    8192000 kB

hardware errors, since the start:
EDAC MC0: 1 CE memory read error on unknown label (node:0)

MemTotal:       16384000 kB`
  const { system } = answerTo(text)
  expect(system?.totalGiB).toBeCloseTo(15.625)
  expect(system?.errorLog?.corrected).toBe(1)
})
