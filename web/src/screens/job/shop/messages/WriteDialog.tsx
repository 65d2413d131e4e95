import { filled, leftOpen, reasonFor } from '@tembrix/core/shop/messages'
import {
  addressFault,
  CHANNELS,
  type Channel,
  type JobFile,
  type MessageReason,
  type Shop,
  TEMPLATE_REASONS,
} from '@tembrix/core/things/records'
import { Send } from 'lucide-react'
import { type FormEvent, useState } from 'react'
import { changing, making, useOpenJobsQuery } from '../../../../base/data'
import { list, today } from '../../../../base/format'
import { notify } from '../../../../base/toast'
import {
  Button,
  DateInput,
  Dialog,
  ErrorText,
  Field,
  Select,
  TextInput,
  Waiting,
} from '../../../../base/ui'
import { CHANNEL_NAMES, REASON_NAMES } from '../../../../parts/messages'
import { useJob, useShop } from '../../base/file'
import { fillingOf } from './filling'
import { SentMessages } from './SentMessages'

/** A message to the customer from the shop’s templates, and all that was written before. */
export function WriteDialog({ onClose }: { onClose: () => void }) {
  const { file } = useJob()
  const shop = useShop()
  const { line, isLoading } = useOpenJobsQuery(today(), {
    selectFromResult: ({ data, isLoading }) => ({
      isLoading,
      // Like machines are one line, that of the first.
      line: data?.find(({ id }) => id === (file.lead?.id ?? file.id)),
    }),
  })
  return (
    <Dialog open onOpen={onClose} title={`Write to ${file.customer.name}`}>
      {isLoading ? (
        <Waiting>Reading the templates…</Waiting>
      ) : (
        <Write
          file={file}
          shop={shop}
          partsOn={line?.partsOn ?? null}
          suggested={reasonFor(line?.act, file.messages)}
          onClose={onClose}
        />
      )}
      <SentMessages />
    </Dialog>
  )
}

interface Props {
  file: JobFile
  shop: Shop
  partsOn: string | null
  suggested: MessageReason
  onClose: () => void
}

interface Draft {
  reason: MessageReason
  channel: Channel
  to: string
  subject: string
  text: string
}

function Write({ file, shop, partsOn, suggested, onClose }: Props) {
  const { edit } = useJob()
  const { customer } = file
  const [draft, setDraft] = useState(() => begun(suggested, customer.email ? 'mail' : 'text'))
  const [followUpOn, setFollowUp] = useState<string>(file.followUpOn ?? '')
  const [tried, setTried] = useState(false)

  function begun(reason: MessageReason, channel: Channel): Draft {
    const to = channel === 'mail' ? customer.email : customer.phone
    if (reason === 'other') return { reason, channel, to, subject: '', text: '' }
    const filling = fillingOf(file, shop.terms, partsOn, reason)
    const { subject, text } = filled(shop.templates[reason], channel, filling)
    return { reason, channel, to, subject, text }
  }
  const set = (fields: Partial<Draft>) => setDraft((now) => ({ ...now, ...fields }))
  const open = leftOpen(`${draft.subject} ${draft.text}`)
  const wrongAddress = addressFault(draft.channel, draft.to)
  const noDate = followUpOn !== '' && !/^\d{4}-\d\d-\d\d$/.test(followUpOn)
  const empty = draft.text.trim() === ''

  function send(event: FormEvent) {
    event.preventDefault()
    setTried(true)
    if (wrongAddress || empty || noDate || open.length > 0) return
    const later = followUpOn || null
    edit.settle('the message', [
      making('messages', { jobId: file.id, ...draft, to: draft.to.trim() }),
      ...(later === file.followUpOn ? [] : [changing('jobs', file, { followUpOn: later })]),
    ])
    notify('The message is in the outbox.')
    onClose()
  }

  return (
    <form noValidate onSubmit={send} className="flex flex-col gap-3">
      <div className="grid gap-3 sm:grid-cols-2">
        <Field label="About">
          {(control) => (
            <Select
              {...control}
              value={draft.reason}
              options={[...TEMPLATE_REASONS, 'other' as const].map((value) => ({
                value,
                label: REASON_NAMES[value],
              }))}
              onValue={(reason) => setDraft(begun(reason, draft.channel))}
            />
          )}
        </Field>
        <Field label="As">
          {(control) => (
            <Select
              {...control}
              value={draft.channel}
              options={CHANNELS.map((value) => ({ value, label: CHANNEL_NAMES[value] }))}
              onValue={(channel) => setDraft(begun(draft.reason, channel))}
            />
          )}
        </Field>
        <Field
          label={draft.channel === 'mail' ? 'Mail address' : 'Phone number'}
          error={tried && wrongAddress ? wrongAddress : undefined}
        >
          {(control) => (
            <TextInput
              {...control}
              type={draft.channel === 'mail' ? 'email' : 'tel'}
              value={draft.to}
              onValue={(to) => set({ to })}
            />
          )}
        </Field>
        <Field
          label="Ask again on"
          hint="The job is in the day then."
          error={tried && noDate ? 'This is no date.' : undefined}
        >
          {(control) => <DateInput {...control} value={followUpOn} onValue={setFollowUp} />}
        </Field>
      </div>
      {draft.channel === 'mail' && (
        <Field label="Subject">
          {(control) => (
            <TextInput {...control} value={draft.subject} onValue={(subject) => set({ subject })} />
          )}
        </Field>
      )}
      <Field
        label="Message"
        error={tried && empty ? 'There is nothing to send.' : undefined}
        hint={draft.channel === 'text' ? `${draft.text.length} characters` : undefined}
      >
        {(control) => (
          <TextInput
            {...control}
            lines={draft.channel === 'mail' ? 8 : 4}
            value={draft.text}
            onValue={(text) => set({ text })}
          />
        )}
      </Field>
      {open.length > 0 && (
        <ErrorText>
          {`Not known here: ${list(open)}. Write something in ${open.length === 1 ? 'its' : 'their'} place.`}
        </ErrorText>
      )}
      <div className="flex justify-end gap-3">
        <Button onClick={onClose}>Cancel</Button>
        <Button look="main" type="submit">
          <Send size={17} aria-hidden /> Send
        </Button>
      </div>
    </form>
  )
}
