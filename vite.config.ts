import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

/** What the Bench reads while the server cannot be reached: who is signed in, the job, the clock, the floor, its files' list. */
const READ_AT_THE_BENCH =
  /\/api\/(session|my\/clock|floor|library|stages|jobs\/\d{2}-\d{3,5}(\/files)?|files\/[a-z]+\/[^/]+|people)$/;

const LARGEST_PRECACHED = 3_000_000;

export default defineConfig({
  root: 'web',
  plugins: [
    react(),
    VitePWA({
      injectRegister: null,
      registerType: 'autoUpdate',
      manifest: {
        name: 'Dajo',
        short_name: 'Dajo',
        description: 'The workshop that converts vehicles to electric drive',
        start_url: '/',
        display: 'standalone',
        background_color: '#e6ebe9',
        theme_color: '#12403a',
        icons: [{ src: '/mark.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' }],
      },
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,woff2}'],
        maximumFileSizeToCacheInBytes: LARGEST_PRECACHED,
        cleanupOutdatedCaches: true,
        clientsClaim: true,
        // The page itself is asked for each time, so that a new version is seen at once; the kept one is for when nobody answers.
        navigateFallback: null,
        runtimeCaching: [
          {
            urlPattern: ({ request }) => request.mode === 'navigate',
            handler: 'NetworkFirst',
            options: { cacheName: 'page', networkTimeoutSeconds: 8, precacheFallback: { fallbackURL: 'index.html' } },
          },
          {
            urlPattern: READ_AT_THE_BENCH,
            handler: 'NetworkFirst',
            options: {
              cacheName: 'bench',
              networkTimeoutSeconds: 8,
              cacheableResponse: { statuses: [200] },
              expiration: { maxEntries: 60, maxAgeSeconds: 7 * 86_400 },
            },
          },
        ],
      },
    }),
  ],
  build: { outDir: '../dist/web', emptyOutDir: true, target: 'es2022', chunkSizeWarningLimit: 900 },
  // The solver asks for it on a server only; in a page that branch is never taken.
  worker: { format: 'es', rolldownOptions: { external: ['node:module'] } },
});
