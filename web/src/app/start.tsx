import { ChakraProvider, type SystemContext } from '@chakra-ui/react';
import { i18n } from '@lingui/core';
import { I18nProvider } from '@lingui/react';
import { QueryClientProvider } from '@tanstack/react-query';
import { startTransition, StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter, matchRoutes, type RouteObject } from 'react-router';
import { outbox, queries } from '../shared/queries';
import { askAhead, rooms } from '../shared/rooms';
import { changes } from '../shared/saving/changes';
import { openDevice } from '../shared/saving/device';
import { claimTab } from '../shared/saving/tab';
import { comeUpWithoutTheServer } from './offline';
import { Pages } from './routes';
import { applyScheme } from './scheme';

/** Brings up the product in the page. */
export async function start(system: SystemContext, routes: RouteObject[]) {
  applyScheme();
  await openDevice();
  await claimTab(() => outbox.takeOver());
  comeUpWithoutTheServer(queries);
  outbox.open([changes, ...rooms().flatMap((room) => room.documents ?? [])]);
  askAhead(matchRoutes(routes, location.pathname));
  const root = document.getElementById('root');
  if (!root) throw new Error('The page has no root element.');
  // As a transition it is drawn bit by bit.
  startTransition(() =>
    createRoot(root).render(
      <StrictMode>
        <I18nProvider i18n={i18n}>
          <ChakraProvider value={system}>
            <QueryClientProvider client={queries}>
              <BrowserRouter>
                <Pages routes={routes} />
              </BrowserRouter>
            </QueryClientProvider>
          </ChakraProvider>
        </I18nProvider>
      </StrictMode>,
    ),
  );
}
