import '../src/theme/global.css';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { Slot, type ErrorBoundaryProps } from 'expo-router';
import { useState } from 'react';
import { OutboxProvider } from '../src/data/outbox-provider';
import { openedOnAJob, rememberOpening } from '../src/nav/addressed';
import { fetchFirstPages } from '../src/nav/pages';
import { useFocusKept } from '../src/shell/focus-kept';
import { useKeptApp } from '../src/shell/keep-app';
import { NewerBar } from '../src/shell/newer';
import { PlainHttp } from '../src/shell/plain-http';
import { SkipLink } from '../src/shell/skip-link';
import { ThemeProvider } from '../src/theme/theme';
import { Standstill } from '../src/ui/states';

rememberOpening();
// Fetched beside the rest, not after it.
if (openedOnAJob()) void fetchFirstPages();

export default function RootLayout() {
  useKeptApp();
  useFocusKept();
  const [client] = useState(
    () => new QueryClient({ defaultOptions: { queries: { retry: 1, staleTime: 2000 } } }),
  );
  return (
    <QueryClientProvider client={client}>
      <ThemeProvider>
        <OutboxProvider>
          <SkipLink />
          <PlainHttp />
          <NewerBar />
          <Slot />
        </OutboxProvider>
      </ThemeProvider>
    </QueryClientProvider>
  );
}

/** Our own defect: the work is kept, the screen can be tried again. */
export function ErrorBoundary({ error, retry }: ErrorBoundaryProps) {
  return (
    <ThemeProvider>
      <Standstill
        title="This screen failed"
        text={`What you entered is kept on this device. (${error.message})`}
        action={{ label: 'Try again', onPress: () => void retry() }}
      />
    </ThemeProvider>
  );
}
