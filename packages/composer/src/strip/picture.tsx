import type { AnyLayer, LayerLayout, Page, SceneLayout } from "lumbit/core";
import { fillsScene, inPaintOrder, isGroup, isImage, isShape } from "lumbit/internal";
import { useComposed } from "../state/context.ts";

/** A scene as it settles, drawn small: its pictures, shapes and the grounds of groups where they stand. */
export function Picture({ layout, page }: { layout: SceneLayout; page: Page | undefined }) {
  const pictures = useComposed(({ assets }) => assets.pictures);
  const { width, height, scene } = layout;
  const drawn = inPaintOrder(layout.layers).filter(
    ({ layer, hidden }) => !hidden && isDrawn(layer) && !inside(layout, layer.name),
  );
  return (
    <span
      className="picture"
      aria-hidden="true"
      style={{ background: scene.background ?? page?.page?.background ?? "#fff" }}
    >
      {drawn.map((own) => {
        const box = fillsScene(own.layer) ? { left: 0, top: 0, width, height } : (own.pane ?? own.box);
        const style = {
          left: `${(100 * box.left) / width}%`,
          top: `${(100 * box.top) / height}%`,
          width: `${(100 * box.width) / width}%`,
          height: `${(100 * box.height) / height}%`,
          opacity: own.opacity,
        };
        return (
          <Drawn
            key={own.name}
            own={own}
            style={style}
            url={isImage(own.layer) ? pictures[own.layer.image]?.url : undefined}
          />
        );
      })}
    </span>
  );
}

const isDrawn = (layer: AnyLayer): boolean =>
  isImage(layer) || isShape(layer) || (isGroup(layer) && layer.background !== undefined);

/** Whether a layer is in a group: its box is against that. */
const inside = ({ layers }: SceneLayout, name: string) => !layers.some((top) => top.name === name);

function Drawn({
  own: { layer },
  style,
  url,
}: {
  own: LayerLayout;
  style: React.CSSProperties;
  url: string | undefined;
}) {
  if (isImage(layer)) {
    const [x, y] = layer.subject ?? [0.5, 0.5];
    return url ? (
      <img
        src={url}
        alt=""
        draggable={false}
        style={{ ...style, objectPosition: `${100 * x}% ${100 * y}%`, objectFit: layer.fit ?? "cover" }}
      />
    ) : null;
  }
  return (
    <i
      style={{ ...style, background: layer.background, borderRadius: layer.shape === "ellipse" ? "50%" : 0 }}
    />
  );
}
