/** Fields of a memory device for a hand-made SMBIOS table. */
export interface TableDevice {
  /** In MB; 0 for an empty slot. */
  size: number
  extended?: number
  totalWidth?: number
  form?: number
  locator: string
  bank?: string
  type?: number
  speed?: number
  configured?: number
  maker?: string
  serial?: string
  part?: string
  ranks?: number
  millivolts?: number
}

/** An SMBIOS table as DSP0134 lays it out: one array (type 16), its devices (type 17), the end (type 127). */
export function table(
  array: { ecc?: number; maximumKB?: number; maximumBytes?: bigint; devices: number },
  devices: readonly TableDevice[],
): Uint8Array {
  const out: number[] = []
  const word = (value: number) => [value & 0xff, (value >> 8) & 0xff]
  const dword = (value: number) => [...word(value & 0xffff), ...word(Math.floor(value / 65536))]
  const put = (type: number, handle: number, body: number[], strings: string[]) => {
    out.push(type, body.length + 4, ...word(handle), ...body)
    for (const one of strings) out.push(...codes(one), 0)
    out.push(0, ...(strings.length === 0 ? [0] : []))
  }
  const quad = array.maximumBytes ?? 0n
  put(
    16,
    1,
    [
      3,
      3,
      array.ecc ?? 3,
      ...dword(array.maximumBytes ? 0x80000000 : (array.maximumKB ?? 0)),
      0xfe,
      0xff,
      ...word(array.devices),
      ...dword(Number(quad & 0xffffffffn)),
      ...dword(Number(quad >> 32n)),
    ],
    [],
  )
  devices.forEach((one, at) => {
    const strings: string[] = []
    const named = (text: string | undefined) => (text === undefined ? 0 : strings.push(text))
    const body = [
      ...word(1),
      ...word(0xfffe),
      ...word(one.totalWidth ?? 64),
      ...word(64),
      ...word(one.size),
      one.form ?? 0x0d,
      0,
      named(one.locator),
      named(one.bank),
      one.type ?? 0x1a,
      ...word(0x4080),
      ...word(one.speed ?? 0),
      named(one.maker),
      named(one.serial),
      0,
      named(one.part),
      one.ranks ?? 0,
      ...dword(one.extended ?? 0),
      ...word(one.configured ?? 0),
      ...word(0),
      ...word(0),
      ...word(one.millivolts ?? 0),
    ]
    put(17, 2 + at, body, strings)
  })
  put(127, 0xfeff, [], [])
  return Uint8Array.from(out)
}

function codes(text: string): number[] {
  return Array.from(text, (letter) => letter.charCodeAt(0) & 0xff)
}

export const hex = (bytes: Uint8Array): string =>
  Array.from(bytes, (byte) => byte.toString(16).padStart(2, '0')).join(' ')
