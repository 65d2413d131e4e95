import fc from 'fast-check'
import { expect, test } from 'vitest'
import { fittingModule } from '../../../test/arbitraries'
import { desktop, stick } from '../../../test/builders'
import { answerTo } from '../inputs'
import { writeSmbios } from './writeSmbios'

const machine = desktop()

test('what is written is read again, whatever fits', () => {
  const slots = fc.subarray(machine.slots.map(({ id }) => id))
  const rates = fc.constantFrom(1600, 2400, 3200)
  fc.assert(
    fc.property(
      slots,
      fc.array(fittingModule, { minLength: 4, maxLength: 4 }),
      rates,
      (ids, modules, rate) => {
        const reported = ids.map((locator, at) => ({
          locator,
          bank: 'BANK 0',
          module: modules[at] as (typeof modules)[number],
          configuredDataRate: rate,
        }))
        const reading = answerTo(writeSmbios(machine, reported))
        expect(reading.machine).toMatchObject({ slotCount: 4, maximumGiB: 128 })
        const inOrder = machine.slots.flatMap(({ id }) =>
          reported.filter((one) => one.locator === id),
        )
        expect(
          reading.modules.map(({ slot, module, observed }) => [
            slot?.locator,
            module.capacityGiB,
            module.ranks,
            module.ecc,
            observed?.printed,
          ]),
        ).toEqual(
          inOrder.map(({ locator, module }) => [
            locator,
            module.capacityGiB,
            module.ranks,
            module.ecc,
            rate,
          ]),
        )
      },
    ),
  )
})

test('by hand: 32 GiB and more stand in the double word at 0x1C', () => {
  const module = stick({ capacityGiB: 64 })
  const reported = [{ locator: 'A1', bank: 'BANK 0', module, configuredDataRate: 3200 }]
  const bytes = writeSmbios(machine, reported)
  // The array has 23 bytes and two zeros; in the device behind it the size is at 0x0C.
  const device = 25
  expect([...bytes.subarray(device + 0x0c, device + 0x0e)]).toEqual([0xff, 0x7f])
  // 64 × 1024 MB are 0x10000.
  expect([...bytes.subarray(device + 0x1c, device + 0x20)]).toEqual([0, 0, 1, 0])
  expect(answerTo(bytes).modules[0]?.module.capacityGiB).toBe(64)
})
