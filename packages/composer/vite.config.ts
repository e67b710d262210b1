import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";

/** The app, and the document of its stages, which runs in frames that cannot reach the app. */
export default defineConfig({
  base: "./",
  plugins: [react()],
  build: {
    rolldownOptions: { input: { index: "index.html", stage: "stage.html" } },
    // Pictures and fonts as files, so that no policy has to allow data addresses.
    assetsInlineLimit: 0,
    modulePreload: { polyfill: false },
  },
});
