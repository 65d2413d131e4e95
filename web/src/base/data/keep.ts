import { emptyOutbox, type Outbox } from './outbox'

/** The part of the browser's storage that is used, so that tests can bring their own. */
export type Keep = Pick<Storage, 'getItem' | 'setItem' | 'removeItem' | 'key' | 'length'>

const PREFIX = 'tembrix.outbox.'

/** Stores what has not reached the server, under this tab's own name. */
export function store(keep: Keep, tab: string, { entries, drafts }: Outbox): void {
  const key = PREFIX + tab
  if (entries.length === 0 && Object.keys(drafts).length === 0) keep.removeItem(key)
  else keep.setItem(key, JSON.stringify({ entries, drafts }))
}

/** What this tab and tabs no longer open (`isOpen`) left unsent; theirs is taken over. */
export function restore(keep: Keep, tab: string, isOpen: (tab: string) => boolean): Outbox {
  const keys = Array.from({ length: keep.length }, (_, at) => keep.key(at) ?? '')
  const outbox = structuredClone(emptyOutbox)
  for (const key of keys.filter((one) => one.startsWith(PREFIX)).sort()) {
    const owner = key.slice(PREFIX.length)
    if (owner !== tab && isOpen(owner)) continue
    const { entries, drafts } = read(keep.getItem(key))
    outbox.entries.push(...entries)
    Object.assign(outbox.drafts, drafts)
    if (owner !== tab) keep.removeItem(key)
  }
  store(keep, tab, outbox)
  return outbox
}

function read(text: string | null): Pick<Outbox, 'entries' | 'drafts'> {
  try {
    const { entries, drafts } = JSON.parse(text ?? '')
    if (!Array.isArray(entries)) return emptyOutbox
    return { entries: entries.map((entry) => ({ base: {}, ...entry })), drafts: drafts ?? {} }
  } catch {
    return emptyOutbox
  }
}
