import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { answerTo, type ReadAnswer } from '../../src/reading/inputs'
import { PRINTERS, RIGS } from '../consoles'
import { INPUT_FAMILIES, MEMORY_LOGS, PRICE_LISTS } from '.'
import { judge, judgeList, judgeLog } from './judge'

const CASES = INPUT_FAMILIES.flatMap(({ cases }) => cases)
const judged = [
  ...CASES.map((one) => ({ text: one.text, ...judge(one) })),
  ...PRICE_LISTS.map((one) => ({ text: one.text, ...judgeList(one) })),
  ...MEMORY_LOGS.map((one) => ({ text: one.text, ...judgeLog(one) })),
]

test('of inputs whose truth was written beforehand none is read wrong', () => {
  const wrong = judged.flatMap(({ text, wrong }) => (wrong.length > 0 ? [[text, wrong]] : []))
  expect(wrong).toEqual([])
})

test('of 100 of them at least 95 are read right', () => {
  const right = judged.filter(({ outcome }) => outcome === 'right').length
  expect(right / judged.length).toBeGreaterThan(0.95)
})

/** Content of a reading, without the places it was read at. */
function said({ modules, machine, system }: ReadAnswer) {
  const { slots, ...limits } = machine ?? { slots: [] }
  return {
    modules: modules.map(({ module, slot, observed, observedVolts }) => ({
      module,
      slot,
      observed,
      observedVolts,
    })),
    slots,
    limits,
    system,
  }
}

/** Reports of machines: what tells its modules by their places. */
const REPORTS = INPUT_FAMILIES.filter(({ name }) => name === 'pastes')
  .flatMap(({ cases }) => cases)
  .map(({ text }) => text)
  .filter((text) => /^(?:Handle|DeviceLocator)/.test(text))
const report = fc.constantFrom(...REPORTS)
const lines = (text: string, change: (line: string) => string) =>
  text.split('\n').map(change).join('\n')

describe('any report says the same', () => {
  test('quoted by a mail, once or twice', () => {
    fc.assert(
      fc.property(report, fc.constantFrom('> ', '>', '>> ', '> > '), (text, mark) => {
        expect(said(answerTo(lines(text, (line) => mark + line)))).toEqual(said(answerTo(text)))
      }),
    )
  })

  test('pasted twice or three times', () => {
    fc.assert(
      fc.property(report, fc.integer({ min: 2, max: 3 }), (text, times) => {
        const again = Array.from({ length: times }, () => text).join('\n\n')
        expect(said(answerTo(again))).toEqual(said(answerTo(text)))
      }),
    )
  })

  test('with words around it', () => {
    const words = fc.constantFrom(
      'Hello,',
      'here it is',
      'Thank you',
      'see the list',
      'Kind regards',
    )
    fc.assert(
      fc.property(report, words, words, (text, before, behind) => {
        expect(said(answerTo(`${before}\n\n${text}\n\n${behind}`))).toEqual(said(answerTo(text)))
      }),
    )
  })
})

/** Reports by every kind of console as well. */
const PRINTED = Object.values(PRINTERS).flatMap((print) => Object.values(RIGS).map(print))

test('a report that breaks off at any line says less, never other', () => {
  for (const text of [...REPORTS, ...PRINTED]) {
    const whole = said(answerTo(text)).modules
    const all = text.split('\n')
    for (let kept = 1; kept < all.length; kept += 1) {
      for (const { module, slot } of said(answerTo(all.slice(0, kept).join('\n'))).modules) {
        // A module whose slot was cut off may be any of them.
        const possible = whole.filter((one) => !slot?.locator || one.slot?.locator === slot.locator)
        expect(possible.map((one) => one.module)).toContainEqual(expect.objectContaining(module))
      }
    }
  }
})
