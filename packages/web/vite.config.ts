import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [react()],
  worker: { format: 'es' },
  build: { chunkSizeWarningLimit: 900, sourcemap: false },
  server: { proxy: { '/api': { target: process.env.KEEN_API ?? 'http://127.0.0.1:8420' } } },
});
