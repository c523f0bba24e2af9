import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";
import { VitePWA } from "vite-plugin-pwa";
import { docPages } from "./docPages.ts";

export default defineConfig({
  plugins: [
    react({ compiler: true }),
    docPages(),
    // The application itself opens without a network; what it shows comes from the device then.
    VitePWA({
      registerType: "autoUpdate",
      injectRegister: false,
      manifest: {
        name: "Nokko",
        short_name: "Nokko",
        description: "Stance planner, fitting log and geometry check",
        start_url: "/",
        display: "standalone",
        background_color: "#f7f5ef",
        theme_color: "#24272b",
        icons: [{ src: "/icon.svg", sizes: "any", type: "image/svg+xml" }],
      },
      workbox: {
        globPatterns: ["**/*.{js,css,html,woff2,svg}"],
        // Fetched when it is asked for: half of all that is shipped.
        globIgnores: ["**/paperPdf-*", "**/archivo-latin*.woff"],
        navigateFallbackDenylist: [
          /^\/calendar\//,
          /^\/api\//,
          /^\/openapi\//,
          /^\/healthz/,
        ],
      },
    }),
  ],
  server: {
    proxy: { "/api": "http://127.0.0.1:5080" },
    fs: { allow: [".."] },
  },
});
