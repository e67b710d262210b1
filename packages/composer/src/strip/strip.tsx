import { ListBox, ListBoxItem } from "react-aria-components";
import { useComposed, useComposer } from "../state/context.ts";
import "./strip.css";

/** The scenes of the page, in the order in which they are scrolled. */
export function Strip() {
  const composer = useComposer();
  const scenes = useComposed(({ page }) => page.scenes);
  const scene = useComposed(({ scene }) => scene);
  return (
    <nav className="strip" aria-label="Page">
      <ListBox
        aria-label="Scenes"
        selectionMode="single"
        disallowEmptySelection
        selectedKeys={[scene]}
        onSelectionChange={(keys) => {
          const [key] = [...keys];
          if (key !== undefined) composer.goTo({ scene: String(key), share: 0.5 });
        }}
        items={scenes.map(({ name }) => ({ id: name, name }))}
      >
        {({ name }) => <ListBoxItem textValue={name}>{name}</ListBoxItem>}
      </ListBox>
    </nav>
  );
}
