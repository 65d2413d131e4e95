import type {
  Customer,
  Fit,
  Handover,
  HandoverDocument,
  JobFile,
  ModuleRecord,
  Quote,
} from '../../things/records'

/** What stands in place of a customer whose data was erased. */
const ERASED_NAME = 'Erased customer'

/** What is left of a customer. */
export const NOBODY: Pick<Customer, 'name' | 'phone' | 'email' | 'note'> = {
  name: ERASED_NAME,
  phone: '',
  email: '',
  note: '',
}

/**
 * A job without anything that names its customer or tells their machine from others: names, addresses, words
 * typed by hand, serial numbers, photos, system reports, messages, signatures. What stays is the machine's kind
 * and its results: what was found, planned, fitted, tested and measured, and the sums.
 */
export function withoutPerson(file: JobFile): JobFile {
  return {
    ...file,
    complaint: '',
    uses: '',
    condition: '',
    ownSettings: null,
    withoutWork: file.withoutWork && { ...file.withoutWork, note: '', by: '' },
    accessories: [],
    login: null,
    followUpOn: null,
    customer: { ...file.customer, ...NOBODY },
    machine: { ...file.machine, serialNumber: '', note: '' },
    modules: file.modules.map(withoutSerial),
    readings: [],
    photos: [],
    messages: [],
    quotes: file.quotes.map(quoteWithout),
    fits: file.fits.map(fitWithout),
    handovers: file.handovers.map(handoverWithout),
    claims: file.claims.map((claim) => ({ ...claim, what: '', serial: '', replacement: '' })),
    measurements: file.measurements.map((one) => ({ ...one, note: '' })),
    frames: file.frames.map((one) => ({ ...one, name: '' })),
    plans: file.plans.map((plan, at) => ({ ...plan, name: `Plan ${at + 1}` })),
    verifications: file.verifications.map((one) => ({
      ...one,
      // What is accepted has to have a reason.
      accepted: Object.fromEntries(Object.keys(one.accepted).map((what) => [what, 'erased'])),
    })),
  }
}

const withoutSerial = (module: ModuleRecord): ModuleRecord => ({
  ...module,
  serialNumber: '',
  note: '',
  bad: module.bad && { ...module.bad, why: '' },
})

const quoteWithout = (quote: Quote): Quote => ({
  ...quote,
  note: '',
  options: quote.options.map((option) => ({
    ...option,
    title: '',
    wording: null,
    extras: option.extras.map((extra) => ({ ...extra, text: '' })),
  })),
  approval: quote.approval && { ...quote.approval, name: ERASED_NAME },
  ended: quote.ended && { ...quote.ended, why: '' },
  document: quote.document && {
    ...quote.document,
    customerName: ERASED_NAME,
    note: '',
    options: quote.document.options.map((option) => ({
      ...option,
      title: '',
      wording: '',
      lines: option.lines.map((line) => (line.kind === 'extra' ? { ...line, text: '' } : line)),
    })),
  },
})

const fitWithout = (fit: Fit): Fit => ({
  ...fit,
  note: '',
  serials: {},
  replaced: fit.replaced.map((one) => ({ ...one, serial: '', why: '' })),
  screwPhotoId: null,
  ticks: Object.fromEntries(
    Object.entries(fit.ticks).map(([id, tick]) => [
      id,
      // A step that was left out has to have a reason.
      { ...tick, reason: tick.state === 'skipped' ? 'erased' : '' },
    ]),
  ),
})

const handoverWithout = (handover: Handover): Handover => ({
  ...handover,
  wording: {},
  returned: [],
  reasons: {},
  signed: handover.signed && { ...handover.signed, name: ERASED_NAME, drawn: null },
  collected: handover.collected && { ...handover.collected, name: ERASED_NAME },
  document: handover.document && documentWithout(handover.document),
})

const documentWithout = (document: HandoverDocument): HandoverDocument => ({
  ...document,
  customerName: ERASED_NAME,
  serialNumber: '',
  sections: [],
  fitted: document.fitted.map((part) => ({ ...part, serial: '' })),
  removed: document.removed.map((part) => ({ ...part, serial: '' })),
  accessories: [],
  open: document.open.map((point) => ({ ...point, text: '', reason: 'erased' })),
})
