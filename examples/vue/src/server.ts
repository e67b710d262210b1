import { createSSRApp } from "vue";
import { renderToString } from "vue/server-renderer";
import App from "./App.vue";

/** The page as the server sends it. */
export const render = () => renderToString(createSSRApp(App));
