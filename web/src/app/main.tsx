import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { lazy, StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { App } from './App';
import '../styles.css';

const Routed = lazy(async () => ({ default: (await import('./Routed')).Routed }));

const queries = new QueryClient({
  defaultOptions: { queries: { retry: false, refetchOnWindowFocus: false, staleTime: 60_000 } },
});

const root = document.getElementById('root');
if (root) {
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={queries}>
        <App>
          <Routed />
        </App>
      </QueryClientProvider>
    </StrictMode>,
  );
}
