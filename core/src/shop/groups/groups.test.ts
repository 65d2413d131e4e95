import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { CounterState, NextAct } from '../../things/records'
import { followed, groupedLines } from '.'

const at = (moduleId: string, unit = 0) => ({ moduleId, unit })

describe('a plan followed by a machine like the first', () => {
  const leadFound = { A: at('lead-a'), B: at('lead-b') }
  const found = { A: at('own-a'), B: at('own-b') }

  test('moves its own modules as those of the first are moved; what is bought is bought for each', () => {
    const planned = { A: at('offer', 0), B: at('lead-a'), C: at('offer', 1) }
    expect(followed(planned, leadFound, found)).toEqual({
      A: at('offer', 0),
      B: at('own-a'),
      C: at('offer', 1),
    })
  })

  test('leaves out what the machine did not have', () => {
    expect(followed({ A: at('lead-b') }, leadFound, { A: at('own-a') })).toEqual({})
  })

  test('of the machine itself is the plan itself, and there and back is where it began', () => {
    const slots = fc.dictionary(
      fc.constantFrom('A', 'B', 'C', 'D'),
      fc.constantFrom(at('lead-a'), at('lead-b'), at('offer', 0), at('offer', 1)),
    )
    fc.assert(
      fc.property(slots, (planned) => {
        expect(followed(planned, leadFound, leadFound)).toEqual(planned)
        expect(followed(followed(planned, leadFound, found), found, leadFound)).toEqual(planned)
      }),
    )
  })
})

describe('like machines in the day', () => {
  const line = (
    id: string,
    leadId: string | null,
    state: CounterState,
    act: NextAct,
    machines: number,
    minutes: number | null = 30,
  ) => ({
    id,
    number: Number(id),
    leadId,
    state,
    act,
    partsOn: null,
    minutes,
    machines,
    ready: 0,
    actId: id,
  })

  test('are one line, at what is least far, with the work of all', () => {
    const lines = [
      line('1', null, 'ready', 'HAND_OVER', 4, 0),
      line('2', '1', 'bench', 'VERIFY', 4, 0),
      line('3', '1', 'bench', 'FIT', 4),
      line('9', null, 'workshop', 'PLAN', 1, null),
    ]
    expect(groupedLines(lines)).toEqual([
      { ...lines[0], state: 'bench', act: 'FIT', actId: '3', minutes: 30, ready: 2 },
      lines[3],
    ])
  })

  test('are one line too once the first of them is gone', () => {
    const lines = [
      line('2', '1', 'ready', 'COLLECT', 3, 0),
      line('3', '1', 'ready', 'HAND_OVER', 3, 0),
    ]
    expect(groupedLines(lines)).toMatchObject([{ id: '2', act: 'HAND_OVER', actId: '3', ready: 3 }])
  })
})
