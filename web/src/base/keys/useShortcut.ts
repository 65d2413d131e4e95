import { useHotkeys } from 'react-hotkeys-hook'
import { useCommand } from './commands'
import { SHORTCUTS, type ShortcutName } from './shortcuts'

/** Where keys are text, or belong to what lies on top. */
const TYPING =
  'input:not([type=checkbox], [type=radio]), textarea, select, [contenteditable], [role=dialog], [role=alertdialog]'

const isTyping = ({ target }: KeyboardEvent): boolean =>
  target instanceof Element && target.closest(TYPING) !== null

/**
 * Does something on its key, unless something is being typed, and by its name from the palette; while there is
 * nothing to do the key is free. `typing`: also while something is being typed.
 */
export function useShortcut(
  name: ShortcutName,
  act: (() => void) | undefined,
  { typing = false } = {},
): void {
  const { keys, does, shown } = SHORTCUTS[name]
  useCommand(does, act, shown)
  useHotkeys(
    keys,
    () => act?.(),
    {
      preventDefault: true,
      useKey: true,
      enabled: act !== undefined,
      enableOnFormTags: true,
      ignoreEventWhen: (event) => !typing && isTyping(event),
    },
    [act],
  )
}
