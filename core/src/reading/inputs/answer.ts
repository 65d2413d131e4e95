import {
  type Format,
  type ListedSlot,
  MACHINE,
  type MachineFigures,
  type ModuleFigures,
  modulesRead,
  type Observable,
  type Part,
  type Problem,
  type Reading,
  type RunningRate,
  type SlotName,
  type Subject,
  SYSTEM,
  type SystemFigures,
  saidOfSubject,
} from '../facts'
import { read } from './read'

/** A module in an answer: its figures, and beside them how it was seen to run. */
export interface AnsweredModule {
  slot: SlotName | null
  module: Partial<ModuleFigures>
  observed: RunningRate | null
  observedVolts: number | null
  /** Only where a checksum over the contents holds and nothing of them is missing. */
  verified: boolean
}

/** A reading module by module, the shape in which it leaves the program. */
export interface ReadAnswer {
  format: Format
  modules: AnsweredModule[]
  machine: (Partial<MachineFigures> & { slots: ListedSlot[] }) | null
  system: Partial<SystemFigures> | null
  problems: Problem[]
  parts: Part[]
}

/** A reading module by module; of each figure the first observation. */
export function answerOf({ format, observations, problems, parts }: Reading): ReadAnswer {
  const machine = saidOfSubject(observations, MACHINE)
  const system = saidOfSubject(observations, SYSTEM)
  const { slots = [], ...limits } = machine
  return {
    format,
    modules: modulesRead(observations).map(answeredModule),
    machine: isEmpty(machine) ? null : { ...limits, slots },
    system: isEmpty(system) ? null : system,
    problems,
    parts,
  }
}

/** Reads an input and answers module by module. */
export const answerTo = (input: string | Uint8Array): ReadAnswer => answerOf(read(input))

function answeredModule({ said, source }: Subject): AnsweredModule {
  const { slot = null, runs = null, runsOnVolts = null } = said
  return {
    slot,
    module: moduleFigures(said),
    observed: runs,
    observedVolts: runsOnVolts,
    verified: source === 'contents',
  }
}

/** The figures of a module, without its place and how it runs. */
export function moduleFigures({
  present: _,
  slot: __,
  runs: ___,
  runsOnVolts: ____,
  ...figures
}: Partial<Observable>): Partial<ModuleFigures> {
  return figures
}

const isEmpty = (said: object): boolean => Object.keys(said).length === 0
