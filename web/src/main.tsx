import { QueryClientProvider } from '@tanstack/react-query'
import { createRoot } from 'react-dom/client'
import { App } from './app/App'
import { queryClient } from './server/queryClient'
import './style.css'

const root = document.getElementById('root')
if (!root) {
  throw new Error('The page has no place for the application')
}
createRoot(root).render(
  <QueryClientProvider client={queryClient}>
    <App />
  </QueryClientProvider>,
)
