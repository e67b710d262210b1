import { type AnyLayer, speedOf } from "lumbit/core";
import { isArranged, isGroup } from "lumbit/internal";
import type { Edit } from "../edit/edit.ts";
import {
  bundlesIn,
  checksGone,
  checksOf,
  freeName,
  layerOf,
  listOf,
  namesIn,
  sceneOf,
} from "../edit/find.ts";
import {
  addCopies,
  bundle,
  copiesOf,
  flag,
  group,
  named,
  removeLayers,
  reorder,
  spread,
  ungroup,
} from "../edit/layers.ts";
import { outOfGroup } from "../edit/place.ts";
import type { Command } from "../menu.tsx";
import { groupsAround } from "../section/arrange.ts";
import { standingNow } from "../section/depths.ts";
import type { Composer } from "../state/store.ts";
import { copyLayers } from "./clipboard.ts";

/** Everything that can be done with the selected layers. */
export function layerCommands(composer: Composer): Command[] {
  const { page, scene } = composer.store.getState();
  const names = composer.selection();
  const layers = copiesOf(page, names);
  const [first] = names;
  const [only] = layers.length === 1 ? layers : [];
  const called = only ? only.name : `${layers.length} layers`;
  const some = layers.length > 0;
  const list = first && listOf(page, first);
  const together = list !== undefined && names.every((name) => listOf(page, name) === list);
  const edit = (what: string, edit: Edit, selected?: readonly string[]) => {
    composer.edit(`${called}: ${what}`, edit);
    if (selected) composer.select(selected);
  };
  const hidden = some && layers.every(({ hidden }) => hidden);
  const locked = some && layers.every(({ locked }) => locked);
  const bundled = some && layers.every(({ bundle }) => bundle !== undefined);
  const bundleName = freeName("bundle", bundlesIn(page, scene));
  const groupName = freeName("group", namesIn(page, scene));
  const around = first && groupsAround(sceneOf(page, scene)?.layers ?? [], first.layer).at(-1);
  const inRow = around !== undefined && layerOf(page, { scene, layer: around })?.row !== undefined;
  const inner = (only && isGroup(only) ? only.layers : []).map(({ name }) => name);
  return [
    {
      ...{ id: "duplicate", words: "Duplicate", shortcut: "d", can: some },
      do() {
        const copies = named(page, scene, layers);
        edit(
          "duplicated",
          addCopies(names, copies),
          copies.map(({ name }) => name),
        );
      },
    },
    { id: "copy", words: "Copy", shortcut: "c", can: some, do: () => void copyLayers(composer) },
    {
      ...{ id: "hide", words: hidden ? "Show" : "Hide", can: some },
      do: () => edit(hidden ? "shown" : "hidden", flag(names, "hidden", !hidden)),
    },
    {
      ...{ id: "lock", words: locked ? "Unlock" : "Lock", can: some },
      do: () => edit(locked ? "unlocked" : "locked", flag(names, "locked", !locked)),
    },
    {
      ...{
        id: "group",
        words: "Group",
        shortcut: "g",
        can: some && together && !inRow && !layers.some(isGroup),
      },
      do() {
        edit("grouped", group(names, groupName), [groupName]);
        const said = movingAsOne(groupName, layers);
        if (said) composer.say(said);
      },
    },
    {
      ...{
        id: "bundle",
        words: bundled ? "Take out of the bundle" : "Bundle",
        can: bundled || layers.length > 1,
      },
      do: () =>
        edit(bundled ? "out of the bundle" : "bundled", bundle(names, bundled ? undefined : bundleName)),
    },
    {
      ...{
        id: "ungroup",
        words: "Ungroup",
        shortcut: "G",
        can: only !== undefined && isGroup(only) && !only.reel,
      },
      do() {
        if (!first || !only) return;
        const standing = isArranged(only) ? standingNow(composer) : [];
        const around = standing.find(({ name }) => name.layer === only.name);
        const members = standing.filter(({ name }) => inner.includes(name.layer));
        edit("taken apart", ungroup(first, around && outOfGroup(around, members)), inner);
      },
    },
    {
      ...{ id: "spread", words: "Spread evenly", can: layers.length > 2 },
      do: () => edit("spread evenly", spread(names)),
    },
    {
      ...{ id: "forward", words: "In front of its equals", can: together && list.length > 1 },
      do: () => edit("in front of its equals", reorder(names, undefined)),
    },
    {
      ...{ id: "backward", words: "Behind its equals", can: together && list.length > 1 },
      do: () =>
        edit(
          "behind its equals",
          reorder(names, list?.find(({ name }) => !names.some(({ layer }) => layer === name))?.name),
        ),
    },
    {
      ...{
        id: "remove",
        words: "Delete",
        shortcut: "Delete",
        can: some && names.every((name) => !layerOf(page, name)?.locked),
      },
      do() {
        const gone = names.flatMap(({ layer, scene }) => checksOf(page, scene, layer));
        edit("deleted", removeLayers(names), []);
        if (gone.length > 0) composer.say(checksGone(gone.length, called));
      },
    },
  ];
}

/** What a group of layers of several depths changes, in words; nothing where they moved alike before. */
function movingAsOne(group: string, layers: readonly AnyLayer[]): string | undefined {
  const speed = Math.max(...layers.map(speedOf));
  const others = layers.filter((layer) => Math.abs(speedOf(layer) - speed) > 0.005);
  if (others.length === 0) return undefined;
  const before = others.map((layer) => `${layer.name} moved at ${speedOf(layer).toFixed(2)}`).join(", ");
  return `What is in ${group} moves as one now, at ${speed.toFixed(2)} of the page's speed: ${before}. Taken apart, each has its own again; in a bundle they keep them.`;
}

/** The command that a key press asks for, in what is no field. */
export function commandFor(event: KeyboardEvent, composer: Composer): Command | undefined {
  const modified = event.ctrlKey || event.metaKey;
  const pressed = event.key === "Backspace" ? "Delete" : event.key;
  return layerCommands(composer).find(
    ({ shortcut, can }) =>
      can && shortcut === pressed && (shortcut === "Delete" ? !modified : modified && !event.altKey),
  );
}
