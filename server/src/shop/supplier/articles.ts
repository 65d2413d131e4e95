import {
  type FormFactor,
  type Generation,
  type Module,
  type Speed,
  USUAL_VOLTAGE,
  usualOrganisation,
  usualSpeed,
  usualTimes,
} from '@tembrix/core/things/model'

/** An article of the made-up makers, standard figures filled in. */
export function article(
  name: string,
  generation: Generation,
  formFactor: FormFactor,
  capacityGiB: number,
  rates: number[],
  changes: Partial<Module> = {},
): Module {
  const speeds = rates.map((rate) => usualSpeed(generation, rate))
  const times = usualTimes(generation, speeds)
  return {
    article: name,
    generation,
    formFactor,
    buffering: 'unbuffered',
    ecc: false,
    capacityGiB,
    ranks: capacityGiB >= 32 || (generation === 'DDR4' && capacityGiB === 16) ? 2 : 1,
    deviceWidth: usualOrganisation(generation, capacityGiB).deviceWidth,
    voltages: [USUAL_VOLTAGE[generation]],
    speeds,
    ...(times ? { times } : {}),
    kit: null,
    ...changes,
  }
}

const profile = (
  dataRate: number,
  [cl, trcd, trp, tras]: [number, number, number, number],
  voltage: number,
): Speed => ({ kind: 'profile', dataRate, cl, trcd, trp, tras, voltage })

function withProfile(module: Module, speed: Speed, kit: Module['kit']): Module {
  return { ...module, speeds: [...module.speeds, speed], kit }
}

const DDR4 = [3200, 2933, 2666, 2400, 2133]

export const ARTICLES = {
  laptop4: article('Larkfield L4-4-2400', 'DDR4', 'SODIMM', 4, [2400, 2133], { deviceWidth: 16 }),
  laptop8slow: article('Larkfield L4-8-2666', 'DDR4', 'SODIMM', 8, [2666, 2400, 2133]),
  laptop8: article('Larkfield L4-8-3200', 'DDR4', 'SODIMM', 8, DDR4),
  laptop16: article('Larkfield L4-16-3200', 'DDR4', 'SODIMM', 16, DDR4),
  laptop32: article('Larkfield L4-32-3200', 'DDR4', 'SODIMM', 32, DDR4),
  laptop16kit: article('Wendover W4S-16-3200', 'DDR4', 'SODIMM', 16, DDR4, {
    kit: { id: 'W4S-2x16', size: 2 },
  }),
  desktop4: article('Quillen Q4-4-2400', 'DDR4', 'DIMM', 4, [2400, 2133]),
  desktop8: article('Quillen Q4-8-2666', 'DDR4', 'DIMM', 8, [2666, 2400, 2133]),
  desktop16: article('Quillen Q4-16-3200', 'DDR4', 'DIMM', 16, DDR4),
  desktop16kit: article('Wendover W4-16-3200', 'DDR4', 'DIMM', 16, DDR4, {
    kit: { id: 'W4-2x16', size: 2 },
  }),
  five8: article('Quillen Q5-8-4800', 'DDR5', 'DIMM', 8, [4800], { deviceWidth: 16 }),
  five16: article('Quillen Q5-16-5600', 'DDR5', 'DIMM', 16, [5600, 5200, 4800]),
  five24: article('Quillen Q5-24-5600', 'DDR5', 'DIMM', 24, [5600, 5200, 4800]),
  five16fast: withProfile(
    article('Wendover W5-16-6000', 'DDR5', 'DIMM', 16, [5600, 5200, 4800]),
    profile(6000, [30, 38, 38, 76], 1.35),
    { id: 'W5-2x16-6000', size: 2 },
  ),
  five32fast: withProfile(
    article('Wendover W5-32-6400', 'DDR5', 'DIMM', 32, [5600, 5200, 4800]),
    profile(6400, [32, 40, 40, 84], 1.4),
    { id: 'W5-2x32-6400', size: 2 },
  ),
  server16: article('Quillen QR4-16-2933', 'DDR4', 'DIMM', 16, [2933, 2666, 2400], {
    buffering: 'registered',
    ecc: true,
    ranks: 2,
  }),
  server32: article('Quillen QR4-32-3200', 'DDR4', 'DIMM', 32, [3200, 2933, 2666], {
    buffering: 'registered',
    ecc: true,
  }),
  old4: article('Larkfield L3-4-1600', 'DDR3', 'SODIMM', 4, [1600, 1333, 1066], {
    voltages: [1.35, 1.5],
  }),
  old8: article('Larkfield L3-8-1600', 'DDR3', 'SODIMM', 8, [1600, 1333, 1066], {
    ranks: 2,
    voltages: [1.35, 1.5],
  }),
} satisfies Record<string, Module>

export type ArticleName = keyof typeof ARTICLES
