/** Saves what an address holds as a file. */
export function saveAs(href: string, name: string): void {
  const link = document.createElement('a')
  link.href = href
  link.download = name
  link.click()
}
