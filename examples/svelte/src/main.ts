import { hydrate, mount } from "svelte";
import App from "./App.svelte";

const target = document.getElementById("root") as HTMLElement;
if (target.firstElementChild) hydrate(App, { target });
else mount(App, { target });
