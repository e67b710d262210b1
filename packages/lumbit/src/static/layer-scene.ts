import {
  leastHeight,
  passageLength,
  type Scene,
  type SceneSettings,
  settleOf,
  sumLengths,
} from "../core/index.ts";
import { css, type Declarations, isHeld, passage, print } from "../markup/index.ts";
import { comment, rule } from "./commented.ts";

/** The scene: what the layer is placed in, and what its passage is measured on. */
export function sceneParts(scene: Scene, first: boolean): string[] {
  const { viewport, scene: height, length, hold } = passage;
  const held = isHeld(scene);
  const auto = first ? viewport : css.divide(length, css.number(2));
  const size = (settings: SceneSettings): Declarations => ({
    "--lumbit-h":
      settings === scene || settings.height !== undefined
        ? sumLengths([leastHeight({ ...scene, ...settings })])
        : undefined,
    "--lumbit-l":
      held && (settings === scene || settings.hold !== undefined)
        ? sumLengths([settings.hold ?? 0])
        : undefined,
  });
  return [
    comment(["The scene: the layer is placed in it, and moves while any of it is on the screen."]),
    rule({
      selector: `.${scene.name}-scene`,
      declarations: {
        "--lumbit-v": "100vh",
        ...size(scene),
        "--lumbit-length": print(passageLength(css, passage)),
        "--lumbit-settle": print(
          settleOf(css, scene.settle ?? "auto", { viewport, scene: height, length, automatic: auto }),
        ),
        position: "relative",
        isolation: "isolate",
        height: held ? print(css.add(height, hold)) : height.text,
        ...(!held && { overflow: "clip" }),
        "view-timeline": "--lumbit-scene block",
        "view-timeline-inset": "0px",
      },
    }),
    ...(scene.rules ?? []).map(({ media, ...settings }) =>
      rule({ selector: `.${scene.name}-scene`, media, declarations: size(settings) }),
    ),
    ...(held
      ? [
          rule({
            selector: `.${scene.name}-held`,
            declarations: { position: "sticky", top: 0, height: height.text, overflow: "clip" },
          }),
        ]
      : []),
    rule({
      selector: `.${scene.name}-layers`,
      declarations: { position: "absolute", inset: 0, "container-type": "size" },
    }),
  ];
}
