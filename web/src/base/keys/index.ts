export { type Command, useCommand, useCommands } from './commands'
export { Keys } from './Keys'
export { SHORTCUTS, type ShortcutName } from './shortcuts'
export { useShortcut } from './useShortcut'
