import { useCallback, useEffect, useState } from 'react'

type Theme = 'light' | 'dark'
const KEY = 'tembrix.theme'

function preferred(): Theme {
  const chosen = localStorage.getItem(KEY)
  if (chosen === 'light' || chosen === 'dark') return chosen
  return matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light'
}

export function applyTheme(theme = preferred()): void {
  document.documentElement.dataset.theme = theme
}

/** Daylight or dark bench: as the system prefers until chosen here. */
export function useTheme(): [Theme, () => void] {
  const [theme, setTheme] = useState(preferred)
  useEffect(() => applyTheme(theme), [theme])
  const toggle = useCallback(() => {
    const next = theme === 'dark' ? 'light' : 'dark'
    localStorage.setItem(KEY, next)
    setTheme(next)
  }, [theme])
  return [theme, toggle]
}
