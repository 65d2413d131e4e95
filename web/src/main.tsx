import './base/styles/index.css'
import { setNonce } from 'get-nonce'
import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { App } from './App'
import { openStore, openWithoutServer } from './base/data'
import { applyTheme } from './base/shell'

// What styles made while it runs are known by; the server gives another with each page.
setNonce(document.querySelector<HTMLMetaElement>('meta[name=csp-nonce]')?.content ?? '')
applyTheme()
openWithoutServer()
const store = await openStore()
createRoot(document.getElementById('root') as HTMLElement).render(
  <StrictMode>
    <App store={store} />
  </StrictMode>,
)
