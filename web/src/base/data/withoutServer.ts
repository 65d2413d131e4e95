/**
 * Keeps the page, and what it reads, in the browser, so that it opens where the server is away. Browsers
 * do so on the machine of the server and over HTTPS only.
 */
export function openWithoutServer(): void {
  if (import.meta.env.PROD) void navigator.serviceWorker?.register('/sw.js')
}
