import '../../base/styles/index.css'
import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { Probe } from './Probe'

createRoot(document.getElementById('root') as HTMLElement).render(
  <StrictMode>
    <Probe />
  </StrictMode>,
)
