import { z } from 'zod'
import type { KindOfRecord } from './kind'
import { OwnId, ShortText, Stored, Versioned } from './stored'

export const CHANNELS = ['mail', 'text'] as const
export const Channel = z.enum(CHANNELS)
export type Channel = z.infer<typeof Channel>

/** What the shop has a template for. */
export const TEMPLATE_REASONS = ['quote', 'parts', 'ready', 'reminder'] as const
export type TemplateReason = (typeof TEMPLATE_REASONS)[number]
export const MessageReason = z.enum([...TEMPLATE_REASONS, 'other'])
export type MessageReason = z.infer<typeof MessageReason>

/** What stands in a template for something of the job, in curly brackets. */
export const PLACEHOLDERS = ['customer', 'machine', 'job', 'shop', 'amount', 'day'] as const
export type Placeholder = (typeof PLACEHOLDERS)[number]

const known = (text: string) =>
  [...text.matchAll(/\{([^{}]*)\}/g)].every(([, name]) =>
    PLACEHOLDERS.includes(name as Placeholder),
  )
const Wording = (most: number) =>
  z
    .string()
    .trim()
    .min(1, 'Some words.')
    .max(most)
    .refine(known, {
      error: `Only ${PLACEHOLDERS.map((name) => `{${name}}`).join(', ')} can stand for something.`,
    })

/** What is written in a mail, and shorter in a text message. */
export const Template = z.object({ subject: Wording(120), mail: Wording(4000), text: Wording(480) })
export type Template = z.infer<typeof Template>
export const Templates = z.record(z.enum(TEMPLATE_REASONS), Template)
export type Templates = z.infer<typeof Templates>

export const STARTING_TEMPLATES: Templates = {
  quote: {
    subject: 'Your quote, job {job}',
    mail: 'Dear {customer},\n\nyour quote for {machine} is ready: {amount}. It holds until {day}.\nPlease tell us whether we may go ahead.\n\n{shop}',
    text: '{shop}: your quote for {machine} is ready: {amount}, valid until {day}. Job {job}.',
  },
  parts: {
    subject: 'Waiting for a part, job {job}',
    mail: 'Dear {customer},\n\nfor {machine} we wait for a part. We expect it on {day} and go on with the work then.\n\n{shop}',
    text: '{shop}: for {machine} we wait for a part, expected on {day}. Job {job}.',
  },
  ready: {
    subject: 'Ready to collect, job {job}',
    mail: 'Dear {customer},\n\n{machine} is ready. To pay when you collect it: {amount}.\n\n{shop}',
    text: '{shop}: {machine} is ready to collect. To pay: {amount}. Job {job}.',
  },
  reminder: {
    subject: 'Your quote is still open, job {job}',
    mail: 'Dear {customer},\n\nour quote for {machine} is still open. It holds until {day}: please tell us whether we may go ahead.\n\n{shop}',
    text: '{shop}: our quote for {machine} is still open, until {day}. May we go ahead? Job {job}.',
  },
}

/**
 * How far a message is: `queued` in the outbox, `sent` to the gateway, `delivered`, `bounced` where it came
 * back, `failed` where the gateway would not take it, `reached` where the customer was told otherwise since.
 */
export const MESSAGE_STATES = [
  'queued',
  'sent',
  'delivered',
  'bounced',
  'failed',
  'reached',
] as const
export const MessageState = z.enum(MESSAGE_STATES)
export type MessageState = z.infer<typeof MessageState>

/** The part of an address before and after the sign, with a dot in the latter. */
const MAIL = /^[^\s@]+@[^\s@]+\.[^\s@]+$/
const DIGITS = /^\+?[\d\s()/.-]{6,30}$/

/** What is wrong with where a message goes; null where nothing is. */
export function addressFault(channel: Channel, to: string): string | null {
  if (to.trim() === '') return 'Where does it go?'
  if (channel === 'mail') return MAIL.test(to.trim()) ? null : 'This is no mail address.'
  return DIGITS.test(to.trim()) ? null : 'This is no phone number.'
}

const fields = {
  channel: Channel,
  to: ShortText,
  subject: z.string().trim().max(200),
  text: z.string().trim().min(1, 'There is nothing to send.').max(4000),
  reason: MessageReason,
}

export const NewMessage = OwnId.extend({
  jobId: z.uuid(),
  ...fields,
  subject: fields.subject.default(''),
  reason: fields.reason.default('other'),
}).superRefine(({ channel, to }, context) => {
  const message = addressFault(channel, to)
  if (message) context.addIssue({ code: 'custom', path: ['to'], message })
})
export type NewMessage = z.input<typeof NewMessage>

/** Whether a message did not arrive, and nobody has acted on it since. */
export const isUndelivered = (state: MessageState): boolean =>
  state === 'bounced' || state === 'failed'

/** One that came back or was not taken is sent `again`, perhaps elsewhere, or the customer is `reached` otherwise. */
export const MessagePatch = Versioned.extend({
  to: fields.to.optional(),
  again: z.literal(true).optional(),
  reached: z.literal(true).optional(),
})
export type MessageChange = Omit<z.infer<typeof MessagePatch>, 'version'>

/** What the shop wrote to a customer about a job, and what became of it. */
export const Message = Stored.extend({
  jobId: z.uuid(),
  ...fields,
  state: MessageState,
  by: ShortText,
  /** Tries to hand it to the gateway. */
  tries: z.int().min(0),
  /** What the gateway calls it. */
  reference: ShortText,
  sentAt: z.iso.datetime().nullable(),
  endedAt: z.iso.datetime().nullable(),
  /** Why it came back or was not taken. */
  why: ShortText,
})
export type Message = z.infer<typeof Message>

export const MESSAGES = {
  record: 'message',
  displayName: 'a message',
  inJob: 'many',
  shownIn: ['waiting'],
  createSchema: NewMessage,
  updateSchema: MessagePatch,
  stored: Message,
  blank: {
    subject: '',
    reason: 'other',
    state: 'queued',
    by: '',
    tries: 0,
    reference: '',
    sentAt: null,
    endedAt: null,
    why: '',
  },
  entries: [],
} as const satisfies KindOfRecord
