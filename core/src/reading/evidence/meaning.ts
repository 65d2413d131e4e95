import type { SpeedKind } from '../../things/model'
import type { MachineFigures, ModuleFigures, Observation, ReadSpeed } from '../facts'

/** Figures that are weighed: of a module, and of a machine. How something runs is no such figure. */
type Weighed = ModuleFigures & MachineFigures
export type Believable = keyof Weighed

/** A figure as one value that can be told, compared and ruled on. */
export type Plain = string | number | boolean

/** What a figure's values mean beside each other. */
interface Meaning<Value> {
  /** Whether two values can both be true. */
  agree: (a: Value, b: Value) => boolean
  plain: (value: Value) => Plain
  /** The value that a plain one stands for. */
  valued: (plain: Plain) => Value
  /** One value out of several that agree, the best trusted first. */
  joined: (values: readonly [Value, ...Value[]]) => Value
}

const simple = <Value extends Plain>(): Meaning<Value> => ({
  agree: (a, b) => a === b,
  plain: (value) => value,
  valued: (plain) => plain as Value,
  joined: ([best]) => best,
})

/** Numbers on a label, which are spelt with and without leading zeros, blanks and dashes. */
const spelt: Meaning<string> = {
  ...simple<string>(),
  agree: (a, b) => bare(a) === bare(b),
}

const bare = (text: string) => text.toUpperCase().replace(/^0+|[\s-]/g, '')

const rateOf = (speeds: readonly ReadSpeed[], kind: SpeedKind): number | undefined =>
  speeds.find((speed) => speed.kind === kind)?.dataRate

/**
 * Standard speeds are compared with each other and profiles too. A report may give the profile's speed
 * as the module's own, so a rate that the other has of either kind is no contradiction.
 */
const speeds: Meaning<ReadSpeed[]> = {
  agree: (a, b) =>
    (['standard', 'profile'] as const).every((kind) => {
      const [x, y] = [rateOf(a, kind), rateOf(b, kind)]
      if (x === undefined || y === undefined || x === y) return true
      return a.some(({ dataRate }) => dataRate === y) || b.some(({ dataRate }) => dataRate === x)
    }),
  plain: (value) => rateOf(value, 'standard') ?? value[0]?.dataRate ?? 0,
  valued: (plain) => [{ kind: 'standard', dataRate: Number(plain) }],
  joined: (values) =>
    (['standard', 'profile'] as const).flatMap((kind) => {
      const best = values.find((value) => rateOf(value, kind) !== undefined) ?? []
      return best.filter((speed) => speed.kind === kind).map((speed) => filledUp(speed, values))
    }),
}

/** A speed's timings are filled up from lower claims of the same speed. */
function filledUp(speed: ReadSpeed, values: readonly ReadSpeed[][]): ReadSpeed {
  const same = values.flatMap((value) =>
    value.filter(({ kind, dataRate }) => kind === speed.kind && dataRate === speed.dataRate),
  )
  return Object.assign({}, ...same.reverse(), speed)
}

const voltages: Meaning<number[]> = {
  agree: (a, b) => a.some((one) => b.includes(one)),
  plain: ([first]) => first ?? 0,
  valued: (plain) => [Number(plain)],
  joined: ([best]) => best,
}

export const MEANINGS: { [What in Believable]: Meaning<Weighed[What]> } = {
  capacityGiB: simple(),
  generation: simple(),
  formFactor: simple(),
  buffering: simple(),
  ecc: simple(),
  ranks: simple(),
  deviceWidth: simple(),
  voltages,
  speeds,
  times: {
    // They follow from the contents alone, which nothing else gives.
    agree: () => true,
    plain: ({ taa }) => taa,
    valued: () => {
      throw new RangeError('times are not ruled on')
    },
    joined: ([best]) => best,
  },
  kit: {
    agree: (a, b) => a.size === b.size,
    plain: ({ size }) => size,
    valued: (plain) => ({ size: Number(plain) }),
    joined: ([best]) => best,
  },
  dieGbit: simple(),
  partNumber: spelt,
  serial: spelt,
  makerCode: simple(),
  maker: simple(),
  madeWeek: simple(),
  heightMm: simple(),
  slotCount: simple(),
  maximumGiB: simple(),
  errorCorrection: simple(),
  solderedGiB: simple(),
  channelCount: simple(),
  fastestRate: simple(),
}

export const isBelievable = (one: Observation): one is Observation<Believable> =>
  Object.hasOwn(MEANINGS, one.what)

/** Whether two values of a figure can both be true. */
export function agree<W extends Believable>(what: W, a: Weighed[W], b: Weighed[W]): boolean {
  return MEANINGS[what].agree(a, b)
}

/** A figure's value as one that can be told, compared and ruled on: of speeds the rate, of lists the first. */
export function plainValue<W extends Believable>(what: W, value: Weighed[W]): Plain {
  return MEANINGS[what].plain(value)
}
