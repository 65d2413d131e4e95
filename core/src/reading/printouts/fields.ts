/** A value as printed, and the line (from 1) it stands on. */
export interface PrintedField {
  value: string
  line: number
}

/** One block, row or object of a listing: its fields by name in lower case, without blanks and marks. */
export interface Instance {
  line: number
  fields: Map<string, PrintedField>
}

/** The name of a property however it is spelt: `Configured Clock Speed`, `ConfiguredClockSpeed`. */
export function plainField(name: string): string {
  return name.toLowerCase().replace(/[^a-z0-9]/g, '')
}

/** A value that the console cut off at its edge: what is left of it is not the value. */
export const isCut = (value: string): boolean => /(?:\.\.\.|…)$/.test(value)

/** Properties of CIM classes that are read here, by what kind of instance has them. */
const MEMORY = [
  'devicelocator',
  'banklabel',
  'capacity',
  'datawidth',
  'totalwidth',
  'formfactor',
  'smbiosmemorytype',
  'memorytype',
  'typedetail',
  'speed',
  'configuredclockspeed',
  'configuredvoltage',
  'manufacturer',
  'partnumber',
  'serialnumber',
] as const
const ARRAY = [
  'maxcapacity',
  'maxcapacityex',
  'memorydevices',
  'memoryerrorcorrection',
  'use',
] as const
const SYSTEM = [
  'totalvisiblememorysize',
  'freephysicalmemory',
  'totalphysicalmemory',
  'automaticmanagedpagefile',
  'allocatedbasesize',
  'currentusage',
] as const
/** Further properties that come with them and say nothing that is needed. */
const BESIDE = [
  'attributes',
  'caption',
  'description',
  'name',
  'status',
  'tag',
  'creationclassname',
  'maxvoltage',
  'minvoltage',
  'interleaveposition',
  'interleavedatadepth',
  'positioninrow',
  'removable',
  'replaceable',
  'hotswappable',
  'poweredon',
  'installdate',
  'model',
  'otheridentifyinginfo',
  'sku',
  'version',
  'location',
  'node',
  'pscomputername',
  'initialsize',
  'maximumsize',
  'peakusage',
  'totalvirtualmemorysize',
  'freevirtualmemory',
  'sizestoredinpagingfiles',
  'cimclass',
] as const

/** First look at a line that names such a property: most lines of a session do not. */
export const PROPERTIES =
  /locat|bank|capac|width|factor|type|configured|number|devices|mem|file|size|caption|attributes|speed|voltage/i

/** Names that tell a listing of memory from any other text. */
const TELLING = new Set<string>([
  ...MEMORY.filter((one) => !['speed', 'manufacturer', 'capacity'].includes(one)),
  ...ARRAY.filter((one) => one !== 'use'),
  ...SYSTEM.filter((one) => one !== 'currentusage'),
])
const KNOWN = new Set<string>([...MEMORY, ...ARRAY, ...SYSTEM, ...BESIDE])

const isTelling = (name: string): boolean => TELLING.has(name)

/** Whether headings are a memory listing's: by a name that is in no other, or a capacity beside a speed. */
export const areTelling = (names: readonly string[]): boolean =>
  names.some(isTelling) || (names.includes('capacity') && names.includes('speed'))

export const isKnown = (name: string): boolean => KNOWN.has(name)

/** The property a heading stands for; one cut short stands for the only one that begins so. */
export function propertyOf(heading: string): string | null {
  const cut = isCut(heading.trim())
  const name = plainField(heading)
  if (!cut) return KNOWN.has(name) ? name : null
  const possible = [...KNOWN].filter((one) => one.startsWith(name))
  return name.length >= 4 && possible.length === 1 ? (possible[0] as string) : null
}
