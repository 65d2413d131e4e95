import { useCallback } from 'react'
import { useSearchParams } from 'react-router'

/** The open one of a screen’s tabs, which stands in its address; the first where it names none. */
export function useTab<T extends string>(tabs: readonly [T, ...T[]]): [T, (next: string) => void] {
  const [search, setSearch] = useSearchParams()
  const asked = search.get('tab')
  const setTab = useCallback(
    (next: string) => setSearch({ tab: next }, { replace: true }),
    [setSearch],
  )
  return [tabs.find((one) => one === asked) ?? tabs[0], setTab]
}
