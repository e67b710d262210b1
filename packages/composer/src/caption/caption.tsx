import { type AnyLayer, depthAt, speedOf } from "lumbit/core";
import { isGroup, isImage, isReel, isRow, isShape, isText } from "lumbit/internal";
import {
  layerSettings,
  pageLook,
  page as pageSettings,
  place,
  type Settings,
  scene as sceneSettings,
} from "lumbit/settings";
import { Fragment, useState } from "react";
import { Button, FileTrigger } from "react-aria-components";
import { addFonts } from "../begin/add-fonts.ts";
import { layerOf, sceneOf } from "../edit/find.ts";
import { renameLayer } from "../edit/layers.ts";
import { renameScene } from "../edit/scenes.ts";
import { useComposed, useComposer } from "../state/context.ts";
import { LayerMenu } from "./layer-menu.tsx";
import { Name } from "./name.tsx";
import { saidSettings } from "./said.ts";
import { Sentences } from "./sentences.tsx";
import "./caption.css";

/** What is selected, in sentences with live values: a layer, else the scene; the page is one step further out. */
export function Caption() {
  const scene = useComposed(({ scene }) => scene);
  const selected = useComposed(({ selected }) => selected);
  const [out, setOut] = useState(false);
  const composer = useComposer();
  const layer = selected.at(-1);
  if (out && layer !== undefined) setOut(false);
  const goOut = (toPage: boolean) => {
    setOut(toPage);
    composer.select([]);
  };
  return (
    <aside className="caption" aria-label="Caption">
      <nav className="group" aria-label="What is said">
        <Button className="plain" onPress={() => goOut(true)}>
          page
        </Button>
        <Button className="plain" onPress={() => goOut(false)}>
          {scene}
        </Button>
        <LayerMenu />
      </nav>
      {out ? (
        <PageCaption />
      ) : selected.length > 1 ? (
        <Several />
      ) : layer === undefined ? (
        <SceneCaption scene={scene} />
      ) : (
        <LayerCaption scene={scene} layer={layer} />
      )}
    </aside>
  );
}

const kindOf = (layer: AnyLayer) =>
  isImage(layer)
    ? "image"
    : isText(layer)
      ? "text"
      : isShape(layer)
        ? "shape"
        : layer.markup === undefined
          ? "group"
          : "markup";

/** What a layer is, with its article. */
const articled = (layer: AnyLayer): string =>
  isImage(layer)
    ? "a picture"
    : isText(layer)
      ? "a text"
      : isShape(layer)
        ? "a shape"
        : layer.markup !== undefined
          ? "a piece of markup"
          : isReel(layer)
            ? "a reel"
            : isRow(layer)
              ? "a row"
              : "a group";

function LayerCaption({ scene, layer: name }: { scene: string; layer: string }) {
  const composer = useComposer();
  const layer = useComposed(({ page, scene }) => layerOf(page, { scene, layer: name }));
  if (!layer) return null;
  const owner = { scene, layer: name };
  const speed = speedOf(layer);
  const kind = kindOf(layer);
  const { place: _, depth, speed: ownSpeed, ...settings } = saidSettings(layerSettings, kind);
  const motion: Settings =
    layer.speed === undefined ? { ...(depth && { depth }) } : { ...(ownSpeed && { speed: ownSpeed }) };
  return (
    <>
      <Name
        name={name}
        onChange={(to) => {
          const { selected } = composer.store.getState();
          composer.edit(`${name}: called ${to}`, renameLayer(owner, to));
          if (selected.includes(name)) composer.select(selected.map((one) => (one === name ? to : one)));
        }}
      />
      <p>
        <b>{name}</b> is {articled(layer)}. {motionWords(speed)}
      </p>
      <Fragment key={`${scene} ${name}`}>
        <Sentences owner={owner} of="layer" settings={motion} always />
        <Sentences owner={owner} of="layer" part="place" settings={place} />
        <Sentences owner={owner} of="layer" settings={settings} more={{ ...place, ...settings }} />
      </Fragment>
      {isGroup(layer) && (
        <p>
          In it are
          {layer.layers.map(({ name }) => (
            <Button key={name} className="plain" onPress={() => composer.select([name])}>
              {name}
            </Button>
          ))}
        </p>
      )}
    </>
  );
}

/** What follows from a speed. */
function motionWords(speed: number): string {
  if (speed === 0) return "It lies at the horizon and stays where it is on the screen.";
  const depth = depthAt(speed);
  const where =
    Math.abs(depth) < 0.005 ? "on the page surface" : depth < 0 ? "in front of the page" : "behind the page";
  return `It is ${where} and moves at ${speed.toFixed(2)} of the page's speed.`;
}

function Several() {
  const selected = useComposed(({ selected }) => selected);
  return (
    <>
      <h2>{selected.length} layers</h2>
      <p>{selected.join(", ")}.</p>
      <p>
        Drag one of them and all of them move; a corner resizes them. <i>More</i> is what can be done with
        them together.
      </p>
    </>
  );
}

function SceneCaption({ scene }: { scene: string }) {
  const composer = useComposer();
  const count = useComposed(({ page, scene }) => sceneOf(page, scene)?.layers.length ?? 0);
  return (
    <>
      <Name
        name={scene}
        onChange={(to) => {
          const { moment } = composer.store.getState();
          composer.edit(`${scene}: called ${to}`, renameScene(scene, to));
          if (moment.scene === scene) composer.goTo({ ...moment, scene: to });
        }}
      />
      <p>
        <b>{scene}</b> is a scene{" "}
        {count === 0 ? "without layers yet" : `of ${count === 1 ? "one layer" : `${count} layers`}`}.
      </p>
      <Sentences
        key={scene}
        owner={{ scene }}
        of="scene"
        settings={saidSettings(sceneSettings)}
        more={saidSettings(sceneSettings)}
      />
    </>
  );
}

function PageCaption() {
  const composer = useComposer();
  const name = useComposed(({ name }) => name);
  const fonts = useComposed(({ page }) => page.fonts);
  return (
    <>
      <h2>{name}</h2>
      <Sentences
        owner="page"
        of="page"
        settings={saidSettings(pageSettings)}
        more={saidSettings(pageSettings)}
      />
      <Sentences owner="look" of="look" settings={saidSettings(pageLook)} more={saidSettings(pageLook)} />
      <p>
        {fonts?.length ? `It ships ${fonts.map(({ family }) => family).join(", ")}. ` : "It ships no fonts. "}
        <FileTrigger
          allowsMultiple
          acceptedFileTypes={[".woff2", ".woff", ".ttf", ".otf"]}
          onSelect={async (files) => addFonts(composer, (await composer.addFiles([...(files ?? [])])).added)}
        >
          <Button>Add font files …</Button>
        </FileTrigger>
      </p>
    </>
  );
}
