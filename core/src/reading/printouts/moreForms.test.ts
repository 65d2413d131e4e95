import { expect, test } from 'vitest'
import { stick } from '../../../test/builders'
import { hex } from '../../../test/tables'
import { answerTo, read, writeDdr4 } from '../inputs'

const figures = (text: string) => answerTo(text).modules.map(({ module }) => module)

test('a decoder’s columns are modules, its rows their figures', () => {
  const text = `Decoding EEPROM                      0-0050                 0-0052
---=== SPD EEPROM Information ===---
Fundamental Memory type              DDR4 SDRAM             DDR4 SDRAM
Module Type                          SO-DIMM                SO-DIMM
---=== Memory Characteristics ===---
Maximum module speed                 3200 MT/s (PC4-25600)  2666 MT/s (PC4-21300)
Size                                 8192 MB                16384 MB
Ranks                                1                      2
SDRAM Device Width                   8 bits                 8 bits
Part Number                          LRK4-8-3200            Undefined
Assembly Serial Number               0x3A7100C2             0x00000000`
  expect(figures(text)).toEqual([
    {
      generation: 'DDR4',
      formFactor: 'SODIMM',
      buffering: 'unbuffered',
      speeds: [{ kind: 'standard', dataRate: 3200 }],
      capacityGiB: 8,
      ranks: 1,
      deviceWidth: 8,
      partNumber: 'LRK4-8-3200',
      serial: '3A7100C2',
    },
    {
      generation: 'DDR4',
      formFactor: 'SODIMM',
      buffering: 'unbuffered',
      speeds: [{ kind: 'standard', dataRate: 2666 }],
      capacityGiB: 16,
      ranks: 2,
      deviceWidth: 8,
    },
  ])
  expect(answerTo(text).modules.every(({ verified }) => !verified)).toBe(true)
})

test('contents in base64, in one line or several, are verified like any others', () => {
  const bytes = writeDdr4(stick())
  const text = btoa(String.fromCharCode(...bytes))
  for (const written of [text, text.replace(/(.{76})/g, '$1\n')]) {
    expect(answerTo(written)).toMatchObject({ format: 'spd-ddr4', modules: [{ verified: true }] })
    expect(figures(written)).toEqual(figures(hex(bytes)))
  }
  expect(answerTo(btoa('no module at all, only words. '.repeat(8))).modules).toEqual([])
})

test('a profile and instances as XML are those of their lists', () => {
  const profile = `<?xml version="1.0"?>
<plist version="1.0"><array><dict><key>_items</key><array>
<dict><key>_name</key><string>BANK 0/ChannelA-DIMM0</string><key>dimm_size</key><string>8 GB</string>
<key>dimm_speed</key><string>2667 MHz</string><key>dimm_type</key><string>DDR4</string></dict>
<dict><key>_name</key><string>BANK 2/ChannelB-DIMM0</string><key>dimm_size</key><string>Empty</string><key>dimm_type</key><string>Empty</string></dict>
</array></dict></array></plist>`
  const { modules, machine } = answerTo(profile)
  expect(modules).toMatchObject([
    { slot: { locator: 'BANK 0/ChannelA-DIMM0' }, module: { capacityGiB: 8, generation: 'DDR4' } },
  ])
  expect(machine?.slots.map(({ populated }) => populated)).toEqual([true, false])

  const one = (name: string, value: string) => `<Property Name="${name}">${value}</Property>`
  const instance = (slot: string) =>
    `<Object>${one('DeviceLocator', slot)}${one('Capacity', '8589934592')}${one('SMBIOSMemoryType', '26')}${one('Speed', '3200')}</Object>`
  const xml = `<?xml version="1.0"?>\n<Objects>${instance('DIMM A')}${instance('DIMM B')}</Objects>`
  expect(
    answerTo(xml).modules.map(({ slot, module }) => [slot?.locator, module.capacityGiB]),
  ).toEqual([
    ['DIMM A', 8],
    ['DIMM B', 8],
  ])
})

