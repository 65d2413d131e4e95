import type { Chart } from 'chart.js'
import { saveAs } from '../../base/ui'

/** Saves a chart as a PNG on the sheet it lies on, so that it can be read anywhere. */
export function savePng(chart: Chart | null, name: string): void {
  if (!chart) return
  const { width, height } = chart.canvas
  const sheet = document.createElement('canvas')
  Object.assign(sheet, { width, height })
  const brush = sheet.getContext('2d')
  if (!brush) return
  brush.fillStyle = getComputedStyle(document.documentElement).getPropertyValue('--sheet')
  brush.fillRect(0, 0, width, height)
  brush.drawImage(chart.canvas, 0, 0)
  saveAs(sheet.toDataURL('image/png'), name)
}
