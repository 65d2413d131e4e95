import { describe, expect, test } from 'vitest'
import { answerTo } from '../inputs'
import { bestLook, codeFields, codeLine, recognisedLabel } from '.'

const seen = (...texts: string[]) =>
  recognisedLabel(texts.map((text) => ({ text, confidence: 88 })))

describe('letters taken for digits are put right by the label’s grammar', () => {
  test.each([
    ['16GB 2Rx8 PC4-3200AA-SE1-11', '16GB 2Rx8 PC4-3200AA-SE1-11'],
    ['I6GB 2Rx8 PC4-32OOAA-SE1-11', '16GB 2Rx8 PC4-3200AA-SE1-11'],
    ['8G8 1Rx8 PC4-2666V-SA1-11', '8GB 1Rx8 PC4-2666V-SA1-11'],
    ['4GB lRx8 PC3L-I2800S-11-13-B4', '4GB 1Rx8 PC3L-12800S-11-13-B4'],
    ['16GB 1Rx8 PC5-56008-SA0-1010-XT', '16GB 1Rx8 PC5-5600B-SA0-1010-XT'],
  ])('%s', (text, mended) => {
    expect(seen(text)).toMatchObject({ text: mended, sure: true })
  })
  test.each([
    '16GB 2Rx8 PC4-8200AA-SE1-11',
    '8GB 1Rx8 PC4-26664-SA1-11',
    '32GB 1Rx32 PC4-2666V-UA1-11',
  ])('%s is a choice or cannot be: it is asked', (text) => {
    expect(seen(text)?.sure ?? false).toBe(false)
  })
  test.each<[string, string, string[]]>([
    [
      'a covered first digit',
      '2GB 2Rx8 PC4-2666V-SE1-11',
      ['32GB 2Rx8 PC4-2666V-SE1-11', '8GB 2Rx8 PC4-2666V-SE1-11', '16GB 2Rx8 PC4-2666V-SE1-11'],
    ],
    [
      'a covered capacity',
      '1Rx8 PC5-5600B-SA0-1010-XT',
      [
        '16GB 1Rx8 PC5-5600B-SA0-1010-XT',
        '24GB 1Rx8 PC5-5600B-SA0-1010-XT',
        '32GB 1Rx8 PC5-5600B-SA0-1010-XT',
      ],
    ],
    [
      'DDR3 of dies that were never common',
      '2GB 4Rx4 PC3L-12800R-11-13-B4',
      ['32GB', '8GB', '16GB'],
    ],
  ])('%s: the capacities that ranks and width make are asked', (_, text, readings) => {
    const label = seen(text)
    expect(label?.sure).toBe(false)
    expect(label?.readings.map((one, at) => one.slice(0, readings[at]?.length))).toEqual(readings)
  })
  test('without ranks and width nothing vouches for the capacity', () => {
    expect(seen('16GB PC4-3200AA-SE1-11')?.sure).toBe(false)
  })
  test('of several lines all of the label’s, the part number and the whole serial number too', () => {
    const label = seen(
      'LRK4-16-3200S',
      '16GB 2Rx8 PC4-3200AA-SE1-11',
      'VOID IF REMOVED',
      'S/N 0365 H10A 9C1F',
    )
    expect(label).toMatchObject({ lines: [0, 1, 3], sure: true })
    expect(answerTo(label?.text ?? '').modules.map(({ module }) => module)).toMatchObject([
      { capacityGiB: 16, partNumber: 'LRK4-16-3200S', serial: '0365H10A9C1F' },
    ])
  })
  test('lines that are no label’s are left out; a picture without one gives nothing', () => {
    expect(seen('LARKFIELD MEMORY', '8GB 1Rx8 PC4-2666V-SA1-11', 'VOID IF REMOVED')).toMatchObject({
      lines: [1],
    })
    expect(seen('a bench', 'two screws')).toBeNull()
  })
  test('a line that was hardly recognised is asked about', () => {
    const label = recognisedLabel([{ text: '8GB 1Rx8 PC4-2666V-SA1-11', confidence: 30 }])
    expect(label?.sure).toBe(false)
  })
})

test.each([
  ['0A1B2C3D', { serial: '0A1B2C3D' }],
  ['LRK4-16-3200S', { partNumber: 'LRK4-16-3200S' }],
  [
    '[)>\u001e06\u001d1PLRK4-16-3200S\u001dS0A1B2C3D\u001e\u0004',
    { partNumber: 'LRK4-16-3200S', serial: '0A1B2C3D' },
  ],
  ['P/N:LRK4-8 S/N:7C2D11AA', { partNumber: 'LRK4-8', serial: '7C2D11AA' }],
  ['hello', {}],
])('a code that holds %j', (text, fields) => {
  expect(codeFields(text)).toEqual(fields)
})
test('the fields as a label’s line', () => {
  expect(codeLine({ serial: '0A1B2C3D', partNumber: 'X-1' })).toBe('P/N X-1 S/N 0A1B2C3D')
})

test.each([
  ['S/N 0365 H10A 9C1F', '0365H10A9C1F'],
  ['S/N: 0A1B2C3D 16GB', '0A1B2C3D'],
  ['S/N 0365 H10A 16GB 2Rx8', '0365H10A'],
  ['S/N 0365 2024 W07', undefined],
  ['SERIAL NO. 7C2D 11AA', '7C2D11AA'],
])('a serial number in groups is one: %s', (text, serial) => {
  const { modules } = answerTo(`16GB 2Rx8 PC4-3200AA-SE1-11\n${text}`)
  expect(modules[0]?.module.serial).toBe(serial ?? '0365')
})

describe('several looks at one picture', () => {
  const whole = seen('32GB 2Rx8 PC4-2666V-SE1-11')
  const cannotBe = seen('2GB 2Rx8 PC4-2666V-SE1-11')
  test('one that can be counts more than one that cannot', () => {
    expect(bestLook([cannotBe, null, whole])).toMatchObject({ at: 2, label: { sure: true } })
  })
  test('two that can be and say other figures are asked', () => {
    const other = seen('16GB 2Rx8 PC4-2666V-SE1-11')
    expect(bestLook([whole, other])).toMatchObject({
      at: 0,
      label: {
        sure: false,
        readings: ['32GB 2Rx8 PC4-2666V-SE1-11', '16GB 2Rx8 PC4-2666V-SE1-11'],
      },
    })
  })
  test('none is none', () => expect(bestLook([null, null])).toBeNull())
})
