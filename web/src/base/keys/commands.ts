import { useEffect, useSyncExternalStore } from 'react'

/** Something that can be done on the screen as it is. */
export interface Command {
  name: string
  /** The keys that do it, as they stand on the keyboard. */
  shown?: readonly string[]
  act: () => void
}

let commands: readonly Command[] = []
const hearers = new Set<() => void>()

function set(next: readonly Command[]): void {
  commands = next
  for (const hear of hearers) hear()
}

function subscribe(hear: () => void): () => void {
  hearers.add(hear)
  return () => hearers.delete(hear)
}

/** All that can be done now. */
export const useCommands = (): readonly Command[] => useSyncExternalStore(subscribe, () => commands)

/** Offers something to the palette for as long as it can be done. */
export function useCommand(
  name: string,
  act: (() => void) | undefined,
  shown?: readonly string[],
): void {
  useEffect(() => {
    if (!act) return
    const command: Command = { name, act, ...(shown ? { shown } : {}) }
    set([...commands, command])
    return () => set(commands.filter((one) => one !== command))
  }, [name, act, shown])
}
