import { isUndelivered, type Message } from '@tembrix/core/things/records'
import { RotateCcw } from 'lucide-react'
import { changing, removing } from '../../../../base/data'
import { dayAndTime } from '../../../../base/format'
import { Button } from '../../../../base/ui'
import { REASON_NAMES, stateWords } from '../../../../parts/messages'
import { useJob } from '../../base/file'

/** Everything that was written to the customer about this job, and what became of it. */
export function SentMessages() {
  const { file } = useJob()
  if (file.messages.length === 0) return null
  return (
    <section aria-label="Written before" className="mt-4 border-t-2 border-rule pt-2">
      <h3 className="font-semibold">Written before</h3>
      <ul>
        {[...file.messages].reverse().map((message) => (
          <li key={message.id} className="border-t border-rule py-2 first:border-0">
            <One message={message} />
          </li>
        ))}
      </ul>
    </section>
  )
}

function One({ message }: { message: Message }) {
  const { edit } = useJob()
  const { reason, to, text, by, createdAt, state } = message
  return (
    <>
      <p>
        <b className="font-medium">{REASON_NAMES[reason]}</b> to {to}:{' '}
        <span className={isUndelivered(message.state) ? 'font-medium text-stop' : 'text-ink-2'}>
          {stateWords(message)}
        </span>
        <span className="block text-sm text-ink-2">
          {createdAt === '' ? 'now' : dayAndTime(createdAt)}
          {by && ` · ${by}`}
        </span>
      </p>
      <p className="line-clamp-2 text-sm whitespace-pre-line text-ink-2">{text}</p>
      {isUndelivered(message.state) && (
        <div className="flex flex-wrap gap-2">
          <Button onClick={() => edit.settle('', [changing('messages', message, { again: true })])}>
            <RotateCcw size={17} aria-hidden /> Send it again to {to}
          </Button>
          <Button
            look="quiet"
            onClick={() => edit.settle('', [changing('messages', message, { reached: true })])}
          >
            I have reached them otherwise
          </Button>
        </div>
      )}
      {state === 'queued' && (
        <Button
          look="quiet"
          onClick={() => edit.settle('the message taken back', [removing('messages', message)])}
        >
          Take it back
        </Button>
      )}
    </>
  )
}
