import babel from '@rolldown/plugin-babel';
import tailwindcss from '@tailwindcss/vite';
import react, { reactCompilerPreset } from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

/** Pages are isolated from other origins, so that the workers may share memory. */
const headers = {
  'Cross-Origin-Opener-Policy': 'same-origin',
  'Cross-Origin-Embedder-Policy': 'require-corp',
};

/** Parts of the page are laid out anew only where what they show has changed: a slider moves all that reads the recipe. */
const memoized = babel({ include: /apps\/web\/src\/.*\.tsx?$/, presets: [reactCompilerPreset()] });

/** A constant is part of what the innermost loops are compiled to; a variable is read, and its kind looked at, in every turn. */
const output = { topLevelVar: false };

export default defineConfig({
  plugins: [react(), memoized, tailwindcss()],
  worker: { format: 'es', rolldownOptions: { output } },
  build: {
    chunkSizeWarningLimit: 1600,
    // That the compiler takes most of the time is known.
    rolldownOptions: { input: ['index.html', 'proof.html'], output, checks: { pluginTimings: false } },
  },
  server: { headers, proxy: { '/api': 'http://127.0.0.1:4180' } },
});
