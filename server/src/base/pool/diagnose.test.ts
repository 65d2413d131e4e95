import { expect, test } from 'vitest'
import { useServer } from '../../../test/server'

const { post } = useServer()

const bench = {
  order: ['A2', 'B2', 'A1', 'B1'],
  mustFill: [],
  modules: ['m1', 'm2'],
  known: ['g1'],
  profiles: true,
}
const start = {
  arrangement: { A2: 'm1', B2: 'm2' },
  profile: true,
  outcome: { kind: 'NO_START' },
}
const tried = (arrangement: object, kind: string, more: object = {}) => ({
  trial: { arrangement, reseat: false, profile: false, depth: 'start', action: null, ...more },
  outcome: { kind },
})
const paths = (body: { error: { fields: { path: string }[] } }) =>
  body.error.fields.map(({ path }) => path)

test('a module is named once its control is made, by the contract', async () => {
  const { status, body } = await post('/diagnose', { bench, start, trials: [], causes: null })
  expect(status).toBe(200)
  expect(body.named).toBeNull()
  expect(body.next[0]).toMatchObject({ minutes: expect.any(Number), bits: expect.any(Number) })
  expect(body.next[0].trial).toHaveProperty('action')
  const trials = [
    tried({ A2: 'm2' }, 'NO_START'),
    tried({ A2: 'm1' }, 'PASS'),
    tried({ B2: 'm2' }, 'NO_START'),
    tried({ A2: 'g1' }, 'PASS'),
    tried({ A2: 'm1' }, 'PASS'),
    ...Array.from({ length: 6 }, () => tried({ B2: 'm1' }, 'PASS')),
  ]
  const led = await post('/diagnose', { bench, start, trials, causes: null })
  expect(led.body.suspects[0].parts).toEqual(['module m2'])
  expect(led.body.named.parts).toEqual(['module m2'])
})

test('slots and modules that do not exist are refused where they stand', async () => {
  const odd = { ...start, arrangement: { A2: 'm1', Z9: 'm2' } }
  expect(paths((await post('/diagnose', { bench, start: odd, trials: [] })).body)).toEqual([
    'start.arrangement.Z9',
  ])
  const twice = [tried({ A2: 'm1', B2: 'm1' }, 'PASS')]
  expect(paths((await post('/diagnose', { bench, start, trials: twice })).body)).toEqual([
    'trials.0.trial.arrangement',
  ])
  const none = [tried({ A2: 'zz' }, 'PASS')]
  expect(paths((await post('/diagnose', { bench, start, trials: none })).body)).toEqual([
    'trials.0.trial.arrangement.A2',
  ])
  const elsewhere = [
    { ...tried({ A2: 'm1' }, 'PASS'), outcome: { kind: 'MISSING', slots: ['B2'] } },
  ]
  expect((await post('/diagnose', { bench, start, trials: elsewhere })).status).toBe(400)
  expect((await post('/diagnose', { bench: { ...bench, modules: [] }, start })).status).toBe(400)
})

test('a sound machine ends in nothing, a seat in cured, each with what is left open', async () => {
  const whole = { A2: 'm1', B2: 'm2' }
  const clean = Array.from({ length: 7 }, () => tried(whole, 'PASS', { profile: true }))
  const cold = { ...start, warm: false }
  const sound = (await post('/diagnose', { bench, start: cold, trials: clean })).body
  expect(sound).toMatchObject({
    state: 'nothing',
    named: null,
    cannotExclude: ['RARE', 'ONLY_WARM'],
    next: [],
  })
  const seat = [
    tried(whole, 'NO_START', { profile: true }),
    tried(whole, 'PASS', { profile: true, reseat: true }),
    ...Array.from({ length: 8 }, () => tried(whole, 'PASS', { profile: true })),
  ]
  const cured = (await post('/diagnose', { bench, start: cold, trials: seat })).body
  expect(cured).toMatchObject({ state: 'cured', named: null, cured: { done: ['reseat'] } })
  const open = (await post('/diagnose', { bench, start: { ...cold, fitted: false } })).body
  expect(open.state).toBe('open')
  expect(open.next[0]).toMatchObject({ why: 'SEE_AGAIN', trial: { arrangement: whole } })
})
