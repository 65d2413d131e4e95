import { bytesInBase64 } from './base64'
import { bytesListed } from './bytesListed'
import { capacitiesAlone } from './capacities'
import { cimCsv, cimJson, cimList, cimTable } from './cim'
import { cimXml } from './cimXml'
import { clocksShown } from './clocks'
import { decodedContents } from './decoded'
import { errorLog } from './errorLog'
import type { PrintForm } from './form'
import { smbiosListing } from './listing'
import { otherBlock } from './otherBlock'
import { processorName } from './processor'
import { profileXml } from './profileXml'
import { withoutRights } from './rights'
import { startUpMessage } from './startUp'
import { memoryInUse } from './system'
import { systemWidth } from './systemWidth'
import { hardwareTree } from './tree'
import { treeJson } from './treeJson'
import { usagePanel } from './usagePanel'

/** Every form that is read, in the order they are asked: the one that says yes first has the lines. */
export const PRINT_FORMS: readonly PrintForm[] = [
  treeJson,
  cimJson,
  profileXml,
  cimXml,
  decodedContents,
  bytesInBase64,
  hardwareTree,
  processorName,
  errorLog,
  systemWidth,
  withoutRights,
  smbiosListing,
  memoryInUse,
  clocksShown,
  startUpMessage,
  usagePanel,
  bytesListed,
  capacitiesAlone,
  cimList,
  cimTable,
  cimCsv,
  otherBlock,
]

export { readBytes } from './bytesListed'
export { isSoldered, mayBeSoldered } from './device'
export { isPrompt, type ReadStretch } from './form'
export { type ReportedModule, writeCimCsv } from './writeCim'
export { writeSmbios } from './writeSmbios'
export { readXml } from './xml'
