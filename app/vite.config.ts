import { createHash } from "node:crypto";
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";
import license from "rollup-plugin-license";
import { VitePWA } from "vite-plugin-pwa";

/** Other for every other core, its data with it. */
function coreBuild(): string {
  const core = join(import.meta.dirname, "../core/src");
  const hash = createHash("sha256");
  const files = readdirSync(core, { recursive: true, encoding: "utf8" }).filter((file) => file.endsWith(".ts"));
  for (const file of files.sort()) hash.update(file).update(readFileSync(join(core, file)));
  return hash.digest("hex").slice(0, 16);
}

export default defineConfig(({ command }) => ({
  root: import.meta.dirname,
  define: command === "build" ? { CORE_BUILD: JSON.stringify(coreBuild()) } : {},
  plugins: [
    react(),
    VitePWA({
      registerType: "prompt",
      injectRegister: false,
      inlineWorkboxRuntime: true,
      manifest: {
        name: "Tembrak",
        short_name: "Tembrak",
        description: "Heat treating simple steel by colour, magnet and thermometer",
        theme_color: "#0d1215",
        background_color: "#0d1215",
        display: "standalone",
        start_url: "/",
        icons: [{ src: "/icon.svg", sizes: "any", type: "image/svg+xml" }],
      },
      workbox: {
        globPatterns: [
          "**/*.{js,css,html,svg}",
          "**/*ysabeau-office-latin-wght-normal*.woff2",
          "**/*barlow-semi-condensed-latin-{500,600}-normal*.woff2",
        ],
        importScripts: ["/notified.js"],
        navigateFallback: "/index.html",
        navigateFallbackDenylist: [/^\/api\//],
      },
    }),
    // The licence texts of all that is shipped lie beside it.
    license({ thirdParty: { includePrivate: false, output: { file: join(import.meta.dirname, "dist/licences.txt") } } }),
  ],
  css: { transformer: "lightningcss", lightningcss: { drafts: { customMedia: true } } },
  build: {
    outDir: "dist",
    emptyOutDir: true,
    assetsInlineLimit: 0,
    target: "es2022",
    chunkSizeWarningLimit: 900,
    // Schemas are made by calls that do nothing else: a page that only wants the words of one does not load them, nor what makes them.
    rolldownOptions: {
      treeshake: {
        propertyReadSideEffects: false,
        manualPureFunctions: ["Type", "strict", "tagged", "choice", "between", "limited", "taggedOf", "oneNumberOf", "deep"],
        moduleSideEffects: [{ test: /typebox/, sideEffects: false }],
      },
    },
  },
  worker: { format: "es" },
}));
