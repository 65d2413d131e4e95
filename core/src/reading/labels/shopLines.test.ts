import { describe, expect, test } from 'vitest'
import { soldAs } from '../../things/model'
import { fromLabels } from '../evidence'
import { answerTo } from '../inputs'

const one = (text: string) => answerTo(text).modules[0]?.module
const count = (text: string) => answerTo(text).modules.length

describe('kits as shops print them', () => {
  test.each<[string, number, number]>([
    ['32GB (2x16GB) DDR4-3600 CL18-22-22-42 1.35V', 2, 16],
    ['32GB Kit (2 x 16GB) DDR5-6000 CL36-36-36-96 1.35V UDIMM', 2, 16],
    ['Kit 4x8GB DDR3-1866 CL10 1.5V DIMM', 4, 8],
    ['16GBx2 DDR4 3200 SODIMM', 2, 16],
    ['64 GB kit of two DDR5-5600 CL46 UDIMM', 2, 32],
    ['Kit of 2, 16GB DDR4-2666 SO-DIMM', 2, 8],
    ['2× 8 GB DDR3L-1600 SO-DIMM', 2, 8],
  ])('%s: %i of %i GB', (text, size, capacityGiB) => {
    expect(one(text)).toMatchObject({ kit: { size }, capacityGiB })
  })

  test('a kit of nobody says how many, or a count beside one capacity, stays open', () => {
    for (const text of ['32GB kit DDR4-3200 UDIMM', '16GB DDR4-3200 UDIMM, 2 pcs']) {
      expect(one(text)?.capacityGiB).toBeUndefined()
      expect(answerTo(text).problems.map(({ code }) => code)).toContain('KIT_SIZE_UNCLEAR')
    }
  })

  test('what is printed is the profile, with its own voltage; the module’s stays', () => {
    const module = one('32GB (2x16GB) DDR4-3600 CL18-22-22-42 1.35V')
    expect(module).toMatchObject({
      voltages: [1.2],
      speeds: [
        { kind: 'profile', dataRate: 3600, cl: 18, trcd: 22, trp: 22, tras: 42, voltage: 1.35 },
      ],
    })
    expect(module?.formFactor).toBeUndefined()
  })

  test('timings that are not printed are not made up', () => {
    const speed = one('16GB 2Rx8 DDR4 3600 CL18 UDIMM')?.speeds?.[0]
    expect(speed).toEqual({ kind: 'profile', dataRate: 3600, cl: 18 })
    const [done] = fromLabels('16GB 2Rx8 DDR4 3600 CL18 UDIMM', null)
    expect(done?.module?.speeds[1]).toMatchObject({ cl: 18, trcd: 18 })
    expect(done?.assumed).toEqual(expect.arrayContaining(['standardSpeed', 'profileTimings']))
  })

  test('a form factor that is not printed is asked, never guessed', () => {
    expect(fromLabels('16GB DDR4-3200 CL22', null)[0]).toMatchObject({
      module: null,
      asksForm: true,
    })
    expect(fromLabels('16GB DDR4-3200 CL22', 'SODIMM')[0]?.module?.formFactor).toBe('SODIMM')
  })

  test('shown by what they are sold as', () => {
    const [kit] = fromLabels('32GB (2x16GB) DDR4-3600 CL18-22-22-42 1.35V', 'DIMM')
    expect(kit?.module && soldAs(kit.module)).toBe(
      'DDR4-3600 CL18 kit, 2 × 16 GB (2133 without its profile)',
    )
    const [plain] = fromLabels('8GB 1Rx8 PC4-3200AA-SA2-11', null)
    expect(plain?.module && soldAs(plain.module)).toBe('8 GB DDR4-3200')
  })
})

describe('speeds that are sold but are no standard step', () => {
  test.each<[string, number]>([
    ['8GB DDR4-3000 UDIMM', 3000],
    ['8GB PC4-24000 UDIMM', 3000],
    ['8GB PC4-28800 UDIMM', 3600],
    ['8GB DDR4-3466 UDIMM', 3466],
    ['8GB DDR4-4133 CL19 UDIMM', 4133],
    ['8GB PC3-19200 UDIMM', 2400],
    ['16GB DDR5-7800 UDIMM', 7800],
    ['16GB PC5-48000 UDIMM', 6000],
    ['16GB DDR5-6000 CL30 UDIMM', 6000],
  ])('%s is a memory profile of %i', (text, dataRate) => {
    expect(one(text)?.speeds).toMatchObject([{ kind: 'profile', dataRate }])
    expect(answerTo(text).problems.map(({ code }) => code)).toContain('STANDARD_SPEED_OPEN')
  })

  test.each<[string, number]>([
    ['8GB DDR4-3200 CL16 UDIMM', 3200],
    ['8GB DDR4-2666 CL13 1.35V UDIMM', 2666],
    ['8GB DDR3-1600 CL8 1.65V UDIMM', 1600],
    ['16GB DDR5-5600 CL36 1.25V UDIMM', 5600],
  ])('%s: a step, but faster or at more volts than the standard’s bins', (text, dataRate) => {
    expect(one(text)?.speeds).toMatchObject([{ kind: 'profile', dataRate }])
  })

  test.each<[string, number]>([
    ['8GB DDR4-3200 CL22 SO-DIMM 1.2V', 3200],
    ['8GB DDR4-2400 CL17 UDIMM', 2400],
    ['8GB DDR3-1600 CL11 1.35V SO-DIMM', 1600],
    ['16GB DDR5-5600 CL46 1.1V SO-DIMM', 5600],
    ['32GB DDR5-6400 CL52 RDIMM', 6400],
    ['24GB DDR5-6400 CUDIMM', 6400],
    ['16GB 1Rx8 PC5-6400B-UA0-1010', 6400],
    ['8GB PC4-25600 UDIMM', 3200],
  ])('%s is standard', (text, dataRate) => {
    expect(one(text)?.speeds).toMatchObject([{ kind: 'standard', dataRate }])
  })
})

