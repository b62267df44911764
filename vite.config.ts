import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  root: 'web',
  plugins: [react()],
  build: { outDir: '../dist/web', emptyOutDir: true, target: 'es2022', chunkSizeWarningLimit: 900 },
  // The solver asks for it on a server only; in a page that branch is never taken.
  worker: { format: 'es', rolldownOptions: { external: ['node:module'] } },
});
