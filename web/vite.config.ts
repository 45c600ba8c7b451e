import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { loadEnv } from 'vite';
import { defineConfig } from 'vitest/config';

const { ZEALOUS_SERVER } = loadEnv('', '.', 'ZEALOUS');

export default defineConfig({
  plugins: [react(), tailwindcss()],
  server: { proxy: { '/api': ZEALOUS_SERVER ?? 'http://localhost:8080' } },
  build: {
    emptyOutDir: true,
    manifest: true,
    rolldownOptions: {
      output: {
        // what opens lists and dialogs comes once, with the frame; the sign-in does without
        codeSplitting: {
          groups: [
            { name: 'react', test: /node_modules\/(react|react-dom|scheduler)\//, priority: 2 },
            {
              name: 'controls',
              test: /node_modules\/(@headlessui|@floating-ui|@react-aria|tabbable)/,
              priority: 1,
            },
          ],
        },
      },
    },
  },
  test: {
    css: { include: [/styles\.css\?raw/] },
    environment: 'jsdom',
    // one page for all files: making a new one for each takes longer than its tests
    pool: 'threads',
    isolate: false,
    setupFiles: ['./src/testing.ts'],
    reporters: ['default', 'json'],
    outputFile: { json: 'target/vitest.json' },
    passWithNoTests: true,
  },
});
