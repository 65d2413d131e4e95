import { describe, expect, test } from 'vitest'
import { GENERATIONS, STANDARD_STEPS } from '../../things/model'
import { rateNames, readRateName } from './rateNames'

const first = (name: string) => {
  const [meaning] = readRateName(name)
  return meaning && `${meaning.generation} ${meaning.dataRate} ${meaning.as}`
}

describe('a rate’s name', () => {
  test.each([
    ['DDR4-3200', 'DDR4 3200 rate'],
    // 25600 MB/s ÷ 8 bytes = 3200 MT/s
    ['PC4-25600', 'DDR4 3200 bandwidth'],
    ['PC4-3200AA', 'DDR4 3200 rate'],
    // 12800 ÷ 8 = 1600
    ['PC3-12800', 'DDR3 1600 bandwidth'],
    ['pc3l 12800', 'DDR3 1600 bandwidth'],
    // 6400 ÷ 8 = 800; 6400 as a rate is no rate of DDR2
    ['PC2-6400', 'DDR2 800 bandwidth'],
    ['PC4-2400', 'DDR4 2400 rate'],
    // 19200 ÷ 8 = 2400
    ['PC4-19200', 'DDR4 2400 bandwidth'],
    // 2133.33 × 8 = 17066, printed 17000
    ['PC4-17000', 'DDR4 2133 bandwidth'],
    // 333.33 × 8 = 2667, printed 2700
    ['PC-2700', 'DDR 333 bandwidth'],
    ['PC-3200', 'DDR 400 bandwidth'],
    ['PC5-44800', 'DDR5 5600 bandwidth'],
    ['DDR5 56OO', 'DDR5 5600 rate'],
    ['LPDDR4X-4266', 'LPDDR4X 4266 rate'],
    // above every standard step: a profile
    ['DDR4-4000', 'DDR4 4000 rate'],
  ])('%s is %s', (name, meaning) => {
    expect(first(name)).toBe(meaning)
  })

  test('is ambiguous where both readings are possible', () => {
    expect(readRateName('PC4-25600')).toHaveLength(1)
    expect(readRateName('PC-3200').length).toBeGreaterThan(1)
    // 1600 is a rate of DDR4, and the clock of its 3200
    expect(readRateName('DDR4-1600 MHz').map(({ dataRate, as }) => [dataRate, as])).toEqual([
      [1600, 'rate'],
      [3200, 'clock'],
    ])
    // 1333 is no step of DDR4: it can only be the clock of 2666
    expect(readRateName('DDR4 1333 MHz')).toMatchObject([{ dataRate: 2666, as: 'clock' }])
  })

  test.each(['', 'PC6-1000', 'DDR4-17', 'DDR9-4800', 'memory', 'DDR4-99999'])(
    '%j is none',
    (name) => {
      expect(readRateName(name)).toEqual([])
    },
  )

  test('every standard step is read back from both of its names', () => {
    for (const generation of GENERATIONS) {
      for (const step of STANDARD_STEPS[generation]) {
        const { rate, bandwidth } = rateNames(generation, step)
        expect(first(rate)).toBe(`${generation} ${step} rate`)
        if (bandwidth && generation !== 'DDR') {
          expect(first(bandwidth)).toBe(`${generation} ${step} bandwidth`)
        }
      }
    }
  })

  test('names as printed: 2666.67 × 8 = 21333, cut to the hundred', () => {
    expect(rateNames('DDR4', 2666)).toMatchObject({ rate: 'DDR4-2666', bandwidth: 'PC4-21300' })
    expect(rateNames('DDR4', 2666).clockMHz).toBeCloseTo(1333.33, 2)
    expect(rateNames('DDR', 333).bandwidth).toBe('PC-2700')
    expect(rateNames('DDR3', 1066).bandwidth).toBe('PC3-8500')
    expect(rateNames('LPDDR5', 6400).bandwidth).toBeNull()
  })
})
