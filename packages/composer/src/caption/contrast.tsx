import { parse, wcagContrast } from "culori";
import { sceneOf } from "../edit/find.ts";
import { useComposed } from "../state/context.ts";

/** The contrast that letters need, and large ones (WCAG 2.2). */
const needed = { letters: 4.5, large: 3 };

/** How a color stands out from the ground of the scene: what lies behind it in pictures is for the check to see. */
export function Contrast({ color }: { color: string }) {
  const ground = useComposed(({ page, scene }) => sceneOf(page, scene)?.background ?? page.page?.background);
  if (ground === undefined || ground === color || !parse(ground) || !parse(color)) return null;
  const contrast = wcagContrast(color, ground);
  return (
    <p className="quiet">
      {contrast.toFixed(1)} : 1 on the ground of the scene,{" "}
      {contrast >= needed.letters
        ? "enough for letters of any size"
        : contrast >= needed.large
          ? "enough for large letters only"
          : "too little for letters"}
    </p>
  );
}
