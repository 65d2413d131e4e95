import {
  type Generation,
  type Machine,
  Module,
  plainName,
  type Speed,
  STANDARD_STEPS,
  USUAL_DRAFT,
  USUAL_VOLTAGE,
  usualOrganisation,
  usualSpeed,
  usualTimes,
  usualVoltages,
} from '@tembrix/core/things/model'
import { z } from 'zod'

/** A module as it is typed: numbers may still be text. */
export type ModuleDraft = Record<string, unknown> & { speeds: Record<string, unknown>[] }

/** The module to expect in this machine: its form and generation, at the highest rate it is rated for. */
export function likelyModule(machine: Machine): ModuleDraft {
  const { generation, formFactor, limits } = machine
  const rating = Math.max(...limits.dataRates.map(({ dataRate }) => dataRate))
  const steps = STANDARD_STEPS[generation]
  const usual = USUAL_DRAFT[generation]
  const rate = usual?.dataRate ?? steps.findLast((step) => step <= rating) ?? (steps[0] as number)
  const capacityGiB = Math.min(usual?.capacityGiB ?? 8, limits.slotGiB)
  const { ranks, deviceWidth } = usualOrganisation(generation, capacityGiB)
  return {
    article: '',
    generation,
    formFactor,
    buffering: machine.buffering[0] ?? 'unbuffered',
    ecc: machine.ecc === 'required',
    capacityGiB,
    ranks: limits.dieGbit !== null && limits.dieGbit < 8 ? 2 : ranks,
    deviceWidth,
    voltages: [...machine.voltages],
    speeds: [{ ...usualSpeed(generation, rate) }],
    kit: null,
  }
}

export function draftOf(module: Module): ModuleDraft {
  return structuredClone(module) as unknown as ModuleDraft
}

/** The draft at another standard rate, with the timings usual for it. */
export function atRate(draft: ModuleDraft, dataRate: number): ModuleDraft {
  const usual = usualSpeed(draft.generation as Generation, dataRate)
  return { ...draft, speeds: [{ ...usual }, ...profilesOf(draft)] }
}

/** The draft in another generation, at a speed it knows; where it is the machine’s, at the machine’s voltages. */
export function inGeneration(
  draft: ModuleDraft,
  generation: Generation,
  machine: Pick<Machine, 'generation' | 'voltages'>,
): ModuleDraft {
  const steps = STANDARD_STEPS[generation]
  const usual = USUAL_DRAFT[generation]
  const rate = usual?.dataRate ?? (steps[Math.floor(steps.length / 2)] as number)
  const capacityGiB = usual?.capacityGiB ?? draft.capacityGiB
  const made = usualOrganisation(generation, Number(capacityGiB))
  const voltages =
    machine.generation === generation ? [...machine.voltages] : usualVoltages(generation, rate)
  return atRate({ ...draft, generation, capacityGiB, ...made, voltages }, rate)
}

export function profilesOf(draft: ModuleDraft): Record<string, unknown>[] {
  return draft.speeds.filter(({ kind }) => kind === 'profile')
}

export function withProfile(draft: ModuleDraft, on: boolean): ModuleDraft {
  const standard = draft.speeds.filter(({ kind }) => kind === 'standard')
  if (!on) return { ...draft, speeds: standard }
  const base = standard[0] as unknown as Speed
  return { ...draft, speeds: [...standard, { ...base, kind: 'profile' }] }
}

/** A module that got no part number is known by what it is. */
export function named(draft: ModuleDraft): ModuleDraft {
  if (String(draft.article).trim() !== '') return draft
  return { ...draft, article: plainName(draft as never) }
}

/**
 * A voltage above the generation's standard is the memory profile's: the module itself keeps the
 * standard one. Empty profile voltages are left out.
 */
export function withOwnVoltages(draft: ModuleDraft): ModuleDraft {
  const usual = USUAL_VOLTAGE[draft.generation as Generation]
  const [first] = draft.voltages as unknown[]
  const fixed = draft.generation === 'DDR4' || draft.generation === 'DDR5'
  const moves =
    fixed && typeof first === 'number' && first > usual + 0.04 && profilesOf(draft).length > 0
  const speeds = draft.speeds.map(({ voltage, ...speed }) => {
    const own = moves && speed.kind === 'profile' ? (voltage ?? first) : voltage
    return own === undefined || own === null || own === '' ? speed : { ...speed, voltage: own }
  })
  return moves ? { ...draft, voltages: [usual], speeds } : { ...draft, speeds }
}

/** What is typed, made into a module, or what is wrong with it by path such as `speeds.0.cl`. */
export const ModuleForm = z
  .custom<ModuleDraft>()
  .transform((draft) => named(withOwnVoltages(draft)))
  .pipe(Module)
  .transform(withTimes)

/** The module with the times of its standard bin, unless its own contents gave them. */
function withTimes({ times, ...module }: Module): Module {
  const own = times && times.cls.length > 0 ? times : usualTimes(module.generation, module.speeds)
  return own ? { ...module, times: own } : module
}

/** The module of a draft at another standard rate; null where it makes none. */
export function moduleOf(draft: ModuleDraft, dataRate: number): Module | null {
  return ModuleForm.safeParse(atRate(draft, dataRate)).data ?? null
}
