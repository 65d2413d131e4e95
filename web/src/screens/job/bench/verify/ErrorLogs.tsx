import { memoryErrors } from '@tembrix/core/bench/diagnose'
import { errorsSince } from '@tembrix/core/shop/job'
import type { ErrorLog } from '@tembrix/core/things/model'
import { Trash2 } from 'lucide-react'
import { Link } from 'react-router'
import { list, plural } from '../../../../base/format'
import { IconButton } from '../../../../base/ui'
import type { Verifying } from '../../base/file'
import { useJob } from '../../base/file'

/** The system's error log as it came in and since the fitting, and how many errors are new. */
export function ErrorLogs({
  verifying: { record, set },
}: {
  verifying: Pick<Verifying, 'record' | 'set'>
}) {
  const { errorsFound } = useJob()
  const { errorLogs = [] } = record
  const since = errorsSince(record, errorsFound)
  const isBad = since !== null && memoryErrors(since) > 0
  return (
    <section aria-label="Error log" className="border-t-2 border-rule pt-2 text-[0.93rem]">
      <h3 className="text-base font-semibold">The system’s error log</h3>
      <ul>
        <li className="border-b border-rule py-0.5">
          As it came in:{' '}
          {errorsFound ? (
            inWords(errorsFound)
          ) : (
            <>
              not taken.{' '}
              <span className="text-ink-2">
                The command is under{' '}
                <Link to="../identify" className="underline">
                  Get the report from the machine
                </Link>
                .
              </span>
            </>
          )}
        </li>
        {errorLogs.map((log, at) => (
          <li key={log.at} className="flex items-center gap-2 border-b border-rule py-0.5">
            <span className="flex-1">
              Since: {inWords(log)}
              {log.by && ` · ${log.by}`}
            </span>
            <IconButton
              label={`Remove the log taken ${at + 1}`}
              onClick={() => set({ errorLogs: errorLogs.filter((one) => one !== log) })}
              look="remove"
            >
              <Trash2 size={16} aria-hidden />
            </IconButton>
          </li>
        ))}
      </ul>
      {errorLogs.length === 0 ? (
        <p className="text-sm text-ink-2">
          Not taken since the fitting. Paste it above, once the machine has run a while.
        </p>
      ) : since === null ? (
        <p className="text-risk">
          Whether these are new cannot be told: the log keeps old errors, and none was taken before.
          Take it once more later: what is new then shows.
        </p>
      ) : (
        <p className={isBad ? 'font-medium text-stop' : ''} data-new-errors={memoryErrors(since)}>
          {isBad
            ? `${plural(memoryErrors(since), 'new memory error')}${since.slots.length > 0 ? `, in ${list(since.slots)}` : ''}. Not to be handed over: find the fault first.`
            : 'No new memory error.'}
          {since.machineChecks > 0 &&
            ` ${plural(since.machineChecks, 'new machine check')}, whose part the log does not tell: they may be of the processor or the board.`}
        </p>
      )}
    </section>
  )
}

/** A log in a few words. */
function inWords(log: ErrorLog): string {
  const { corrected, uncorrected, machineChecks, bySlot, since } = log
  const slots = Object.entries(bySlot).map(([slot, count]) => `${slot} ${count}`)
  const errors = [
    corrected > 0 && `${plural(corrected, 'memory error')} corrected`,
    uncorrected > 0 && `${uncorrected} not corrected`,
    machineChecks > 0 && plural(machineChecks, 'machine check'),
  ].filter((one) => one !== false)
  const span = since === 'start' ? 'since the start of the system' : 'in all that the log keeps'
  return `${errors.length > 0 ? list(errors) : 'no error'}${slots.length > 0 ? ` (${slots.join(', ')})` : ''}, ${span}`
}
