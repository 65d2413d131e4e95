import { expect, test } from 'vitest'
import type { QuoteDocument, QuotedOption, QuoteOption } from '../../things/records'
import { optionsAgain, planOffering } from '.'

const option = (id: string, planId: string, credits: Record<string, number> = {}): QuoteOption => ({
  id,
  planId,
  title: '',
  wording: null,
  minutes: null,
  credits,
  extras: [],
})
const at = (moduleId: string) => ({ A: { moduleId, unit: 0 } })
const document = {
  options: [
    { id: 'one', placement: at('small'), profile: false },
    { id: 'two', placement: at('large'), profile: false },
  ] as unknown as QuotedOption[],
} as QuoteDocument
const quote = { options: [option('one', 'p1'), option('two', 'p2', { old: 400 })], document }

test('after the approved plan changed places with the one on the board, options follow what they offered', () => {
  // Option two was approved: its plan went to the board, p1, and what was there to p2.
  const plans = [
    { id: 'p1', placement: at('large'), profile: false, manual: null },
    { id: 'p2', placement: at('small'), profile: false, manual: null },
  ]
  let n = 0
  const again = optionsAgain(quote, plans, {}, () => {
    n += 1
    return `new ${n}`
  })
  expect(again.map(({ id, planId, credits }) => [id, planId, credits])).toEqual([
    ['new 1', 'p2', {}],
    ['new 2', 'p1', { old: 400 }],
  ])
})

test('a plan that was changed since keeps its place; one that is gone is left out', () => {
  const plans = [{ id: 'p1', placement: at('other'), profile: true, manual: null }]
  expect(optionsAgain(quote, plans, {}, () => 'new').map(({ planId }) => planId)).toEqual(['p1'])
})

test('the same modules set by hand and not are two offers', () => {
  const manual = { dataRate: 6000, timings: null }
  const plans = [
    { id: 'plain', placement: at('fast'), profile: true, manual: null },
    { id: 'by hand', placement: at('fast'), profile: true, manual },
  ]
  const offered = { placement: at('fast'), profile: true }
  expect(planOffering({ ...offered, manual }, plans, {})?.id).toBe('by hand')
  expect(planOffering({ ...offered, manual: null }, plans, {})?.id).toBe('plain')
  expect(planOffering(offered, plans, {})?.id).toBe('plain')
})
