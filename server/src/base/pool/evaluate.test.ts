import { describe, expect, test } from 'vitest'
import { laptop, sampleStick } from '../../../test/sample'
import { useServer } from '../../../test/server'

const { raw, post } = useServer()
const request = {
  machine: laptop,
  placement: { A: sampleStick, B: null },
  settings: { profile: false },
}

test('answers the evaluation of a placement', async () => {
  const { status, body } = await post('/evaluate', request)
  expect(status).toBe(200)
  expect(body).toMatchObject({
    starts: true,
    mode: 'single',
    capacity: { installedGiB: 8, usableGiB: 8 },
    run: { dataRate: 2666, limitedBy: 'firmware', controllerRating: 3200 },
  })
  expect(body.findings.map(({ code }: { code: string }) => code)).toEqual([
    'SINGLE_CHANNEL',
    'SPEED_UNUSED',
  ])
})

describe('bad input is a clear 400', () => {
  test.each<[string, unknown, string]>([
    ['an unknown slot', { ...request, placement: { Z: sampleStick } }, 'placement.Z'],
    ...[0, 3, 1e9].map((capacityGiB): [string, unknown, string] => [
      `a capacity of ${capacityGiB}`,
      { ...request, placement: { A: { ...sampleStick, capacityGiB } } },
      'placement.A.capacityGiB',
    ]),
    [
      'a rate of 0',
      {
        ...request,
        placement: { A: { ...sampleStick, speeds: [{ ...sampleStick.speeds[0], dataRate: 0 }] } },
      },
      'placement.A.speeds.0.dataRate',
    ],
    [
      'a huge name',
      { ...request, machine: { ...laptop, name: 'x'.repeat(200_000) } },
      'machine.name',
    ],
    ['a list', [], ''],
    ['nothing', null, ''],
    ['a word', 'machine', ''],
  ])('%s', async (_, body, path) => {
    const answer = await post('/evaluate', body)
    expect(answer.status).toBe(400)
    expect(answer.body.error).toMatchObject({ code: 'invalid', fields: [{ path }] })
  })

  const headers = { 'content-type': 'application/json' }
  test.each<[string, string, number, string]>([
    ['malformed JSON', '{"machine":', 400, 'malformed_json'],
    ['no body', '', 400, 'invalid'],
    ['nesting without end', `${'['.repeat(200_000)}${']'.repeat(200_000)}`, 400, 'invalid'],
    ['nesting never closed', '{"a":'.repeat(100_000), 400, 'malformed_json'],
    ['NUL in a text', '{"a":"\\u0000"}', 400, 'malformed_text'],
    ['half a character', '{"a":["\\ud800"]}', 400, 'malformed_text'],
    ['more than a megabyte', `"${'x'.repeat(1_100_000)}"`, 413, 'too_large'],
  ])('%s', async (_, body, status, code) => {
    const answer = await raw('/evaluate', { method: 'POST', headers, body })
    expect(answer).toMatchObject({ status, body: { error: { code } } })
    expect(JSON.stringify(answer.body)).not.toMatch(/at .*\.[tj]s/)
  })

  test('something that is no JSON at all', async () => {
    const answer = await raw('/evaluate', { method: 'POST', body: 'a=b' })
    expect(answer).toMatchObject({ status: 415, body: { error: { code: 'not_json' } } })
  })
})
