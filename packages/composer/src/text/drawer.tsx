import { autocompletion } from "@codemirror/autocomplete";
import { json } from "@codemirror/lang-json";
import { HighlightStyle, syntaxHighlighting } from "@codemirror/language";
import { type Diagnostic, linter } from "@codemirror/lint";
import { Annotation, EditorState } from "@codemirror/state";
import { EditorView, hoverTooltip } from "@codemirror/view";
import { tags } from "@lezer/highlight";
import { basicSetup } from "codemirror";
import { findNodeAtLocation, getLocation, parseTree } from "jsonc-parser";
import { allLayers } from "lumbit/core";
import { type Fault, formatFault } from "lumbit/document";
import { useEffect, useRef } from "react";
import { replaced } from "../edit/text.ts";
import { useComposed, useComposer } from "../state/context.ts";
import { explained, suggest } from "./suggest.ts";
import "./drawer.css";

const colors = HighlightStyle.define([
  { tag: tags.propertyName, color: "var(--ink)" },
  { tag: tags.string, color: "var(--accent)" },
  { tag: [tags.number, tags.bool, tags.null], color: "light-dark(#1d5f7a, #8fc6de)" },
  { tag: [tags.separator, tags.squareBracket, tags.brace], color: "var(--soft)" },
]);

/** How long nobody has typed before the stages follow, in ms. */
const rest = 300;

/** Marks what comes from the composer, and is not told back to it. */
const fromComposer = Annotation.define<true>();

/** The text of the page file, both ways: what is typed is on the stages, and what is done there is in the text. */
export default function TextDrawer() {
  const composer = useComposer();
  const home = useRef<HTMLDivElement>(null);
  const view = useRef<EditorView>(undefined);
  const text = useComposed(({ text }) => text);
  const fault = useComposed(({ faults }) => faults[0]);
  const scene = useComposed(({ scene }) => scene);
  const layer = useComposed(({ selected }) => selected.at(-1));

  useEffect(() => {
    if (!home.current) return;
    let typing: ReturnType<typeof setTimeout> | undefined;
    const { name, text } = composer.store.getState();
    const nonce = document.querySelector<HTMLMetaElement>('meta[property="csp-nonce"]')?.nonce;
    const editor = new EditorView({
      parent: home.current,
      state: EditorState.create({
        doc: text,
        extensions: [
          basicSetup,
          json(),
          syntaxHighlighting(colors),
          autocompletion({ override: [suggest] }),
          linter(
            async (view) => {
              const text = view.state.doc.toString();
              return diagnostics(text, name, await composer.faultsIn(text));
            },
            { delay: rest },
          ),
          hoverTooltip((view, at) => {
            const words = explained(view.state.doc.toString(), at);
            const create = () => ({
              dom: Object.assign(document.createElement("div"), {
                textContent: words,
                className: "explained",
              }),
            });
            return words === undefined ? null : { pos: at, create };
          }),
          EditorView.lineWrapping,
          EditorView.contentAttributes.of({ "aria-label": `Text of ${name}` }),
          EditorView.cspNonce.of(nonce ?? ""),
          // Whoever goes on elsewhere has typed to the end.
          EditorView.domEventHandlers({ blur: () => void (typing !== undefined && take()) }),
          EditorView.updateListener.of((update) => {
            const own = update.transactions.some((one) => one.annotation(fromComposer));
            if (update.docChanged && !own) {
              clearTimeout(typing);
              typing = setTimeout(take, rest);
            } else if (update.selectionSet && !own && editor.hasFocus) selectAt(editor);
          }),
        ],
      }),
    });
    function take(): void {
      clearTimeout(typing);
      typing = undefined;
      void composer.write(editor.state.doc.toString());
    }
    view.current = editor;
    // What is scrolled can be reached without a pointer.
    editor.scrollDOM.tabIndex = 0;
    /** Selects the layer that the cursor is in. */
    function selectAt(editor: EditorView): void {
      const { path } = getLocation(editor.state.doc.toString(), editor.state.selection.main.head);
      const { page } = composer.store.getState();
      const [list, index, inner, at] = path;
      const own = list === "scenes" ? page.scenes[Number(index)] : undefined;
      if (!own) return;
      const layer = inner === "layers" ? own.layers[Number(at)]?.name : undefined;
      const before = composer.store.getState();
      if (before.scene !== own.name) composer.goTo({ scene: own.name, share: 0.5 });
      if (before.selected.at(-1) !== layer) composer.select(layer === undefined ? [] : [layer], own.name);
    }
    return () => {
      clearTimeout(typing);
      editor.destroy();
    };
  }, [composer]);

  useEffect(() => {
    const editor = view.current;
    const before = editor?.state.doc.toString() ?? text;
    if (!editor || before === text) return;
    // Of what is typed and not right yet nothing is taken away.
    if (editor.hasFocus && !composer.read(before).page) return;
    const { at, before: gone, after } = replaced(before, text);
    editor.dispatch({
      changes: { from: at, to: at + gone.length, insert: after },
      annotations: fromComposer.of(true),
    });
  }, [composer, text]);

  useEffect(() => {
    const editor = view.current;
    if (!editor || !fault) return;
    const { doc } = editor.state;
    const line = doc.line(Math.min(fault.line, doc.lines));
    editor.dispatch({
      selection: { anchor: Math.min(line.from + fault.column - 1, line.to) },
      effects: EditorView.scrollIntoView(line.from, { y: "center" }),
      annotations: fromComposer.of(true),
    });
  }, [fault]);

  useEffect(() => {
    const editor = view.current;
    if (!editor || editor.hasFocus || fault || layer === undefined) return;
    const { page } = composer.store.getState();
    const own = page.scenes.findIndex(({ name }) => name === scene);
    const at =
      page.scenes[own]?.layers.findIndex((top) => allLayers([top]).some(({ name }) => name === layer)) ?? -1;
    const root = parseTree(editor.state.doc.toString());
    const node = root && findNodeAtLocation(root, ["scenes", own, "layers", at]);
    if (!node) return;
    editor.dispatch({
      selection: { anchor: node.offset, head: node.offset + node.length },
      effects: EditorView.scrollIntoView(node.offset, { y: "start", yMargin: 40 }),
      annotations: fromComposer.of(true),
    });
  }, [composer, scene, layer, fault]);

  return <section className="text" aria-label="Text of the page file" ref={home} />;
}

/** What is wrong with a text, where it stands. */
function diagnostics(text: string, name: string, faults: readonly Fault[]): Diagnostic[] {
  const starts = [0, ...[...text.matchAll(/\n/g)].map(({ index }) => index + 1)];
  return faults.map((fault) => {
    const isOwn = fault.file === name;
    const at = isOwn ? (starts[fault.line - 1] ?? 0) + fault.column - 1 : text.indexOf('"shared"');
    const message = isOwn ? fault.message : formatFault(fault);
    const from = Math.min(at, text.length);
    const word = /^("[^"]*"|[^\s,\]}]+)/.exec(text.slice(from))?.[0].length ?? 1;
    return { from, to: Math.min(from + word, text.length), severity: "error", message };
  });
}
