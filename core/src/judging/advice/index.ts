export { BELIEFS, type BeliefFigures, beliefFigures, type MemoryBelief } from './beliefs'
export {
  type BoughtLayout,
  type FreeLayout,
  isFelt,
  LAYOUT_QUESTIONS,
  LAYOUT_REASONS,
  type LayoutAdvice,
  type LayoutCase,
  type LayoutGain,
  type LayoutQuestion,
  type LayoutReason,
  layoutAdvice,
} from './layout'
export { type Move, moved } from './rearrange'
export { type SizeAnswer, type SizeRequest, SizeShape, size } from './request'
export * from './spend'
