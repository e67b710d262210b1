import { render as renderSvelte } from "svelte/server";
import App from "./App.svelte";

/** The page as the server sends it. */
export const render = () => renderSvelte(App).body;
