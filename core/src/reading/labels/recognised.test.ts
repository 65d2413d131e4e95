import { describe, expect, test } from 'vitest'
import { codeFields, codeLine, recognisedLabel } from '.'

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