test('XML: entities are letters, places are lines, and a cut says less', () => {
  const xml = `<?xml version="1.0"?>
<CIM><DECLGROUP>
<INSTANCE CLASSNAME="Memory">
<PROPERTY NAME="DeviceLocator" TYPE="string"><VALUE>A &amp; &#66;</VALUE></PROPERTY>
<PROPERTY NAME="Capacity" TYPE="uint64"><VALUE>8589934592</VALUE></PROPERTY>
<PROPERTY NAME="PartNumber" TYPE="string"><VALUE><![CDATA[LRK<4>]]></VALUE></PROPERTY>
</INSTANCE>
<INSTANCE CLASSNAME="Memory">
<PROPERTY NAME="DeviceLocator" TYPE="string"><VALUE>C</VALUE></PROPERTY>
<PROPERTY NAME="Capacity" TYPE="uint64"><VALUE>17179869184</VALUE></PROPERTY>
</INSTANCE>
</DECLGROUP></CIM>
uptime: 3 days`
  const { modules } = answerTo(xml)
  expect(modules.map(({ slot, module }) => [slot?.locator, module])).toEqual([
    ['A & B', { capacityGiB: 8, partNumber: 'LRK<4>' }],
    ['C', { capacityGiB: 16 }],
  ])
  const { observations, parts } = read(xml)
  expect(observations.find(({ what }) => what === 'partNumber')?.where).toEqual({ line: 3 })
  expect(parts.at(-1)).toEqual({ format: 'unknown', from: 13, to: 13 })
  const cut = answerTo(xml.slice(0, xml.indexOf('17179')))
  expect(cut.modules.map(({ module }) => module.capacityGiB)).toEqual([8, undefined])
})

test('capacities alone are modules, alike ones too; a disk’s is none', () => {
  expect(figures('Capacity\n8589934592\n8589934592')).toEqual([
    { capacityGiB: 8 },
    { capacityGiB: 8 },
  ])
  expect(figures('Capacity=8589934592\n\nCapacity=17179869184')).toEqual([
    { capacityGiB: 8 },
    { capacityGiB: 16 },
  ])
  expect(figures('Capacity\n500105249280')).toEqual([])
})

test('widths of which one was cut off say nothing of ECC', () => {
  const listed = (widths: string) =>
    figures(`Memory Device\n\tSize: 8 GB\n\tLocator: DIMM A\n\tForm Factor: DIMM\n${widths}`)[0]
      ?.ecc
  expect(listed('\tTotal Width: 64 bits\n\tData Width: 64 bits')).toBe(false)
  expect(listed('\tTotal Width: 72 bits\n\tData Width: 64 bits')).toBe(true)
  expect(listed('\tTotal Width: 64 bits\n\tData Width: 6')).toBeUndefined()
})

test.each([
  'od: /sys/firmware/dmi/tables/DMI: Permission denied',
  '/dev/mem: Permission denied',
  'WARNING: you should run this program as super-user.',
  '(the memory devices cannot be read: run this as root)',
  'cat: /sys/firmware/dmi/tables/DMI: Keine Berechtigung',
])('a report made without rights says so: %s', (line) => {
  const { format, problems } = answerTo(`${line}\nMemTotal: 16000000 kB`)
  expect(format).toBe('system')
  expect(problems).toEqual([{ code: 'RIGHTS_MISSING', where: { line: 1 } }])
  expect(answerTo(line).format).toBe('unknown')
})

test('a refusal of something else is none of a report', () => {
  expect(answerTo('ls: /root: Permission denied\nMemTotal: 16000000 kB').problems).toEqual([])
})

test.each([
  'Base Board Information\n\tManufacturer: Orchard\n\tProduct Name: B2-DDR4\n\tSerial Number: 1234\n\tType: Motherboard',
  'Handle 0x0007, DMI type 7, 27 bytes\nCache Information\n\tInstalled Size: 16 MB\n\tSpeed: Unknown',
  'System Information\n\tProduct Name: Heron 15 8GB DDR4\n\tSerial Number: 77',
])('a block of something else is no module: %j', (block) => {
  const { format, modules, problems } = answerTo(block)
  expect({ format, modules }).toEqual({ format: 'unknown', modules: [] })
  expect(problems[0]?.code).toBe('NOTHING_READ')
  const beside = answerTo(`${block}\n\nMemTotal: 16000000 kB`)
  expect(beside).toMatchObject({ format: 'system', modules: [], problems: [] })
})

test.each([
  ['Installed RAM\t16.0 GB (15.8 GB usable)', 16],
  ['Installierter RAM 16,0 GB (15,8 GB verwendbar)', 16],
  ['Mémoire RAM installée : 8,00 Go', 8],
])('memory in all, as a system shows it: %s', (text, totalGiB) => {
  expect(answerTo(text)).toMatchObject({ modules: [], system: { totalGiB } })
})

test.each([
  'Speed: 2667 MHz\nSlots used: 1 of 2\nForm factor: SODIMM\nHardware reserved: 172 MB',
  'Geschwindigkeit: 2667 MHz\nVerwendete Steckplätze: 1 von 2\nFormfaktor: SODIMM',
  'Vitesse : 2667 MHz\nEmplacements utilisés : 1 sur 2\nFacteur de forme : SODIMM',
])('rate, slots and form beside the use of memory: %j', (text) => {
  const { system, machine, modules } = answerTo(text)
  expect(modules).toEqual([])
  expect(system).toEqual({ shownRate: 2667 })
  expect(machine).toMatchObject({ slotCount: 2, formFactor: 'SODIMM' })
})
