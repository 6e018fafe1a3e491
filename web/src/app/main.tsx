import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/bricolage-grotesque';
import { ChakraProvider } from '@chakra-ui/react';
import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router';
import { Notices } from '../shared/notices';
import { outbox, queries } from '../shared/queries';
import { UnitProvider } from '../shared/units';
import { documents } from './documents';
import { router } from './routes';
import { applyScheme } from './scheme';
import { system } from './theme';

applyScheme();

outbox.open(documents);

const root = document.getElementById('root');
if (!root) throw new Error('The page has no root element.');
createRoot(root).render(
  <StrictMode>
    <ChakraProvider value={system}>
      <QueryClientProvider client={queries}>
        <UnitProvider>
          <RouterProvider router={router} />
          <Notices />
        </UnitProvider>
      </QueryClientProvider>
    </ChakraProvider>
  </StrictMode>,
);
