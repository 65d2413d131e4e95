export { axis } from './axes'
export { ChartCanvas, type Ink } from './ChartCanvas'
export { savePng } from './save'
