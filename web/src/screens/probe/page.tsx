import '../../base/styles/index.css'
import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { ProbeScreen } from './ProbeScreen'

createRoot(document.getElementById('root') as HTMLElement).render(
  <StrictMode>
    <ProbeScreen />
  </StrictMode>,
)
