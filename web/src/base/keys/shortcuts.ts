/** Every key that does something wherever one is in the program, or on the screens it is said for. */
export const SHORTCUTS = {
  board: { keys: 'b', shown: ['B'], does: 'open or close the board' },
  boardAlone: { keys: 'shift+b', shown: ['Shift', 'B'], does: 'the board alone, and back' },
  undo: { keys: 'mod+z', shown: ['Ctrl', 'Z'], does: 'undo' },
  redo: { keys: ['mod+y', 'mod+shift+z'], shown: ['Ctrl', 'Y'], does: 'redo' },
  legend: { keys: 'shift+slash', shown: ['?'], does: 'show these keys' },
} as const satisfies Record<string, Shortcut>

interface Shortcut {
  /** As `react-hotkeys-hook` writes them. */
  keys: string | readonly string[]
  /** As they stand on the keyboard. */
  shown: readonly string[]
  does: string
}

export type ShortcutName = keyof typeof SHORTCUTS
