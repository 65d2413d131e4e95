import { analyseFrames } from '@tembrix/core/bench/measure'
import { frameTimes } from '@tembrix/core/bench/simulate'
import { evaluate } from '@tembrix/core/judging/evaluate'
import type { Placement } from '@tembrix/core/things/model'
import { NewFrameLog, NewMeasurement } from '@tembrix/core/things/records'
import type { Transaction } from '../base/database'
import { ARTICLES, type ArticleName } from '../shop/supplier'
import { create, framesKind, measurementKind } from '../things/store'
import type { DemoJob } from './jobs'

/** Frames in each log of the demonstration. */
const FRAMES = 4000
const LOGS_A_SESSION = 3

/** The runs of a job, and logs of frame times as the simulated machine makes them. */
export async function seedMeasured(tx: Transaction, jobId: string, job: DemoJob): Promise<void> {
  for (const { runs: all, ...test } of job.measured ?? []) {
    for (const [configuration, sessions] of Object.entries(all)) {
      for (const runs of sessions) {
        const measurement = NewMeasurement.parse({ ...test, jobId, configuration, runs })
        await create(tx, measurementKind, measurement)
      }
    }
  }
  if (!job.frames) return
  const { test, logs } = job.frames
  const placements = { before: job.found, after: job.planned ?? job.found }
  for (const [configuration, slots] of Object.entries(placements)) {
    const evaluation = evaluate({
      machine: job.machine,
      placement: placed(slots, job.found),
      settings: { profile: job.profile ?? false },
    })
    for (let at = 1; at <= logs; at += 1) {
      const seed = at + (configuration === 'after' ? logs : 0)
      const session = Math.ceil(at / LOGS_A_SESSION)
      const times = frameTimes(evaluation, FRAMES, seed, {
        seed: session + (configuration === 'after' ? 100 : 0),
      })
      const analysed = analyseFrames(Float64Array.from(times))
      if (!analysed) throw new Error('a log of the demonstration has frames')
      const name = `wall-${configuration}-${at}.csv`
      await create(
        tx,
        framesKind,
        NewFrameLog.parse({ jobId, test, configuration, session, name, ...analysed }),
      )
    }
  }
}

/** Modules by slot, from article names; behind `own:` stands the slot where one sat. */
function placed(slots: Readonly<Record<string, string>>, found: DemoJob['found']): Placement {
  return Object.fromEntries(
    Object.entries(slots).map(([slot, wanted]) => {
      const [source, name] = wanted.split(':') as [string, string | undefined]
      const article = source === 'own' ? found[name ?? ''] : ((name ?? source) as ArticleName)
      return [slot, article ? ARTICLES[article] : null]
    }),
  )
}
