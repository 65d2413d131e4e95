interface Shortcut {
  /** By what they type, on any keyboard, as `react-hotkeys-hook` writes them; none where the part that has the focus takes the key itself. */
  keys?: string | readonly string[]
  /** As they stand on the keyboard. */
  shown: readonly string[]
  does: string
  where: 'everywhere' | 'at the board' | 'in a list' | 'at the bench'
}

/** Every key that does something, wherever it does. */
export const SHORTCUTS = {
  palette: {
    keys: 'mod+k',
    shown: ['Ctrl', 'K'],
    does: 'find what can be done or opened',
    where: 'everywhere',
  },
  legend: { keys: ['?', 'shift+?'], shown: ['?'], does: 'show these keys', where: 'everywhere' },
  undo: { keys: 'mod+z', shown: ['Ctrl', 'Z'], does: 'undo', where: 'everywhere' },
  redo: {
    keys: ['mod+y', 'mod+shift+z'],
    shown: ['Ctrl', 'Y'],
    does: 'redo',
    where: 'everywhere',
  },
  board: { keys: 'b', shown: ['B'], does: 'open or close the board', where: 'at the board' },
  boardAlone: {
    keys: 'shift+b',
    shown: ['Shift', 'B'],
    does: 'the board alone, and back',
    where: 'at the board',
  },
  hold: { shown: ['Enter'], does: 'pick up or put down', where: 'at the board' },
  slot: { shown: ['1–9'], does: 'into that slot', where: 'at the board' },
  takeOut: { shown: ['Del'], does: 'take out', where: 'at the board' },
  putBack: { shown: ['Esc'], does: 'put back', where: 'at the board' },
  rows: { shown: ['↑', '↓'], does: 'to the next row', where: 'in a list' },
  ends: { shown: ['Home', 'End'], does: 'to the first or last row', where: 'in a list' },
  answer: { shown: ['1–9'], does: 'choose an answer to a conflict', where: 'at the bench' },
  done: { shown: ['PageDown'], does: 'done, as a foot switch', where: 'at the bench' },
  stepBack: { shown: ['PageUp'], does: 'the step before', where: 'at the bench' },
} as const satisfies Record<string, Shortcut>

type Shortcuts = typeof SHORTCUTS

/** The shortcuts whose keys are heard wherever the focus is. */
export type ShortcutName = {
  [Name in keyof Shortcuts]: Shortcuts[Name] extends { keys: unknown } ? Name : never
}[keyof Shortcuts]
