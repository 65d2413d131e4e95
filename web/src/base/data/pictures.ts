import { del, get, set } from 'idb-keyval'

/** Pictures that wait for the server, by the photo's id; where the browser keeps none, while the page is open. */
const open = new Map<string, Blob>()

const keyOf = (id: string) => `picture ${id}`

/** Keeps a picture until it has been sent. */
export async function holdPicture(id: string, picture: Blob): Promise<void> {
  open.set(id, picture)
  await set(keyOf(id), picture).catch(() => {})
}

/** A picture that waits; undefined where this browser has none. */
export const heldPicture = async (id: string): Promise<Blob | undefined> =>
  open.get(id) ?? (await get<Blob>(keyOf(id)).catch(() => undefined))

/** Lets go of a picture that was sent, or given up. */
export async function letGoOfPicture(id: string): Promise<void> {
  open.delete(id)
  await del(keyOf(id)).catch(() => {})
}
