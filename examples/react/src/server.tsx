import { StrictMode } from "react";
import { renderToString } from "react-dom/server";
import { App } from "./app.tsx";

/** The page as the server sends it. */
export const render = () =>
  renderToString(
    <StrictMode>
      <App />
    </StrictMode>,
  );
