import { expect, test } from 'vitest'
import { frameOf } from './frameOf'

const at = (address: string) => {
  const { pathname, search } = new URL(address, 'http://shop.test')
  return frameOf(pathname, search)
}

test.each(['identify', 'plan', 'plan?tab=tune', 'fit?tab=screws', 'verify', 'verify?tab=fault'])(
  'the board leads at %s',
  (step) => {
    expect(at(`/jobs/7/${step}`).leads).toBe('board')
  },
)

test.each([
  'intake',
  'size',
  'quote',
  'plan?tab=options',
  'verify?tab=measured',
  'handover',
  'identity',
])('the page leads at %s', (step) => {
  expect(at(`/jobs/7/${step}`).leads).toBe('page')
})

test('before there is a plan the board shows what was found; at the bench nothing is moved on it', () => {
  expect(at('/jobs/7/size')).toMatchObject({ planning: false, atBench: false })
  expect(at('/jobs/7/quote')).toMatchObject({ planning: true, atBench: false })
  expect(at('/jobs/7/fit')).toMatchObject({ planning: true, atBench: true, verifying: false })
  expect(at('/jobs/7/handover')).toMatchObject({ planning: true, atBench: true, verifying: false })
  expect(at('/jobs/7/verify?tab=measured')).toMatchObject({ atBench: true, verifying: true })
})
