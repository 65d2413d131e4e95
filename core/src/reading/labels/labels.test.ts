import { describe, expect, test } from 'vitest'
import { modulesRead } from '../facts'
import { answerTo, read } from '../inputs'

const one = (text: string) => answerTo(text).modules[0]?.module
const codes = (text: string) => answerTo(text).problems.map(({ code }) => code)

describe('a label line', () => {
  test('of DDR4: capacity, ranks × width, rate and bin, type letter', () => {
    const { format, modules, problems } = answerTo('8GB 1Rx8 PC4-2666V-SA1-11')
    expect({ format, problems }).toEqual({ format: 'label', problems: [] })
    // bin V of 2666 is 19-19-19; S is small-outline; 8 GiB × 8 ÷ (1 × 64 ÷ 8) = 8 Gbit
    expect(modules[0]?.module).toEqual({
      generation: 'DDR4',
      voltages: [1.2],
      speeds: [{ kind: 'standard', dataRate: 2666, cl: 19, trcd: 19, trp: 19 }],
      formFactor: 'SODIMM',
      buffering: 'unbuffered',
      ecc: false,
      capacityGiB: 8,
      ranks: 1,
      deviceWidth: 8,
      dieGbit: 8,
    })
    expect(modules[0]).toMatchObject({ verified: false, observed: null, slot: null })
    expect(
      read('8GB 1Rx8 PC4-2666V-SA1-11').observations.find(({ what }) => what === 'generation'),
    ).toEqual({
      subject: 'module.0',
      what: 'generation',
      value: 'DDR4',
      source: 'label',
      where: { line: 1 },
      input: null,
    })
  })

  test('over and over: each on its own line, with its own module and its own questions', () => {
    const label = '8GB 1Rx8 PC4-2666Y'
    const { observations } = read([label, label, 'nothing', label].join('\n'))
    const [first, second, ...more] = modulesRead(observations)
    expect(more).toHaveLength(1)
    expect(second?.where).toEqual({ line: 2 })
    expect(more[0]?.where).toEqual({ line: 4 })
    expect(second?.said).toEqual(first?.said)
    expect(second?.observations[0]).not.toBe(first?.observations[0])
    const { problems } = answerTo([label, label].join('\n'))
    expect(problems.map(({ code, where }) => [code, where])).toEqual(
      [1, 2].flatMap((line) => answerTo(label).problems.map(({ code }) => [code, { line }])),
    )
    expect(problems.length).toBeGreaterThan(0)
  })

  test('of DDR5', () => {
    expect(one('16GB 1Rx8 PC5-5600B-SA0-1010-XT')).toMatchObject({
      generation: 'DDR5',
      voltages: [1.1],
      formFactor: 'SODIMM',
      capacityGiB: 16,
      dieGbit: 16,
      speeds: [{ dataRate: 5600, cl: 46, trcd: 45, trp: 45 }],
    })
  })

  test('of DDR3: a bandwidth, the type letter behind it, then CL', () => {
    // 12800 ÷ 8 = 1600; 4 × 8 ÷ (2 × 8) = 2 Gbit
    expect(one('4GB 2Rx8 PC3L-12800S-11-13-B4')).toMatchObject({
      generation: 'DDR3',
      voltages: [1.35, 1.5],
      formFactor: 'SODIMM',
      ranks: 2,
      dieGbit: 2,
      speeds: [{ dataRate: 1600, cl: 11 }],
    })
    expect(one('4GB 2Rx8 PC3-12800S-11-13-B4')?.voltages).toEqual([1.5])
    expect(one('4GB 2Rx8 PC3U-12800S-11-13-B4')?.voltages).toEqual([1.25])
  })

  test('of DDR2: a bandwidth and CL-tRCD-tRP in single digits', () => {
    expect(one('1GB 2Rx8 PC2-6400S-666-12-A3')).toMatchObject({
      generation: 'DDR2',
      formFactor: 'SODIMM',
      capacityGiB: 1,
      dieGbit: 0.5,
      speeds: [{ dataRate: 800, cl: 6, trcd: 6, trp: 6 }],
    })
  })

  test.each([
    ['U', 'DIMM', 'unbuffered', false],
    ['E', 'DIMM', 'unbuffered', true],
    ['S', 'SODIMM', 'unbuffered', false],
    ['T', 'SODIMM', 'unbuffered', true],
    ['R', 'DIMM', 'registered', true],
    ['L', 'DIMM', 'load-reduced', true],
  ])('type letter %s is %s, %s, ECC %s', (letter, formFactor, buffering, ecc) => {
    expect(one(`16GB 2Rx8 PC4-3200AA-${letter}E1-11`)).toMatchObject({
      formFactor,
      buffering,
      ecc,
      speeds: [{ dataRate: 3200, cl: 22 }],
    })
  })

  test.each([
    '8gb 1rx8 pc4-2666v-sa1-11',
    '8 GB, 1R x 8, PC4 - 2666V - SA1 - 11',
    '8GB 1R×8 PC4–2666V–SA1–11',
    '8G 1Rx8 PC4 2666V SA1 11',
    '8GB 1RX8 PC4-2666 V-SA1-11',
    '8GB  1Rx8  PC42666V-SA1-11',
  ])('typed as %j is the same', (text) => {
    expect(one(text)).toEqual(one('8GB 1Rx8 PC4-2666V-SA1-11'))
  })

  test('in words, as shops write it: a kit’s capacity is that of one piece', () => {
    expect(one('16GB (2x8GB) DDR4-3200 CL16 UDIMM')).toMatchObject({
      capacityGiB: 8,
      formFactor: 'DIMM',
      speeds: [{ dataRate: 3200, cl: 16 }],
    })
    expect(one('DDR4 2666 8GB SO-DIMM')).toMatchObject({ capacityGiB: 8, formFactor: 'SODIMM' })
    expect(one('DDR5-4800 32GB RDIMM')).toMatchObject({ buffering: 'registered', ecc: true })
    expect(one('8GB LPDDR5-6400')).toMatchObject({ generation: 'LPDDR5', formFactor: 'soldered' })
    expect(one('8GB1Rx8 PC4-2666V-SA1-11')).toEqual(one('8GB 1Rx8 PC4-2666V-SA1-11'))
  })

  test('with O for 0 and I for 1', () => {
    expect(one('16GB IRx8 PC5-56OOB-SAO-1O1O-XT')).toEqual(one('16GB 1Rx8 PC5-5600B-SA0-1010-XT'))
  })

  test('says what is missing', () => {
    expect(codes('1Rx8 PC4-2666V-SA1-11')).toEqual(['CAPACITY_MISSING'])
    expect(one('1Rx8 PC4-2666V-SA1-11')?.capacityGiB).toBeUndefined()
    expect(codes('8GB PC4-2666V-SA1-11')).toEqual(['ORGANISATION_MISSING'])
    expect(codes('8GB 1Rx8')).toEqual(['RATE_MISSING'])
    expect(codes('8GB 1Rx8 DDR4-2666')).toEqual(['FORM_MISSING'])
    expect(codes('8GB 1Rx8 PC4-2666Z-SA1-11')).toEqual(['BIN_UNKNOWN'])
  })

  test('a density nobody makes is a misread label', () => {
    expect(codes('16GB 2Rx4 PC4-2666V-UA1-11')).toEqual([])
    // 16 GiB × 8 ÷ (1 × 64 ÷ 32) = 64 Gbit is made; 32 GiB gives 128, which is not
    expect(codes('32GB 1Rx32 PC4-2666V-UA1-11')).toEqual(['DENSITY_NOT_MADE'])
    expect(one('32GB 1Rx32 PC4-2666V-UA1-11')?.dieGbit).toBeUndefined()
  })

  test('a name without its digit is told apart by the capacity', () => {
    expect(one('8GB 1Rx8 PC-3200')).toMatchObject({ generation: 'DDR4' })
    expect(codes('512MB PC-3200')).toContain('RATE_AMBIGUOUS')
    expect(one('512MB PC-3200')).toMatchObject({ generation: 'DDR', capacityGiB: 0.5 })
  })

  test('serial and part number beside it', () => {
    expect(one('8GB 1Rx8 PC4-2666V-SA1-11 P/N: MQ4-8S26 S/N: 0A1B2C3D')).toMatchObject({
      partNumber: 'MQ4-8S26',
      serial: '0A1B2C3D',
    })
  })
})

test('many labels at once, by line, semicolon or run together; other lines are named', () => {
  const text = `from the drawer:
8GB 1Rx8 PC4-2666V-SA1-11

4GB 2Rx8 PC3L-12800S-11-13-B4; 1GB 2Rx8 PC2-6400S-666-12-A3
8GB 1Rx8 PC4-2666V-SA1-11 16GB 2Rx8 PC4-3200AA-SE1-11`
  const { observations, problems } = read(text)
  expect(modulesRead(observations).map(({ said, where }) => [said.capacityGiB, where])).toEqual([
    [8, { line: 2 }],
    [4, { line: 4 }],
    [1, { line: 4 }],
    [8, { line: 5 }],
    [16, { line: 5 }],
  ])
  expect(problems).toEqual([{ code: 'NOT_A_LABEL', where: { line: 1 } }])
})
