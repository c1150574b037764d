import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { brotliCompressSync } from "node:zlib";
import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig, type Plugin } from "vite";
import { VitePWA } from "vite-plugin-pwa";

/** Lays every script, style and page packed by brotli beside itself, as tightly as can be. */
const packed: Plugin = {
  name: "packed",
  apply: "build",
  closeBundle: {
    sequential: true,
    order: "post",
    handler() {
      for (const name of readdirSync("dist", { recursive: true, encoding: "utf8" }))
        if (/\.(js|css|svg|html)$/.test(name))
          writeFileSync(join("dist", `${name}.br`), brotliCompressSync(readFileSync(join("dist", name))));
    },
  },
};

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
    packed,
  ],
  build: { assetsInlineLimit: 0, modulePreload: { polyfill: false } },
});
