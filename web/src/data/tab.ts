const KEY = 'tembrix.tab'
const lockOf = (tab: string) => `tembrix.tab.${tab}`

/**
 * This tab's own name, the same after a reload. It is held as a lock while the tab is open, which
 * tells a tab that was duplicated from its original, and an open tab from one that is gone.
 */
export async function claimTab(): Promise<{ tab: string; isOpen: (tab: string) => boolean }> {
  const { held = [] } = await navigator.locks.query()
  const open = new Set(held.map(({ name }) => name))
  const remembered = sessionStorage.getItem(KEY)
  const tab = remembered && !open.has(lockOf(remembered)) ? remembered : crypto.randomUUID()
  sessionStorage.setItem(KEY, tab)
  await new Promise<void>((claimed) => {
    navigator.locks.request(lockOf(tab), () => {
      claimed()
      return new Promise(() => {})
    })
  })
  return { tab, isOpen: (other) => open.has(lockOf(other)) }
}
