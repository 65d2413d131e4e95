import { engine } from './engine'

// Loaded afterwards, so that the engine is compiled meanwhile.
const { start } = await import('./program')
await start(engine)
