import type { Machine } from '../model'
import { fillingOrder } from '../plan'
import { type Assignment, type LabourTable, movesOf } from '../records'
import { type Openness, removals } from './opening'
import type { About, FitCode, FitStep, Phase, Tool, Work } from './step'

export interface FittingInput {
  machine: Machine
  found: Assignment
  planned: Assignment
  /** What the machine should hold and run at after; null where that is not known. */
  expected: { gib: number; dataRate: number } | null
  /** The memory profile is to be switched on. */
  profile: boolean
  static: 'strap' | 'touch'
  hatch: boolean
  /** What the record of this model says. */
  covers: Openness['covers']
  cautions: readonly string[]
  openingMinutes: number | null
  table: LabourTable
}

interface More {
  slots?: string[]
  about?: About
  tools?: Tool[]
  work?: Work
  minutes?: number
}

/**
 * Every step of the work at the bench, in order: cautions to acknowledge, the machine made safe,
 * opened, modules out (what is filled last first) and in (in filling order), closed in reverse, first
 * start. Where no module moves, only what the firmware set-up needs. The minutes add up to the labour.
 */
export function fittingSteps(input: FittingInput): FitStep[] {
  const { machine, found, planned, profile, table } = input
  const { moves } = movesOf(found, planned)
  if (moves === 0) return profile ? [...profileSteps(table), stability(table)] : []
  const off = removals({ kind: machine.kind, hatch: input.hatch, covers: input.covers })
  return [
    ...cautionSteps(input),
    ...beforeSteps(machine, input.static),
    ...openSteps(off, input),
    ...moduleSteps(input),
    ...closeSteps(off, input),
    ...startSteps(input),
  ]
}

function step(phase: Phase, code: FitCode, more: More = {}): FitStep {
  const { slots = [], about = {}, tools = [], work = null, minutes = 0 } = more
  const { moduleId, text } = about
  const id = [code, ...slots, moduleId, text].filter(Boolean).join(' ')
  return { id, code, phase, caution: phase === 'cautions', slots, about, tools, work, minutes }
}

function cautionSteps({ machine, hatch, cautions }: FittingInput): FitStep[] {
  const { kind } = machine
  const codes: FitCode[] = ['CAUTION_MAKER', 'CAUTION_BACKUP']
  if (kind === 'laptop') codes.push('CAUTION_SWOLLEN')
  else codes.push('CAUTION_MAINS')
  if (kind === 'all-in-one' && !hatch) codes.push('CAUTION_DISPLAY')
  if (kind === 'desktop' || kind === 'workstation') codes.push('CAUTION_COOLER')
  return [
    ...codes.map((code) => step('cautions', code)),
    ...cautions.map((text) => step('cautions', 'CAUTION_MODEL', { about: { text } })),
  ]
}

function beforeSteps({ kind }: Machine, against: FittingInput['static']): FitStep[] {
  return [
    step('before', 'BACKUP'),
    step('before', 'SHUT_DOWN'),
    step('before', 'UNPLUG'),
    // A laptop is drained once its battery is off.
    ...(kind === 'laptop' ? [] : [step('before', 'DRAIN')]),
    against === 'strap'
      ? step('before', 'STRAP_ON', { tools: ['strap-mat'] })
      : step('before', 'TOUCH_METAL'),
  ]
}

/** Opening takes the larger half of the minutes, spread over its removals. */
function openSteps(off: ReturnType<typeof removals>, input: FittingInput): FitStep[] {
  const minutes = shares(openingOf(input), off)
  return off.flatMap((one, at) => {
    const about = one.text === undefined ? {} : { text: one.text }
    if (one.off === 'BATTERY_OFF') {
      const { battery } = input.table
      return [
        step('open', 'BATTERY_OFF', {
          tools: one.tools,
          work: 'battery',
          minutes: Math.ceil(battery / 2),
        }),
        step('open', 'DRAIN'),
      ]
    }
    const taken = minutes[at]?.open ?? 0
    return step('open', one.off, { about, tools: one.tools, work: 'open', minutes: taken })
  })
}

function closeSteps(off: ReturnType<typeof removals>, input: FittingInput): FitStep[] {
  const minutes = shares(openingOf(input), off)
  const back = off.map((one, at) => {
    const about = one.text === undefined ? {} : { text: one.text }
    return one.on === 'BATTERY_ON'
      ? step('close', 'BATTERY_ON', {
          work: 'battery',
          minutes: Math.floor(input.table.battery / 2),
        })
      : step('close', one.on, {
          about,
          tools: one.tools,
          work: 'open',
          minutes: minutes[at]?.close ?? 0,
        })
  })
  return back.reverse()
}

const openingOf = ({ machine, openingMinutes, table }: FittingInput): number =>
  openingMinutes ?? table.open[machine.kind]

/** Whole minutes for each removal, opening and closing, that add up to the total. */
function shares(total: number, off: ReturnType<typeof removals>) {
  const timed = off.filter((one) => one.off !== 'BATTERY_OFF').length * 2
  const each = Math.floor(total / timed)
  let left = total - each * timed
  const one = () => {
    const more = left > 0 ? 1 : 0
    left -= more
    return each + more
  }
  return off.map(({ off: code }) =>
    code === 'BATTERY_OFF' ? { open: 0, close: 0 } : { open: one(), close: one() },
  )
}

function moduleSteps({ machine, found, planned, table }: FittingInput): FitStep[] {
  const order = fillingOrder(machine)
  const stays = (slot: string) => {
    const [was, is] = [found[slot], planned[slot]]
    return was && is && was.moduleId === is.moduleId && was.unit === is.unit
  }
  const out = [...order].reverse().filter((slot) => found[slot] && !stays(slot))
  const into = order.filter((slot) => planned[slot] && !stays(slot))
  const angle = machine.formFactor === 'SODIMM' ? 'angled' : 'straight'
  const cameFrom = (moduleId: string) =>
    Object.keys(found).find((slot) => found[slot]?.moduleId === moduleId)
  const minutes = table.module
  const taken = out.map((slot) =>
    step('out', 'TAKE_OUT', {
      slots: [slot],
      about: { moduleId: found[slot]?.moduleId as string },
      work: 'module',
      minutes,
    }),
  )
  if (into.length === 0) return taken
  const put = into.map((slot) => {
    const moduleId = planned[slot]?.moduleId as string
    const from = cameFrom(moduleId)
    return step('in', 'PUT_IN', {
      slots: [slot],
      about: { moduleId, angle, ...(from ? { from } : {}) },
      work: 'module',
      minutes,
    })
  })
  return [
    ...taken,
    step('in', 'LATCHES_OPEN', { slots: into }),
    ...put,
    step('in', 'SEATED', { slots: into }),
  ]
}

function startSteps({ static: against, expected, profile, table }: FittingInput): FitStep[] {
  return [
    ...(against === 'strap' ? [step('start', 'STRAP_OFF')] : []),
    step('start', 'PLUG_IN'),
    step('start', 'FIRST_START', { work: 'firstStart', minutes: table.firstStart }),
    step('start', 'SEEN', { about: expected ?? {} }),
    ...(profile ? profileSteps(table) : []),
    stability(table),
  ]
}

const profileSteps = ({ profile }: LabourTable): FitStep[] => [
  step('start', 'PROFILE_ON', { work: 'profile', minutes: profile }),
]

const stability = (table: LabourTable): FitStep =>
  step('start', 'STABILITY', { work: 'stability', minutes: table.stability })
