import { expect, test } from 'vitest'
import { desktop, stick } from '../../../test/builders'
import { plan } from '../plan'
import { compareBuying, factoryGiB, factoryModules, type MachineCandidate } from '.'

const big = stick({ article: 'big', capacityGiB: 16 })
const offers = [
  { id: 'eight', module: stick(), pieces: 1, price: 2000, stock: 4 },
  { id: 'sixteen', module: big, pieces: 1, price: 4500, stock: 4 },
]
const answer = (candidate: MachineCandidate, minGiB: number) =>
  compareBuying(
    candidate,
    plan({
      machine: candidate.machine,
      onHand: factoryModules(candidate),
      offers,
      need: { minGiB, budget: null },
      policy: 'balanced',
      settings: { profile: false },
    }).options,
  )
const pair: MachineCandidate = {
  machine: desktop(),
  price: 60_000,
  factory: { A2: stick(), B2: stick() },
  makersUpgrade: 9000,
}

test('two factory modules and two more: nothing is thrown away, no slot is left', () => {
  expect(factoryGiB(pair)).toBe(16)
  // Two more of 8 GB cost 4,000; one of 16 against both of theirs would cost 4,500.
  expect(answer(pair, 32)).toMatchObject({
    total: 64_000,
    makersTotal: 69_000,
    thrownAway: [],
    slotsLeft: 0,
    reachGiB: 32,
  })
})

test('one factory module in a machine of two slots that needs 32 GB is thrown away', () => {
  const { slots } = desktop()
  const two = desktop({ slots: slots.filter(({ position }) => position === 2) })
  const single: MachineCandidate = {
    ...pair,
    machine: two,
    factory: { A2: stick() },
    makersUpgrade: null,
  }
  expect(answer(single, 32)).toMatchObject({
    total: 69_000,
    makersTotal: null,
    thrownAway: [8],
    slotsLeft: 0,
  })
})

test('what cannot reach the need has no total, but its reach as it is sold', () => {
  const small = desktop({ limits: { ...desktop().limits, totalGiB: 24 } })
  const limited = answer({ ...pair, machine: small }, 32)
  expect(limited).toMatchObject({ option: null, total: null, reachGiB: 24, slotsLeft: 2 })
  expect(answer({ ...pair, price: null }, 16).total).toBeNull()
})
