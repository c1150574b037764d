import { createHash } from "node:crypto";
import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { brotliCompressSync } from "node:zlib";
import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig, type Plugin } from "vite";

const dist = "dist";

/** Tells the service worker which files the program is, and lays every script, style and page packed by brotli beside
    itself, as tightly as can be. */
const packed: Plugin = {
  name: "packed",
  apply: "build",
  closeBundle: {
    sequential: true,
    order: "post",
    handler() {
      const all = readdirSync(dist, { recursive: true, encoding: "utf8" }).map((name) => name.replaceAll("\\", "/"));
      const program = all.filter((name) => /\.(js|css|html|svg|woff2|webmanifest)$/.test(name)).sort();
      const sum = createHash("sha256");
      for (const name of program) sum.update(name).update(readFileSync(join(dist, name)));
      const worker = readFileSync("sw.js", "utf8")
        .replace("NAME", `rise-pan ${sum.digest("hex").slice(0, 16)}`)
        .replace("FILES", JSON.stringify(program.map((name) => `/${name}`)));
      writeFileSync(join(dist, "sw.js"), worker);
      for (const name of [...all, "sw.js"])
        if (/\.(js|css|svg|html)$/.test(name)) writeFileSync(join(dist, `${name}.br`), brotliCompressSync(readFileSync(join(dist, name))));
    },
  },
};

export default defineConfig({
  plugins: [react(), tailwindcss(), packed],
  build: { assetsInlineLimit: 0, modulePreload: { polyfill: false } },
});
