import { writeFileSync } from 'node:fs'
import { evaluate } from '../src/judging/evaluate'
import { STARTING_MACHINES } from '../src/things/machines'
import type { Machine } from '../src/things/model'
import { stick } from '../test/builders'

const machine = STARTING_MACHINES.find(({ id }) => id === 'workstation-8')?.machine as Machine
const module = stick({ buffering: 'registered', ecc: true, capacityGiB: 32, ranks: 2 })
const placement = Object.fromEntries(machine.slots.map(({ id }) => [id, module]))
const request = { machine, placement, settings: { profile: false } }

function perSecond(milliseconds: number): number {
  const end = performance.now() + milliseconds
  let count = 0
  while (performance.now() < end) {
    for (let n = 0; n < 100; n += 1) evaluate(request)
    count += 100
  }
  return (count * 1000) / milliseconds
}

perSecond(500)
const rates = Array.from({ length: 5 }, () => perSecond(600)).sort((a, b) => a - b)
writeFileSync(
  process.argv[2] as string,
  JSON.stringify([
    {
      what: 'one evaluation of a full 8-slot machine',
      measured: `${Math.round((rates[2] as number) / 1000)} thousand a second`,
      aim: 'over 100 thousand a second',
    },
  ]),
)
