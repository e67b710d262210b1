/**
 * What runs in the previewed page: reloads it when there is a newer good version and shows the faults of the page
 * file until there is. It styles itself through the CSSOM, so that it works under the strictest policy.
 */
export const clientScript = `
const version = Number(document.currentScript.dataset.version);
const sheet = new CSSStyleSheet();
sheet.replaceSync(\`
  :host { all: initial; position: fixed; z-index: 2147483647; inset: auto 16px 16px; display: block; }
  [role=alert] { box-sizing: border-box; max-width: 90ch; max-height: 50vh; margin: 0 auto; padding: 14px 18px; overflow: auto;
    border-left: 6px solid #d8432f; border-radius: 4px; background: #fffaf3; color: #221510;
    box-shadow: 0 6px 30px #0008; font: 14px/1.5 ui-monospace, monospace; overflow-wrap: anywhere; }
  p { margin: 0 0 8px; font: 600 14px/1.4 system-ui, sans-serif; }
  ol { margin: 0; padding: 0; list-style: none; }
  li + li { margin-top: 8px; }
  b { color: #a52a18; }
\`);
const host = document.createElement("div");
const panel = Object.assign(host.attachShadow({ mode: "open" }).appendChild(document.createElement("div")), { role: "alert" });
host.shadowRoot.adoptedStyleSheets = [sheet];
new EventSource("/lumbit-preview/events").onmessage = ({ data }) => {
  const state = JSON.parse(data);
  if (state.version !== version && state.message === "") return location.reload();
  if (state.message === "") return host.remove();
  const line = (tag, text) => Object.assign(document.createElement(tag), { textContent: text });
  const list = document.createElement("ol");
  for (const { file, line: row, column, path, message } of state.faults) {
    const item = list.appendChild(document.createElement("li"));
    item.append(line("b", file + ":" + row + ":" + column), path ? " at " + path + ": " : ": ", message);
  }
  panel.replaceChildren(line("p", state.message), list);
  document.body.append(host);
};
`;