describe('kinds in words', () => {
  test.each<[string, object]>([
    ['16GB 2Rx8 PC4-2666 ECC Registered', { buffering: 'registered', ecc: true }],
    ['16GB PC4-2666 ECC SO-DIMM', { formFactor: 'SODIMM', ecc: true }],
    ['16GB DDR4-2666 LRDIMM', { formFactor: 'DIMM', buffering: 'load-reduced', ecc: true }],
    ['16GB DDR4-3200 non-ECC UDIMM', { formFactor: 'DIMM', buffering: 'unbuffered', ecc: false }],
    ['24GB DDR5-6400 CUDIMM', { formFactor: 'DIMM', buffering: 'clocked' }],
    ['24GB DDR5-6400 CSODIMM', { formFactor: 'SODIMM', buffering: 'clocked' }],
    ['32GB DDR5-5600 CAMM2', { formFactor: 'CAMM2', generation: 'DDR5' }],
    ['32GB LPDDR5X-7500 LPCAMM2', { formFactor: 'CAMM2', generation: 'LPDDR5X' }],
    ['8GB DDR4-3200 260-pin', { formFactor: 'SODIMM' }],
  ])('%s', (text, kind) => {
    expect(one(text)).toMatchObject(kind)
  })

  test('a word behind the rate is no type letter', () => {
    for (const word of ['Unit', 'Replacement', 'Server', 'Tested']) {
      const module = one(`8GB 1Rx8 PC4-2666 ${word}`)
      expect([module?.formFactor, module?.buffering]).toEqual([undefined, undefined])
    }
  })
})

describe('several lines', () => {
  test('one stick in a maker’s line, a label line and a speed line is one module', () => {
    const text = `LARKFIELD
LRK4-16-3200S
16GB 2Rx8 PC4-3200AA-SE1-11
DDR4-3200 CL22 1.2V
S/N 0A1B2C3D`
    expect(count(text)).toBe(1)
    expect(one(text)).toMatchObject({
      capacityGiB: 16,
      ranks: 2,
      formFactor: 'SODIMM',
      partNumber: 'LRK4-16-3200S',
      serial: '0A1B2C3D',
      speeds: [{ dataRate: 3200, cl: 22 }],
    })
  })
  test('a shop’s page: the kit’s total on one line, its parts on the next', () => {
    const text = '32GB memory kit\n2x16GB\nDDR5-6000 CL36-36-36-96\n1.35V UDIMM'
    expect(count(text)).toBe(1)
    expect(one(text)).toMatchObject({ capacityGiB: 16, kit: { size: 2 }, formFactor: 'DIMM' })
  })
  test.each([
    '8GB 1Rx8 PC4-2666V-SA1-11\n8GB 1Rx8 PC4-2666V-SA1-11',
    '8GB 1Rx8 PC4-2666V-SA1-11\nS/N 00000001\n8GB 1Rx8 PC4-2666V-SA1-11\nS/N 00000002',
    '8GB DDR4-3200 SO-DIMM\n16GB DDR4-3200 SO-DIMM',
    '8GB DDR4-3200 SO-DIMM\n\n8GB DDR4-3200 SO-DIMM',
  ])('several sticks are several: %j', (text) => {
    expect(count(text)).toBe(2)
  })
})

describe('what nobody made sure of stays open', () => {
  const first = (text: string) => answerTo(text).modules[0]?.module
  test.each([
    '8 or 16 GB DDR4',
    '8-16GB DDR4',
    '8GB oder 16GB DDR4-3200',
    '~16GB DDR4',
    '16GB? DDR4',
    'etwa 16 GB DDR4',
  ])('the capacity of %s', (text) => {
    expect(first(text)).toMatchObject({ generation: 'DDR4' })
    expect(first(text)).not.toHaveProperty('capacityGiB')
  })
  test('four of them, or a device width', () => {
    expect(first('DDR4-3200 8GB x 4')).not.toHaveProperty('capacityGiB')
    expect(answerTo('DDR4-3200 8GB x 4').problems.map(({ code }) => code)).toContain(
      'KIT_SIZE_UNCLEAR',
    )
    expect(first('DDR4-3200 8GB x4 kit')).toMatchObject({ capacityGiB: 8, kit: { size: 4 } })
  })
  test('one of two rates', () => {
    expect(first('16GB DDR4 2400 / 2666')).not.toHaveProperty('speeds')
    expect(first('16GB DDR3 1600/1600 SO-DIMM')).toMatchObject({ speeds: [{ dataRate: 1600 }] })
  })
  test('figures of timings and of a slot are no second capacity', () => {
    expect(first('16-18-18-38 16GB DDR4-3200')).toMatchObject({ capacityGiB: 16 })
    expect(first('slot 4-8GB DDR4-3200')).toMatchObject({ capacityGiB: 8 })
  })
})

test('memory that is wanted is none that is there', () => {
  const { modules } = answerTo('Need: 2x16GB DDR4-3200 SODIMM\nHave: 1x8GB DDR4-2666 SODIMM')
  expect(modules.map(({ module }) => module.capacityGiB)).toEqual([8])
})
