import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { compression } from 'vite-plugin-compression2';
import { VitePWA } from 'vite-plugin-pwa';
import { ahead } from './ahead.plugin.ts';
import { globals, noSecondGlobals } from './globals.plugin.ts';
import { words } from './words.plugin.ts';

export default defineConfig({
  // Compressed once as small as it goes, beside the files themselves (see the server's Precompressed).
  plugins: [
    words(),
    globals(),
    noSecondGlobals(),
    react(),
    ahead(['theme', 'start'], {
      '/': ['HomePage'],
      '/dogs/*/measure': ['DogLayout', 'BenchPage'],
      '/dogs/*/fit': ['DogLayout', 'FitPage'],
      '/dogs/*/wear': ['DogLayout', 'WearPage'],
      '/sessions/*': ['SessionPage'],
    }),
    // The product itself comes up without the server (docs/decisions/0029). Its first page is asked for there first, so that an update is not missed.
    VitePWA({
      injectRegister: null,
      manifest: {
        id: '/',
        name: 'Jaunty Badge',
        short_name: 'Jaunty Badge',
        description: 'Fit muzzles to dogs, and dogs to muzzles.',
        start_url: '/',
        display: 'standalone',
        background_color: '#f6f1e7',
        theme_color: '#f6f1e7',
        icons: [
          { src: '/badge.svg', sizes: 'any', type: 'image/svg+xml' },
          { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
        ],
      },
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,woff2}'],
        navigateFallback: null,
        directoryIndex: null,
        cleanupOutdatedCaches: true,
        // A new one waits until somebody asks for it: never in a session.
        skipWaiting: false,
        clientsClaim: true,
        inlineWorkboxRuntime: true,
        runtimeCaching: [
          {
            urlPattern: ({ request }) => request.mode === 'navigate',
            handler: 'NetworkOnly',
            options: { precacheFallback: { fallbackURL: 'index.html' } },
          },
        ],
      },
    }),
    compression({ algorithms: ['brotliCompress'], include: /\.(js|css|svg)$/, threshold: 1024 }),
  ],
  build: {
    outDir: '../src/JauntyBadge.Server/wwwroot',
    emptyOutDir: true,
    chunkSizeWarningLimit: 800,
    target: 'es2022',
    // What the pad needs is held ready while somebody looks at another page: asked for all at once, it would hold that up.
    modulePreload: { resolveDependencies: (file, needed) => (/SessionPage/.test(file) ? [] : needed) },
    // A few pieces for the first page instead of fifty: a phone asks for six at a time.
    rolldownOptions: {
      // So that what Chakra ships and we leave out is left out: its default theme is made by one of these.
      treeshake: {
        manualPureFunctions: [
          'defineConfig',
          'defineSlotRecipe',
          'defineRecipe',
          'defineSemanticTokens',
          'defineTokens',
        ],
      },
      output: {
        codeSplitting: {
          groups: [
            {
              name: 'styles',
              test: /@chakra-ui.react.dist.esm.(styled-system|preset-base|utils|anatomy|merge)|@emotion|stylis|anatomy/,
            },
            {
              name: 'base',
              test: /node_modules.(react|react-dom|scheduler|react-router|openapi-fetch|@tanstack|@lingui)[\\/]|src.shared.(language|saving.device)/,
            },
            {
              name: 'shared',
              test: /src.(round.OnNow|conditioning.(useStartSession|tables)|wearing.(useWearing|unheard)|handover.useHandover|people.(NoteButton|useNews|useAtHand)|(shared|app)[\\/](?!language|words|Badge|[Gg]roup|Mark|Parts|saving.device|Toasts|Slide|Why|Amount|NumbersPage|AboutPage|form[\\/]|fields|Choice|Answer|DayField|useCalm|Cautions|aids|drawing|bytes|useKept|useTreatsLeft|Settings|useAskedForKeys|UnitChoice|Shortcuts|SignButtons|saving.(drafts|useKeptForm|useSubmit|useDocumentForm|FormEnd|Conflict|LeaveButton|differences)|main|theme|start))/,
            },
            // What stands round every page of a dog, and what is in hand of a fit.
            {
              name: 'dog',
              test: /src.(dogs.DogLayout|shared.(words|Badge|[Gg]roup|Mark|Parts|Why|Cautions|drawing|Slide))|hotkeys-hook/,
            },
            {
              name: 'fit',
              test: /src.fitting.(FitPage|MuzzleDetail|FitView|Brief|facts|strap|ReadIt|chance|useFits|useIsWide|Ways)/,
            },
            // What forms are made of: in forty pieces, each would wait its turn on the line.
            { name: 'forms', test: /node_modules.react-hook-form/ },
            { name: 'field', test: /@ark-ui.react.dist.components.field[\\/]/ },
            {
              name: 'controls',
              test: /@zag-js.checkbox[\\/]|@ark-ui.react.dist.components.checkbox[\\/]/,
            },
          ],
        },
      },
    },
  },
  // See bin/dev. The server is told the address that the page came by, as it wants of whoever changes something.
  server: {
    proxy: { '/api': { target: process.env.JAUNTY_BADGE_SERVER ?? 'http://127.0.0.1:5081', changeOrigin: false } },
  },
});
