export { useZoom } from './useZoom'
export { ZoomButtons } from './ZoomButtons'
