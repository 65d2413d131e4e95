import { describe, expect, test } from 'vitest'
import { STARTING_MACHINES } from '../../things/machines'
import type { Machine } from '../../things/model'
import { weigh } from '../evidence'
import { answerTo, read } from '../inputs'

const BLOCK = `Handle 0x0040, DMI type 4, 48 bytes
Processor Information
	Socket Designation: U3E1
	Version: Alder Nine   5600 with Graphics
	Voltage: 1.1 V
`
const MEMORY = `Handle 0x0020, DMI type 17, 84 bytes
Memory Device
	Size: 8 GB
	Form Factor: SODIMM
	Locator: A
	Type: DDR4
	Speed: 3200 MT/s
	Part Number: X8
`

const CONSOLE = 'Architecture:  64-bit\nModel name:    Alder Nine 5600\nThanswerTo(s) per core: 2'

describe('the processor’s name', () => {
  test('stands in a listing beside the modules', () => {
    const reading = answerTo(`${BLOCK}\n${MEMORY}`)
    expect(reading.system).toEqual({ processor: 'Alder Nine 5600 with Graphics' })
    expect(reading.modules).toHaveLength(1)
    expect(reading.parts.map(({ format }) => format)).toEqual(['system', 'smbios-text'])
  })

  test('or on a line of its own', () => {
    expect(answerTo(CONSOLE).system?.processor).toBe('Alder Nine 5600')
  })

  test('is nothing where firmware left a placeholder', () => {
    expect(answerTo(BLOCK.replace(/Alder.*Graphics/, 'To Be Filled By O.E.M.')).system).toBeNull()
    expect(answerTo(CONSOLE.replace('Alder Nine 5600', 'Not Specified')).system).toBeNull()
  })
})

test('a later reading of the memory in use does not take the processor away', () => {
  const machine = STARTING_MACHINES.find(({ id }) => id === 'laptop-2')?.machine as Machine
  const input = (id: string, text: string) => ({ id, seats: {}, reading: read(text) })
  const inputs = [
    input('first', CONSOLE),
    input('second', 'MemTotal:  16000000 kB\nMemAvailable:  8000000 kB'),
  ]
  const { system } = weigh({ machine, sources: {}, inputs, rulings: {}, runsAt: null })
  expect(system).toMatchObject({ processor: 'Alder Nine 5600' })
  expect(system?.totalGiB).toBeCloseTo(16_000_000 / 1024 ** 2, 6)
})
