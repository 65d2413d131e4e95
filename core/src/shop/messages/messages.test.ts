import { describe, expect, test } from 'vitest'
import {
  addressFault,
  NewMessage,
  STARTING_TEMPLATES,
  Template,
  Templates,
} from '../../things/records'
import { filled, leftOpen, reasonFor } from '.'

const template = {
  subject: 'Job {job}',
  mail: 'Dear {customer}, {machine} costs {amount}. {customer}!',
  text: '{machine}: {amount}',
}

describe('a template', () => {
  test('is filled in by channel; what is not known stands open and is named once', () => {
    const filling = { job: '1042', customer: 'Ada Quill', machine: 'Heron 15' }
    expect(filled(template, 'mail', filling)).toEqual({
      subject: 'Job 1042',
      text: 'Dear Ada Quill, Heron 15 costs {amount}. Ada Quill!',
    })
    expect(filled(template, 'text', { ...filling, amount: '90.00' })).toEqual({
      subject: '',
      text: 'Heron 15: 90.00',
    })
    expect(filled(template, 'text', { machine: 'a {job} of $1', amount: '' })).toMatchObject({
      text: 'a {job} of $1: {amount}',
    })
    expect(leftOpen('{amount} and {amount}, {day}')).toEqual(['{amount}', '{day}'])
  })

  test('names nothing but what there is; those the shop starts with are such', () => {
    expect(Templates.safeParse(STARTING_TEMPLATES).success).toBe(true)
    const wrong = Template.safeParse({ ...template, text: 'Dear {name}' })
    expect(wrong.error?.issues).toMatchObject([{ path: ['text'] }])
  })
})

test.each([
  ['mail', 'ada@quill.example', true],
  ['mail', 'ada@quill', false],
  ['mail', 'ada quill@x.example', false],
  ['text', '+44 7700 900123', true],
  ['text', '0555/01-42', true],
  ['text', '12', false],
  ['text', 'ada@quill.example', false],
  ['mail', ' ', false],
] as const)('a %s to %s', (channel, to, good) => {
  expect(addressFault(channel, to) === null).toBe(good)
  const jobId = '00000000-0000-4000-8000-000000000001'
  const made = NewMessage.safeParse({ jobId, channel, to, text: 'Hello' })
  expect(made.success).toBe(good)
  if (!good) expect(made.error?.issues).toMatchObject([{ path: ['to'] }])
})

test.each([
  ['GET_APPROVAL', [], 'quote'],
  ['GET_APPROVAL', ['quote'], 'reminder'],
  ['GET_APPROVAL', ['other'], 'quote'],
  ['AWAIT_PARTS', ['quote'], 'parts'],
  ['COLLECT', [], 'ready'],
  ['PLAN', [], 'other'],
  [undefined, [], 'other'],
] as const)('at %s after %j one writes about: %s', (act, written, reason) => {
  expect(
    reasonFor(
      act,
      written.map((reason) => ({ reason })),
    ),
  ).toBe(reason)
})
