/** The browser’s storage for how a screen is set; where it keeps nothing, that lasts until the page is loaded again. */
export const uiStorage = {
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
      // There is nothing to be done, and nothing of the shop's is lost.
    }
  },
}
