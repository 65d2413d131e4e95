const KEY = 'tembrix.tab'
/** A page that was loaded again may hold its name so long still, ms. */
const LEAVING = 2000

const lockOf = (tab: string) => `tembrix.tab.${tab}`

/**
 * This tab's own name, the same after a reload. It is held as a lock while the tab is open, which
 * tells a tab that was duplicated from its original, and an open tab from one that is gone.
 */
export async function claimTab(): Promise<{ tab: string; isOpen: (tab: string) => boolean }> {
  const remembered = sessionStorage.getItem(KEY)
  const own = remembered && (await isClaimed(remembered)) ? remembered : crypto.randomUUID()
  if (own !== remembered) await isClaimed(own)
  sessionStorage.setItem(KEY, own)
  const { held = [] } = await navigator.locks.query()
  const open = new Set(held.map(({ name }) => name))
  return { tab: own, isOpen: (other) => open.has(lockOf(other)) }
}

/** Whether this page has the name now, for as long as it is open: not where another tab goes by it. */
function isClaimed(tab: string): Promise<boolean> {
  return new Promise((claimed) => {
    navigator.locks
      .request(lockOf(tab), { signal: AbortSignal.timeout(LEAVING) }, () => {
        claimed(true)
        return new Promise(() => {})
      })
      .catch(() => claimed(false))
  })
}
