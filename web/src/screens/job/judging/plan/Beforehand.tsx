import { aboveRating } from '@tembrix/core/judging/evaluate'
import type { FirmwareReason } from '@tembrix/core/judging/plan'
import { firmwareReasons, profileVolts } from '@tembrix/core/shop/job'
import type { Piece } from '@tembrix/core/things/records'
import { saidOf, useAskSupplierMutation } from '../../../../base/data'
import { list, speed } from '../../../../base/format'
import { Button, callout } from '../../../../base/ui'
import { GRADE_WORDS } from '../../../../parts/findings'
import { useJob } from '../../base/file'
import { sharePercent } from './words'

const FIRMWARE_WORDS: Record<FirmwareReason, string> = {
  SIZE: 'modules of 24, 48 or 64 GB came after many boards did',
  LARGE_DDR4: 'DDR4 modules of 32 GB need it on boards from before about 2019',
  CLOCKED: 'clocked modules need firmware that knows them',
  MANY: 'four and more DDR5 modules are trained better by newer firmware',
}

/** What has to be done, or said to the customer, before these modules go in. */
export function Beforehand() {
  const view = useJob()
  const { machine, plan, planned, edit } = view
  const reasons = firmwareReasons(view, planned)
  const above = aboveRating(machine, planned.placement, planned.evaluation)
  const volts = profileVolts(planned)
  const setTo = plan.manual?.dataRate ?? null
  const assumed = Object.values(planned.assignment).flatMap(({ moduleId }) => {
    const piece = view.pieces.get(moduleId)
    return piece?.module.assumed ? [piece] : []
  })
  if (reasons.length === 0 && !above && setTo === null && assumed.length === 0) return null
  const set = (dataRate: number | null) =>
    edit.step('plans', plan, {
      manual: dataRate === null ? null : { dataRate, timings: null },
    })
  return (
    <section
      aria-label="Before the modules go in"
      className={callout({ tone: 'ask', className: 'text-[0.93rem]' })}
    >
      <h3 className="font-semibold">Before the modules go in</h3>
      {reasons.length > 0 && (
        <p>
          Update the firmware first: {list(reasons.map((reason) => FIRMWARE_WORDS[reason]))}. A
          published maximum is often only what was tested when the board came out: look for the
          maker’s newest statement before a size is ruled out.
        </p>
      )}
      {assumed.length > 0 && <Assumed pieces={assumed} />}
      {above && (
        <p data-grade={above.grade}>
          {speed(above.dataRate)} is {sharePercent(above.share)} above what the processor is rated
          for with these modules, {above.rating}
          {volts !== null && ` (${volts} V)`}: {GRADE_WORDS[above.grade]}. Its maker may refuse
          warranty for it. The quote promises{' '}
          {`${above.grade === 'unlikely' ? `${speed(above.fallsBackTo)} only` : 'no more than that'}; tell the customer.`}
        </p>
      )}
      {above && above.grade !== 'everyday' && machine.profiles && (
        <Button className="mt-1" onClick={() => set(above.holds)}>
          Set by hand to {above.holds} MT/s
        </Button>
      )}
      {setTo !== null && (
        <p className="flex flex-wrap items-center gap-2">
          Set by hand to {setTo} MT/s; Fit has the step.
          <Button look="quiet" onClick={() => set(null)}>
            Leave it to the firmware
          </Button>
        </p>
      )}
    </section>
  )
}

/** Modules whose seller did not say how they are made, and a press that asks. */
function Assumed({ pieces }: { pieces: readonly Piece[] }) {
  const [ask, { isLoading, error, data }] = useAskSupplierMutation()
  const articles = [...new Set(pieces.map(({ module }) => module.article))]
  const sold = [...new Set(pieces.flatMap(({ id, source }) => (source === 'supplier' ? [id] : [])))]
  return (
    <div>
      <p>
        Ranks and device width of {list(articles)} are assumed, as is usual for the size: the seller
        does not say. They decide the speed with several on a channel, and a few per cent.
      </p>
      {sold.length > 0 && (
        <Button className="mt-1" disabled={isLoading} onClick={() => ask(sold)}>
          {isLoading ? 'Asking…' : 'Ask the supplier'}
        </Button>
      )}
      {error && (
        <p role="alert" className="font-medium text-stop">
          {saidOf(error, 'The supplier does not answer.')}
        </p>
      )}
      {data && !isLoading && (
        <p aria-live="polite" className="text-sm">
          {data.sold > 0
            ? 'The supplier has answered.'
            : 'This supplier does not answer by itself: ask by phone or mail, and enter it on the shelf.'}
        </p>
      )}
    </div>
  )
}
