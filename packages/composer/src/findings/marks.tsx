import type { Finding } from "lumbit/checks";
import type { Box, PageLayout, Size } from "lumbit/core";
import { intersection } from "lumbit/internal";
import { sceneBox, shownIn } from "../desk/shown.ts";
import type { Stands } from "../stage/messages.ts";
import { useComposed, useComposer } from "../state/context.ts";
import { goTo } from "./go-to.ts";
import { heldOn } from "./judged.ts";
import "./marks.css";

const none: readonly Finding[] = [];
const useFindings = () => useComposed(({ judged }) => judged?.findings) ?? none;

/** Marks what findings are about on a stage, where they hold as it is scrolled. */
export function MarksOnStage({ stands: { layout, scroll }, scale }: { stands: Stands; scale: number }) {
  const held = heldOn(useFindings(), layout.viewport).filter(
    ({ from, to }) => from <= scroll && scroll <= to,
  );
  return held.map(({ finding }) => {
    const box = boxOf(finding, layout, scroll);
    const seen = box && intersection(box, { left: 0, top: 0, ...layout.viewport });
    return (
      seen && <Mark key={keyOf(finding)} finding={finding} style={markPlace(seen, layout.viewport, scale)} />
    );
  });
}

/** How large a mark is, and how large a layer has to be drawn for one to lie on it, in px. */
const size = 24;
const roomForOne = 72;

/** Where a mark lies: in the corner of what it is of, or beside what is small, which is to be taken hold of. */
function markPlace(seen: Box, { width }: Size, scale: number): React.CSSProperties {
  const [left, right, top] = [seen.left, seen.left + seen.width, seen.top].map((px) => px * scale) as [
    number,
    number,
    number,
  ];
  const isSmall = Math.min(seen.width, seen.height) * scale < roomForOne;
  if (!isSmall) return { left: right - size, top };
  return { left: right + size <= width * scale ? right : left - size, top };
}

/** Marks where findings hold along the scroll, beside the strip: the middle of the screen is there then. */
export function MarksOnStrip({ layout, scale }: { layout: PageLayout; scale: number }) {
  return heldOn(useFindings(), layout.viewport).map(({ finding, from, to }) => (
    <Mark
      key={`${keyOf(finding)} ${from}`}
      finding={finding}
      style={{ top: (from + layout.viewport.height / 2) * scale, height: (to - from) * scale }}
    />
  ));
}

const keyOf = ({ rule, path }: Finding) => `${rule} ${path}`;

/** What a finding is about, on the screen. */
function boxOf({ scene, layer }: Finding, layout: PageLayout, scroll: number): Box | undefined {
  if (scene === undefined) return undefined;
  const own = shownIn(layout, scene, scroll).find(({ name }) => name.layer === layer);
  return own ? (own.pane ?? own.bounds) : sceneBox(layout, scene, scroll);
}

/** Pressed, it shows the finding; from the keyboard the list of findings does the same. */
function Mark({ finding, style }: { finding: Finding; style: React.CSSProperties }) {
  const composer = useComposer();
  return (
    <button
      type="button"
      className={`mark ${finding.severity}`}
      style={style}
      title={`${finding.layer ?? finding.scene}: ${finding.measured}`}
      aria-hidden="true"
      tabIndex={-1}
      onPointerDown={(event) => event.stopPropagation()}
      onClick={() => {
        goTo(composer, finding);
        composer.beside("findings");
      }}
    />
  );
}
