import { expect, test } from 'vitest'
import { boardFirst } from '.'

const file = (planId: string | null, ...ids: string[]) =>
  ({ planId, plans: ids.map((id) => ({ id })) }) as never as Parameters<typeof boardFirst>[0]
const order = (one: ReturnType<typeof file>) => boardFirst(one).plans.map(({ id }) => id)

test('the plan that the job names is the one on the board, and the others keep their order', () => {
  expect(order(file('c', 'a', 'b', 'c', 'd'))).toEqual(['c', 'a', 'b', 'd'])
  expect(order(file('a', 'a', 'b'))).toEqual(['a', 'b'])
})

test('where none is named, as in a job of before, it is the first', () => {
  expect(order(file(null, 'a', 'b'))).toEqual(['a', 'b'])
})
