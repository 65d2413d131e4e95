/** The class that gives a channel its hue and hatch; beyond four they come round again, told apart by letter. */
export function channelClass(channels: readonly string[], channel: string): string {
  return `channel-${(Math.max(0, channels.indexOf(channel)) % 4) + 1}`
}

/** A woven pattern of the hues of these channels, as a CSS background image. */
export function weave(channels: readonly string[], of: readonly string[]): string {
  const hues = of.map((channel) => `var(--ch-soft-${(channels.indexOf(channel) % 4) + 1})`)
  const band = 14
  const stops = hues.map((hue, at) => `${hue} ${at * band}px ${(at + 1) * band}px`).join(', ')
  const threads = (angle: number) =>
    `repeating-linear-gradient(${angle}deg, transparent 0 12px, var(--rule-2) 12px 13px)`
  return `${threads(-45)}, ${threads(45)}, repeating-linear-gradient(45deg, ${stops})`
}
