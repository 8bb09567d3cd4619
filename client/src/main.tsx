import { notifyManager, QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { ApiError } from './api/client';
import { App } from './app/App';
import './app/theme.css';
import { SavingProvider } from './saving/SavingContext';

// An answer is drawn in the frame it came in, not a timer later: the pointer is still down.
notifyManager.setScheduler(queueMicrotask);

const client = new QueryClient({
  defaultOptions: {
    queries: {
      refetchOnWindowFocus: false,
      retry: (failures, problem) => problem instanceof ApiError && problem.mayPass && failures < 2,
      retryDelay: 400,
      // A server on this machine answers also when the machine itself is offline.
      networkMode: 'always',
    },
    mutations: { networkMode: 'always' },
  },
});

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <QueryClientProvider client={client}>
      <BrowserRouter>
        <SavingProvider>
          <App />
        </SavingProvider>
      </BrowserRouter>
    </QueryClientProvider>
  </StrictMode>,
);
