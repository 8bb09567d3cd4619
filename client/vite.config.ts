import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  plugins: [react(), tailwindcss()],
  resolve: { alias: { '@': new URL('./src', import.meta.url).pathname } },
  server: { proxy: { '/api': 'http://127.0.0.1:5080' } },
  build: {
    outDir: '../src/HourGrid.Server/wwwroot',
    emptyOutDir: true,
    // The content security policy allows no inline data but images; keep every font a file.
    assetsInlineLimit: 0,
  },
  test: { include: ['src/**/*.test.{ts,tsx}'] },
});
