import { csvFormatRows } from 'd3-dsv'
import type { Module } from '../../things/model'
import { type Identity, topSpeed } from '../contents'
import { GENERATION_CODES } from './device'

/** A module in a slot, as a running system would report it. Rates in MT/s. */
export interface ReportedModule {
  locator: string
  bank: string
  module: Module
  identity?: Identity
  configuredDataRate: number
}

const COLUMNS = [
  'DeviceLocator',
  'BankLabel',
  'Capacity',
  'DataWidth',
  'TotalWidth',
  'FormFactor',
  'SMBIOSMemoryType',
  'Speed',
  'ConfiguredClockSpeed',
  'ConfiguredVoltage',
  'Manufacturer',
  'PartNumber',
  'SerialNumber',
]

/** CIM PhysicalMemory instances of fitted modules as CSV. */
export function writeCimCsv(reported: readonly ReportedModule[]): string {
  const rows = reported.map(({ locator, bank, module, identity = {}, configuredDataRate }) => {
    const type = Object.entries(GENERATION_CODES).find(([, one]) => one === module.generation)?.[0]
    return [
      locator,
      bank,
      module.capacityGiB * 1024 ** 3,
      64,
      module.ecc ? 72 : 64,
      module.formFactor === 'SODIMM' ? 12 : module.formFactor === 'DIMM' ? 8 : 0,
      type ?? 0,
      topSpeed(module).dataRate,
      configuredDataRate,
      Math.round((module.voltages[0] ?? 0) * 1000),
      identity.makerCode ?? '',
      identity.partNumber ?? '',
      identity.serial ?? '',
    ].map(String)
  })
  return `${csvFormatRows([COLUMNS, ...rows])}\n`
}
