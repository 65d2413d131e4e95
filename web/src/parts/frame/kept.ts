/** The browser’s storage as panels want it; where it keeps nothing, nothing is remembered. */
export const kept = {
  getItem(key: string): string | null {
    try {
      return localStorage.getItem(key)
    } catch {
      return null
    }
  },
  setItem(key: string, value: string): void {
    try {
      localStorage.setItem(key, value)
    } catch {
      // The divider is where it is until the page is loaded again.
    }
  },
}
