import { type Length, resolveLength } from "lumbit/core";
import type { Grammar, Settings } from "lumbit/settings";
import { useState } from "react";
import { Button } from "react-aria-components";
import { shownIn } from "../desk/shown.ts";
import type { Edit } from "../edit/edit.ts";
import { type Owner, setSetting, settingsOf } from "../edit/settings.ts";
import { useComposed, useComposer } from "../state/context.ts";
import { Field } from "./field.tsx";
import { isKind, sentenceOf } from "./said.ts";
import { SayMore } from "./say-more.tsx";

type Values = Record<string, unknown>;

/** The settings that something has, each in its sentence, and all others that it could have. */
export function Sentences({
  owner,
  of,
  part,
  settings,
  more,
  always = false,
}: {
  owner: Owner;
  of: string;
  /** The setting that these are parts of. */
  part?: string;
  settings: Settings;
  /** What else can be said. */
  more?: Settings;
  /** Whether settings are said that are not given. */
  always?: boolean;
}) {
  const composer = useComposer();
  const given = useComposed(({ page }) => settingsOf(page, owner));
  const [asked, setAsked] = useState<readonly string[]>([]);
  const values = ((part === undefined ? given : given?.[part]) ?? {}) as Values;
  const comesTo = useComesTo(owner);
  const called = typeof owner === "string" ? "page" : (owner.layer ?? owner.scene);
  const edit = (setting: string, value: unknown): Edit =>
    part === undefined
      ? setSetting(owner, setting, value)
      : setSetting(owner, part, changedPart(values, setting, value));
  const said = Object.entries(settings).filter(
    ([name, { required }]) => always || required || values[name] !== undefined || asked.includes(name),
  );
  const offered = Object.entries(more ?? {}).filter(
    ([name, { grammar }]) =>
      (given?.[name] === undefined || lacksParts(grammar, given[name])) &&
      Object(given?.place)[name] === undefined &&
      !asked.includes(name),
  );
  return (
    <>
      {said.map(([name, { grammar, otherwise, meaning, required }]) => {
        const [before, after = ""] = sentenceOf(name, of).split("{}");
        const [stop = ""] = /^[.,]/.exec(after) ?? [];
        const parts = part === undefined ? partsOf(grammar, values[name]) : undefined;
        if (parts)
          return (
            <div key={name} data-setting={name}>
              <Sentences owner={owner} of={name} part={name} settings={parts} always={asked.includes(name)} />
            </div>
          );
        const field = (
          <Field
            label={name}
            grammar={grammar}
            value={values[name]}
            otherwise={otherwise}
            comesTo={comesTo(name, values[name])}
            faultOf={(value) => composer.faultOf(edit(name, value))}
            onDrag={(value) => composer.drag(edit(name, value))}
            onChange={(value) => composer.edit(`${called}: ${name}`, edit(name, value))}
            onRefused={(text, fault) =>
              composer.say(`The ${name} of ${called} stays as it was: "${text}" is not taken. ${fault}`)
            }
          />
        );
        if (grammar.form === "list" || grammar.form === "map")
          return (
            <details key={name} data-setting={name} open={asked.includes(name)}>
              <summary title={meaning}>{listWords(name, values[name])}</summary>
              {field}
            </details>
          );
        return (
          <p key={name} data-setting={name} title={meaning}>
            {before}
            <span className="value">
              {field}
              {stop}
            </span>
            {after.slice(stop.length)}
            {!required && !isKind(name) && values[name] !== undefined && (
              <Button
                className="plain away"
                aria-label={`Say nothing of ${name}`}
                onPress={() => composer.edit(`${called}: ${name}`, edit(name, undefined))}
              >
                ×
              </Button>
            )}
          </p>
        );
      })}
      {offered.length > 0 && (
        <SayMore
          offered={offered}
          onChoose={(name) => {
            setAsked((before) => [...before, name]);
            goOnWith(name);
            // What is not said here is a part of its place.
            if (!(name in settings))
              composer.edit(
                `${called}: ${name}`,
                setSetting(owner, "place", {
                  ...Object(given?.place),
                  [name]: name === "center" ? "both" : "10%",
                }),
              );
          }}
        />
      )}
    </>
  );
}

/** Goes on with what was asked for, once who asked has given the focus back to where it came from. */
function goOnWith(setting: string): void {
  setTimeout(() => {
    const said = document.querySelector(`.caption [data-setting="${setting}"]`);
    said?.querySelector<HTMLElement>("input, select, textarea")?.focus();
  }, 100);
}

/** The settings of a value that is an object, or can be nothing else, which are said one by one. */
function partsOf(grammar: Grammar, value: unknown): Settings | undefined {
  if (value === undefined) return grammar.form === "object" ? grammar.settings : undefined;
  if (typeof value !== "object" || value === null || Array.isArray(value)) return undefined;
  const objects = (grammar.form === "either" ? grammar.of : [grammar]).flatMap((one) =>
    one.form === "object" ? [one.settings] : [],
  );
  return objects.find((settings) => Object.keys(value).every((key) => key in settings));
}

/** Whether a value that is an object, and can be nothing else, has not all of its settings. */
const lacksParts = (grammar: Grammar, value: unknown): boolean =>
  grammar.form === "object" && Object.keys(grammar.settings).some((key) => !(key in Object(value)));

/** A list in words: what it is of, where that is known. */
function listWords(name: string, value: unknown): string {
  const parts = Array.isArray(value) ? value : Object.keys(Object(value));
  const of = parts.flatMap((part) => {
    const { property, axis, text, href } = Object(part);
    return property ?? axis ?? text ?? href ?? (typeof part === "string" ? part : []);
  });
  if (name === "ramps") return `Along the scroll ${[...new Set(of)].join(", ")} change.`;
  return `${name}: ${of.length > 0 ? of.join(", ").slice(0, 80) : parts.length}`;
}

/** An object with a part of it changed; nothing where none is left. */
function changedPart(values: Values, part: string, value: unknown): Values | undefined {
  const changed = Object.fromEntries(
    Object.entries({ ...values, [part]: value }).filter(([, one]) => one !== undefined),
  );
  return Object.keys(changed).length > 0 ? changed : undefined;
}

/** What a length of a layer comes to on the large stage, in px. */
function useComesTo(owner: Owner): (setting: string, value: unknown) => string | undefined {
  const stands = useComposed(({ stands }) => stands);
  return (setting, value) => {
    if (
      !stands ||
      typeof owner === "string" ||
      typeof value !== "string" ||
      !/[\d.)](%|v[wh]|rem|\))?$/.test(value)
    )
      return undefined;
    const shown = shownIn(stands.layout, owner.scene, stands.scroll).find(
      ({ name }) => name.layer === owner.layer,
    );
    const { viewport } = stands.layout;
    const around = shown?.around ?? viewport;
    const percent = /^(top|bottom|height|minHeight|y)$/.test(setting) ? around.height : around.width;
    try {
      const px = resolveLength(value as Length, { viewport, percent });
      return Number.isFinite(px) && !value.endsWith("px") ? `${Math.round(px)} px` : undefined;
    } catch {
      return undefined;
    }
  };
}
