import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";
import { VitePWA } from "vite-plugin-pwa";

export default defineConfig({
  plugins: [
    react(),
    tailwindcss(),
    VitePWA({
      registerType: "autoUpdate",
      injectRegister: false, // the page asks for it once somebody bakes
      manifest: {
        name: "Rise Pan",
        short_name: "Rise Pan",
        description: "Plan, measure and time a loaf in your own bread machine.",
        start_url: "/",
        display: "standalone",
        background_color: "#e4ebf2",
        theme_color: "#16366f",
        icons: [
          { src: "/icon.svg", sizes: "any", type: "image/svg+xml" },
          { src: "/icon-192.png", sizes: "192x192", type: "image/png" },
          { src: "/icon-512.png", sizes: "512x512", type: "image/png" },
          { src: "/icon-512-whole.png", sizes: "512x512", type: "image/png", purpose: "maskable" },
        ],
      },
      workbox: {
        globPatterns: ["**/*.{js,css,html,svg,woff2}"],
        globIgnores: ["**/Plots-*.js"], // the plots of a story: large, and seldom looked at by floury hands
        navigateFallback: "/index.html",
        navigateFallbackDenylist: [/^\/api\//, /^\/house\.crt$/, /^\/(healthz|readyz)$/],
        cleanupOutdatedCaches: true,
      },
    }),
  ],
  build: { assetsInlineLimit: 0, modulePreload: { polyfill: false } },
});
