import { createApp, createSSRApp } from "vue";
import App from "./App.vue";

const root = document.getElementById("root") as HTMLElement;
(root.firstElementChild ? createSSRApp(App) : createApp(App)).mount(root);
