import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { BrowserRouter } from 'react-router';
import { QueryClientProvider } from '@tanstack/react-query';
import { App } from './app/App.tsx';
import { store } from './app/store.ts';
import { watchVersions } from './app/versions.ts';
import { answers } from './ring/answers.ts';
import { hands } from './ring/garden.tsx';
import { watchLook } from './ui/theme.ts';
import { wakeWorkers } from './workers/core/client.ts';
import './app/styles.css';

// The records open while the first screen is made; whoever reads them hears what went wrong.
hands.db.open().catch(() => undefined);
watchLook();
wakeWorkers();

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <Provider store={store}>
      <QueryClientProvider client={answers}>
        <BrowserRouter>
          <App />
        </BrowserRouter>
      </QueryClientProvider>
    </Provider>
  </StrictMode>,
);

// What a later visit needs is put away once this one stands.
const QUIET_MS = 2500;
if (import.meta.env.PROD) setTimeout(watchVersions, QUIET_MS);
