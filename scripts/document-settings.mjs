// Writes the tables of settings into the documents, from the library's one table. Needs a build.
import { readFileSync, writeFileSync } from "node:fs";
import {
  button,
  cue,
  fontFace,
  layerSettings,
  page,
  pageLook,
  place,
  ramp,
  rampProperties,
  reel,
  scene,
  travel,
} from "../packages/lumbit/dist/settings.js";
import { root } from "./run.mjs";

const tables = { button, cue, fontFace, page, pageLook, place, ramp, rampProperties, reel, scene, travel };

/** The documents with tables of settings. */
export const settingsDocuments = ["docs/page-file.md"];

/** A document with its tables as they are now. */
export const withTables = (text) =>
  text.replace(
    /<!-- settings: (\w+)(?: of (\w+))? -->\n[\s\S]*?<!-- end -->/g,
    (_, name, kind) =>
      `<!-- settings: ${name}${kind ? ` of ${kind}` : ""} -->\n${table(rowsOf(name, kind))}\n<!-- end -->`,
  );

/** The settings of something; of a layer those for all kinds, or those of one. */
function rowsOf(name, kind) {
  if (name !== "layer") return Object.entries(tables[name]);
  return Object.entries(layerSettings).filter(([, { kinds }]) =>
    kind ? kinds?.includes(kind) : kinds === undefined,
  );
}

const table = (rows) =>
  [
    "| key | | written |",
    "|---|---|---|",
    ...rows.map(
      ([key, { grammar, meaning, otherwise }]) =>
        `| \`${key}\` | ${cell(meaning)}${otherwise === undefined ? "" : ` \`${otherwise}\` without it.`} | ${cell(grammar.allowed)} |`,
    ),
  ].join("\n");

const cell = (text) => text.replaceAll("|", "\\|");

if (process.argv[1]?.endsWith("document-settings.mjs"))
  for (const file of settingsDocuments)
    writeFileSync(`${root}/${file}`, withTables(readFileSync(`${root}/${file}`, "utf8")));
