import { fileURLToPath } from 'node:url'
import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'
import { VitePWA } from 'vite-plugin-pwa'

export default defineConfig({
  root: 'web',
  plugins: [
    react(),
    tailwindcss(),
    VitePWA({
      registerType: 'prompt',
      injectRegister: false,
      manifest: {
        name: 'Steady Hollow',
        short_name: 'Steady Hollow',
        description: 'Design, build and pour your own moulds for cast concrete.',
        theme_color: '#2e3a3f',
        background_color: '#e7e2d6',
        display: 'standalone',
        icons: [{ src: 'mark.svg', sizes: 'any', type: 'image/svg+xml' }],
      },
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,woff2,wasm,ttf,json,stl}'],
        maximumFileSizeToCacheInBytes: 8 * 1024 * 1024,
        navigateFallbackDenylist: [/^\/api\//],
      },
    }),
  ],
  worker: { format: 'es' },
  optimizeDeps: { exclude: ['manifold-3d'], include: ['three', 'recharts'] },
  resolve: {
    dedupe: ['react', 'react-dom', 'three'],
    // The solid library asks for it in Node only.
    alias: { 'node:module': fileURLToPath(new URL('web/worker/noNode.ts', import.meta.url)) },
  },
  build: {
    target: 'es2022',
    outDir: 'dist',
    emptyOutDir: true,
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 1000,
  },
  server: { host: '127.0.0.1' },
})
