import type { QuotedOption } from '@tembrix/core/things/records'
import { expect, test } from 'vitest'
import { namedApart } from './document'

const option = (title: string, ...texts: string[]): Pick<QuotedOption, 'title' | 'lines'> => ({
  title,
  lines: texts.map((text) => ({ kind: 'part', text, quantity: 1, amount: 100 })),
})

test('options are named by themselves: alike titles say what is bought', () => {
  const options = [option('16 GB', 'kit A'), option('32 GB', 'kit C'), option('16 GB')]
  expect(namedApart(options).map(({ title }) => title)).toEqual([
    '16 GB: kit A',
    '32 GB',
    '16 GB: nothing bought',
  ])
})
