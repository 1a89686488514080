import { QueryClient } from '@tanstack/react-query'

/** What the window has of the server's state. */
export const queryClient = new QueryClient({
  defaultOptions: { queries: { staleTime: Number.POSITIVE_INFINITY, retry: 1, refetchOnWindowFocus: false } },
})
