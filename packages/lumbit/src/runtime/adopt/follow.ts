import { furtherAttributes, plainLayer, plainScene } from "../../settings/index.ts";

const isElement = (node: Node): node is Element => node.nodeType === 1;
/** Every attribute that says something of a scene, a layer or another part. */
const names = [...Object.keys({ ...plainScene, ...plainLayer }), ...furtherAttributes].map(
  (name) => `data-lumbit-${name}`,
);
const settings = names.map((name) => `[${name}]`).join();

/** Calls back when attributes in an element change that say something, or elements with such come or go. */
export function followMarkup(element: HTMLElement, changed: () => void): () => void {
  const says = (node: Node) =>
    isElement(node) && (node.matches(settings) || node.querySelector(settings) !== null);
  const observer = new MutationObserver((records) => {
    const isOurs = records.every(
      ({ type, addedNodes, removedNodes }) =>
        type === "childList" && ![...addedNodes, ...removedNodes].some(says),
    );
    if (!isOurs) changed();
  });
  observer.observe(element, { subtree: true, childList: true, attributeFilter: names });
  return () => observer.disconnect();
}
