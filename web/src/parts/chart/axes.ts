import type { Ink } from './ChartCanvas'

/** An axis from zero in the look of all charts. */
export const axis = (ink: Ink, title: string) => ({
  beginAtZero: true,
  title: { display: true, text: title, color: ink('--ink-2') },
  ticks: { color: ink('--ink-2') },
  grid: { color: ink('--rule') },
})
