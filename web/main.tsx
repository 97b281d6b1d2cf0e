import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { Provider } from 'react-redux'
import { BrowserRouter } from 'react-router'
import { App } from './app/App.tsx'
import { store } from './state/store.ts'
import { FaultBoundary } from './ui/FaultBoundary.tsx'
import './app.css'

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <Provider store={store}>
      <BrowserRouter>
        <FaultBoundary what="The page" of="">
          <App />
        </FaultBoundary>
      </BrowserRouter>
    </Provider>
  </StrictMode>,
)

if (import.meta.env.PROD) void import('./app/offline.ts').then(({ keepOffline }) => keepOffline())
