import tailwindcss from '@tailwindcss/vite';
import babel from '@rolldown/plugin-babel';
import react, { reactCompilerPreset } from '@vitejs/plugin-react';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  plugins: [react(), babel({ presets: [reactCompilerPreset()] }), tailwindcss()],
  resolve: { alias: { '@': new URL('./src', import.meta.url).pathname } },
  server: { proxy: { '/api': 'http://127.0.0.1:5080' } },
  build: {
    outDir: '../src/HourGrid.Server/wwwroot',
    emptyOutDir: true,
    // The content security policy allows no inline data but images; keep every font a file.
    assetsInlineLimit: 0,
    // The compiler of React takes most of the build, as is known.
    rolldownOptions: { checks: { pluginTimings: false } },
  },
  test: { include: ['src/**/*.test.{ts,tsx}'] },
});
