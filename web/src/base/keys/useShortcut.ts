import { useHotkeys } from 'react-hotkeys-hook'
import { SHORTCUTS, type ShortcutName } from './shortcuts'

/** Where keys are text, or belong to what lies on top. */
const TYPING =
  'input:not([type=checkbox], [type=radio]), textarea, select, [contenteditable], [role=dialog], [role=alertdialog]'

const isTyping = ({ target }: KeyboardEvent): boolean =>
  target instanceof Element && target.closest(TYPING) !== null

/** Does something on its key, unless something is being typed; while there is nothing to do the key is free. */
export function useShortcut(name: ShortcutName, act: (() => void) | undefined): void {
  const { keys } = SHORTCUTS[name]
  useHotkeys(
    keys,
    () => act?.(),
    {
      preventDefault: true,
      enabled: act !== undefined,
      enableOnFormTags: true,
      ignoreEventWhen: isTyping,
    },
    [act],
  )
}
