/** What settings say for documents and tools, and nothing that runs in a page reads. */
const told = new Set(["meaning", "otherwise"]);

/** Leaves out of the tables of settings what only documents need, for what is loaded with pages. */
export const withoutMeanings = () => ({
  name: "without-meanings",
  transform(code, id) {
    if (!/[\\/]src[\\/]settings[\\/][^\\/]+\.ts$/.test(id)) return;
    const spans = [];
    const visit = (node) => {
      if (Array.isArray(node)) return node.forEach(visit);
      if (typeof node !== "object" || node === null) return;
      if (node.type === "Property" && told.has(node.key?.name)) spans.push([node.start, node.end]);
      else Object.values(node).forEach(visit);
    };
    visit(this.parse(code, { lang: "ts" }).body);
    if (spans.length === 0) return;
    let shorter = code;
    // From the end, so that places before stay right; a comma goes with what it ends. Lines stay, and so do source maps.
    for (const [start, end] of spans.reverse()) {
      const after = /^\s*,/.exec(shorter.slice(end))?.[0].length ?? 0;
      const blank = shorter.slice(start, end + after).replace(/[^\n]/g, " ");
      shorter = shorter.slice(0, start) + blank + shorter.slice(end + after);
    }
    return { code: shorter, map: null };
  },
});
