import { useEffect, useRef, useState } from "react";
import {
  Button,
  Menu,
  MenuItem,
  MenuTrigger,
  Popover,
  Slider,
  SliderThumb,
  SliderTrack,
  ToggleButton,
} from "react-aria-components";
import { addNew, pastePictures } from "../begin/add-pictures.ts";
import { Hint } from "../hints/hint.tsx";
import { type Command, Commands } from "../menu.tsx";
import { useComposed, useComposer } from "../state/context.ts";
import { play } from "../state/play.ts";
import { mostScreens, type Screen, screenNamed, usualScreens } from "./screens.ts";
import { Stage } from "./stage.tsx";
import "./desk.css";

/** How large the large stage is drawn: as large as there is room, or at a share of its own size. */
const zooms = [
  { id: "fit", words: "fits", zoom: undefined },
  { id: "50", words: "50 %", zoom: 0.5 },
  { id: "75", words: "75 %", zoom: 0.75 },
  { id: "100", words: "100 %", zoom: 1 },
];

/** All stages, and what scrolls them. */
export function Desk() {
  const screens = useComposed(({ screens }) => screens);
  const [zoom, setZoom] = useState(zooms[0]);
  return (
    <main className="desk" aria-label="Stages">
      <div className="stages" data-small={screens.length - 1}>
        {screens.map((screen, index) => (
          <Stage
            key={`${screen.width} ${screen.height}`}
            screen={screen}
            large={index === 0}
            zoom={index === 0 ? zoom?.zoom : undefined}
          >
            <ScreenMenu screen={screen} index={index} />
          </Stage>
        ))}
      </div>
      <Hint step="play">Scroll over a screen, or press Play: all screens show the same moment.</Hint>
      <Hint step="place">Drag what you see to its place. Click again for what is behind it.</Hint>
      <div className="below">
        <Play />
        <Scrub />
        <Add />
        <MenuTrigger>
          <Button>Large stage {zoom?.words}</Button>
          <Popover>
            <Menu
              aria-label="Zoom of the large stage"
              items={zooms}
              selectionMode="single"
              selectedKeys={[zoom?.id ?? "fit"]}
              onAction={(id) => setZoom(zooms.find((one) => one.id === id))}
            >
              {({ words }) => <MenuItem>{words}</MenuItem>}
            </Menu>
          </Popover>
        </MenuTrigger>
        <AddScreen />
      </div>
    </main>
  );
}

/** A screen's name and size, and what can be done with it. */
function ScreenMenu({ screen, index }: { screen: Screen; index: number }) {
  const composer = useComposer();
  const screens = useComposed(({ screens }) => screens);
  const { name, width, height, still } = screen;
  const others = screens.filter((one) => one !== screen);
  const becomes = (other: Screen) => composer.show(screens.with(index, other));
  const commands: Command[] = [
    {
      ...{ id: "large", words: "Make it the large one", can: index > 0 },
      do: () => composer.show([screen, ...others]),
    },
    {
      ...{ id: "rotate", words: "Turn it on its side", can: true },
      do: () => becomes({ ...screen, name: screenNamed(height, width), width: height, height: width }),
    },
    {
      ...{ id: "still", words: still ? "Show it moving" : "Show less motion, and print", can: true },
      do: () => becomes({ name, width, height, ...(!still && { still: true }) }),
    },
    { ...{ id: "remove", words: "Take it away", can: others.length > 0 }, do: () => composer.show(others) },
  ];
  return (
    <Commands label={`The ${name}`} commands={commands} className="plain">
      {name}{" "}
      <span className="quiet">
        {width} × {height}
        {still && ", less motion and print"}
      </span>
    </Commands>
  );
}

/** What comes into the scene: pictures from files, words, shapes. */
function Add() {
  const composer = useComposer();
  const chosen = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={chosen}
        type="file"
        accept="image/*"
        multiple
        hidden
        aria-label="Pictures"
        onChange={({ target }) => {
          void pastePictures(composer, [...(target.files ?? [])]);
          target.value = "";
        }}
      />
      <MenuTrigger>
        <Button>Add a layer</Button>
        <Popover>
          <Menu
            aria-label="New layers"
            onAction={(what) =>
              what === "pictures"
                ? chosen.current?.click()
                : void addNew(composer, what as "words" | "rectangle" | "ellipse")
            }
          >
            <MenuItem id="pictures">Pictures …</MenuItem>
            <MenuItem id="words">Words</MenuItem>
            <MenuItem id="rectangle">A rectangle</MenuItem>
            <MenuItem id="ellipse">An ellipse</MenuItem>
          </Menu>
        </Popover>
      </MenuTrigger>
    </>
  );
}

function AddScreen() {
  const composer = useComposer();
  const screens = useComposed(({ screens }) => screens);
  const offered = usualScreens.filter(
    ({ width, height }) => !screens.some((one) => one.width === width && one.height === height),
  );
  return (
    <MenuTrigger>
      <Button isDisabled={screens.length >= mostScreens}>Add a screen</Button>
      <Popover>
        <Menu
          aria-label="Screens"
          items={offered.map((screen) => ({ id: screen.name, screen }))}
          onAction={(id) => {
            const screen = offered.find(({ name }) => name === id);
            if (screen) composer.show([...screens, screen]);
          }}
        >
          {({ screen: { name, width, height } }) => (
            <MenuItem textValue={name}>
              {name}{" "}
              <span className="quiet">
                {width} × {height}
              </span>
            </MenuItem>
          )}
        </Menu>
      </Popover>
    </MenuTrigger>
  );
}

/** Where in the passage of the scene all stages are. */
function Scrub() {
  const composer = useComposer();
  const { scene, share } = useComposed(({ moment }) => moment);
  return (
    <Slider
      className="scrub"
      aria-label="Place in the passage of the scene"
      minValue={0}
      maxValue={1}
      step={0.005}
      value={Math.min(Math.max(share, 0), 1)}
      formatOptions={{ style: "percent" }}
      onChange={(share) => composer.goTo({ scene, share })}
    >
      <SliderTrack>
        <SliderThumb />
      </SliderTrack>
    </Slider>
  );
}

/** A calm scroll through the scene and back. */
function Play() {
  const composer = useComposer();
  const scene = useComposed(({ scene }) => scene);
  const [playing, setPlaying] = useState(false);
  useEffect(() => {
    if (!playing || !scene) return;
    composer.did("play");
    return play(composer);
  }, [composer, playing, scene]);
  return (
    <ToggleButton isSelected={playing} onChange={setPlaying}>
      {playing ? "Stop" : "Play"}
    </ToggleButton>
  );
}
