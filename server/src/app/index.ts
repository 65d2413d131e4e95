export { createApp } from './app'
export { serve } from './serve'
