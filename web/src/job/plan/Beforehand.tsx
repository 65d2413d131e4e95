import type { FirmwareReason } from '@tembrix/core/plan'
import { list } from '../../ui'
import { firmwareReasons, profileVolts, useJob } from '../file'

const FIRMWARE_WORDS: Record<FirmwareReason, string> = {
  SIZE: 'modules of 24, 48 or 64 GB came after many boards did',
  CLOCKED: 'clocked modules need firmware that knows them',
  MANY: 'four and more DDR5 modules are trained better by newer firmware',
}

/** What has to be done, or said to the customer, before these modules go in. */
export function Beforehand() {
  const view = useJob()
  const { planned } = view
  const volts = profileVolts(planned)
  const reasons = firmwareReasons(view, planned)
  const { run, findings } = planned.evaluation
  const above = run && findings.some(({ code }) => code === 'ABOVE_RATING')
  if (reasons.length === 0 && !above) return null
  return (
    <section
      aria-label="Before the modules go in"
      className="border-l-4 border-gold-line bg-gold-soft px-3 py-2 text-[0.93rem]"
    >
      <h3 className="font-semibold">Before the modules go in</h3>
      {reasons.length > 0 && (
        <p>
          Update the firmware first: {list(reasons.map((reason) => FIRMWARE_WORDS[reason]))}. A
          published maximum is often only what was tested when the board came out: look for the
          maker’s newest statement before a size is ruled out.
        </p>
      )}
      {above && (
        <p>
          {run.dataRate} MT/s is above the processor’s rating of {run.controllerRating}
          {volts !== null && ` and runs on ${volts} V`}: its maker may refuse warranty for it. The
          quote says so; tell the customer.
        </p>
      )}
    </section>
  )
}
