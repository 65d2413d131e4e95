import { Footprints } from 'lucide-react'
import { type ReactNode, useEffect, useRef, useState } from 'react'

const KEY = 'tembrix.pedal'
const USUAL = 'PageDown'
const BACK = 'PageUp'

/**
 * A foot switch sends a key: that key does what the large button does, wherever the focus is. Returns
 * what says which key it is, and lets another be learnt by pressing it.
 */
export function usePedal(onPress: () => void, onBack: (() => void) | undefined): ReactNode {
  const [key, setKey] = useState(() => localStorage.getItem(KEY) ?? USUAL)
  const [learning, setLearning] = useState(false)
  const acts = useRef({ onPress, onBack })
  acts.current = { onPress, onBack }

  useEffect(() => {
    function keyed(event: KeyboardEvent) {
      if (event.repeat || event.ctrlKey || event.metaKey || event.altKey) return
      if (learning) {
        setLearning(false)
        event.preventDefault()
        event.stopImmediatePropagation()
        if (event.key === 'Escape' || event.key === 'Tab') return
        localStorage.setItem(KEY, event.key)
        setKey(event.key)
        return
      }
      const typing = (event.target as HTMLElement).closest('input, textarea, select')
      if (typing && event.key.length === 1) return
      if (event.key === key) acts.current.onPress()
      else if (event.key === BACK) acts.current.onBack?.()
      else return
      event.preventDefault()
      event.stopImmediatePropagation()
    }
    // Before any other key of the screen: a foot switch may send one of those.
    window.addEventListener('keydown', keyed, true)
    return () => window.removeEventListener('keydown', keyed, true)
  }, [key, learning])

  return (
    <p className="flex flex-wrap items-center gap-x-3 text-sm text-ink-2">
      <span className="flex items-center gap-1.5">
        <Footprints size={15} aria-hidden />
        <kbd className="rounded-xs border border-rule-2 px-1 font-mono">
          {key === ' ' ? 'Space' : key}
        </kbd>
        done
      </span>
      <span>
        <kbd className="rounded-xs border border-rule-2 px-1 font-mono">{BACK}</kbd> back
      </span>
      <button
        type="button"
        className="inline-flex min-h-11 items-center underline"
        onClick={() => setLearning(true)}
      >
        {learning ? 'Press the foot switch now' : 'Another foot switch'}
      </button>
    </p>
  )
}
