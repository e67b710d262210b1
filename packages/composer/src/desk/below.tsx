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
import { useComposed, useComposer } from "../state/context.ts";
import { play } from "../state/play.ts";
import { AddScreen } from "./add-screen.tsx";
import { type Zoom, zooms } from "./zooms.ts";

/** What stands below the stages: what scrolls them, what comes into the scene, how large they are drawn. */
export function Below({ zoom, onZoom }: { zoom: Zoom; onZoom(zoom: Zoom): void }) {
  return (
    <div className="below">
      <Play />
      <Scrub />
      <Add />
      <MenuTrigger>
        <Button>Large stage {zoom.words}</Button>
        <Popover>
          <Menu
            aria-label="Zoom of the large stage"
            items={zooms}
            selectionMode="single"
            selectedKeys={[zoom.id]}
            onAction={(id) => {
              const chosen = zooms.find((one) => one.id === id);
              if (chosen) onZoom(chosen);
            }}
          >
            {({ words }) => <MenuItem>{words}</MenuItem>}
          </Menu>
        </Popover>
      </MenuTrigger>
      <AddScreen />
    </div>
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
        accept="image/*,video/*,.ora,.zip"
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
