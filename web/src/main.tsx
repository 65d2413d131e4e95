import './styles/index.css'
import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { App } from './app'
import { openStore, openWithoutServer } from './data'
import { applyTheme } from './shell'

applyTheme()
openWithoutServer()
const store = await openStore()
createRoot(document.getElementById('root') as HTMLElement).render(
  <StrictMode>
    <App store={store} />
  </StrictMode>,
)
