import { z } from 'zod'
import { CauseTable } from './fault'
import { AFTER_FITTING } from './hypotheses'
import { ACTIONS } from './trial'

const Name = z.string().trim().min(1, 'A name.').max(60)
const Names = z
  .array(Name)
  .max(64)
  .refine((names) => new Set(names).size === names.length, 'Each name once.')

const Outcome = z.discriminatedUnion('kind', [
  z.object({ kind: z.enum(['NO_START', 'ERRORS', 'PASS']) }),
  z.object({ kind: z.literal('MISSING'), slots: z.array(Name).min(1, 'Which slots?').max(64) }),
])

const Arranged = z
  .record(Name, Name)
  .refine((one) => Object.keys(one).length > 0, 'A module at least.')
  .refine((one) => {
    const modules = Object.values(one)
    return new Set(modules).size === modules.length
  }, 'A module is in one slot only.')

const TrialShape = z.object({
  arrangement: Arranged,
  reseat: z.boolean().default(false),
  profile: z.boolean().default(false),
  depth: z.enum(['start', 'test']).default('start'),
  action: z.enum(ACTIONS).nullable().default(null),
  /** A start right after a test, without letting it cool. */
  warm: z.boolean().default(false),
})

/** The shape of `POST /api/v1/diagnose`. */
export const DiagnoseShape = z
  .object({
    bench: z.object({
      order: Names.min(1, 'A slot at least.'),
      mustFill: Names.default([]),
      modules: Names.min(1, 'A module at least.'),
      known: Names.default([]),
      profiles: z.boolean().default(false),
    }),
    start: z.object({
      arrangement: Arranged,
      profile: z.boolean().default(false),
      outcome: Outcome,
      unsure: z.boolean().default(false),
      /** Right after a fitting. */
      fitted: z.boolean().default(AFTER_FITTING.fitted),
      /** It comes only when warm; null where nobody knows. */
      warm: z.boolean().nullable().default(AFTER_FITTING.warm),
    }),
    trials: z
      .array(
        z.object({
          trial: TrialShape,
          outcome: Outcome,
          unsure: z.boolean().default(false),
          code: z.string().max(200).default(''),
        }),
      )
      .max(200)
      .default([]),
    causes: CauseTable.nullable().default(null),
  })
  .superRefine(({ bench, start, trials }, context) => {
    const modules = [...bench.modules, ...bench.known]
    const say = (path: (string | number)[], message: string) =>
      context.addIssue({ code: 'custom', path, message })
    const check = (
      arrangement: Record<string, string>,
      outcome: z.infer<typeof Outcome>,
      path: (string | number)[],
    ) => {
      for (const [slot, module] of Object.entries(arrangement)) {
        if (!bench.order.includes(slot)) say([...path, slot], `There is no slot ${slot}.`)
        if (!modules.includes(module)) say([...path, slot], `There is no module ${module}.`)
      }
      if (outcome.kind !== 'MISSING') return
      for (const slot of outcome.slots) {
        if (arrangement[slot] === undefined) say([...path, slot], `Nothing is in ${slot}.`)
      }
    }
    bench.mustFill.forEach((slot, at) => {
      if (!bench.order.includes(slot)) say(['bench', 'mustFill', at], `There is no slot ${slot}.`)
    })
    bench.known.forEach((module, at) => {
      if (bench.modules.includes(module)) {
        say(['bench', 'known', at], `${module} is in question already.`)
      }
    })
    check(start.arrangement, start.outcome, ['start', 'arrangement'])
    trials.forEach(({ trial, outcome }, at) => {
      check(trial.arrangement, outcome, ['trials', at, 'trial', 'arrangement'])
    })
  })
