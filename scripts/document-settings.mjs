// Writes the tables of settings and of recipes into the documents, from what they are made of. Needs a build.
import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import {
  copies,
  cue,
  delivery,
  fontFace,
  head,
  header,
  layerAttributes,
  layerSettings,
  page,
  pageLook,
  panel,
  partAttributes,
  parts,
  place,
  ramp,
  rampProperties,
  reel,
  row,
  scene,
  sceneAttributes,
  travel,
} from "../packages/lumbit/dist/settings.js";
import { root } from "./run.mjs";

const named = (settings) =>
  Object.fromEntries(Object.entries(settings).map(([name, row]) => [`data-lumbit-${name}`, row]));

const tables = {
  ...{
    copies,
    cue,
    delivery,
    fontFace,
    head,
    header,
    page: { ...page, parts },
    pageLook,
    panel,
    place,
    ramp,
    rampProperties,
    reel,
    row,
    scene,
    travel,
  },
  sceneAttributes: named(sceneAttributes),
  layerAttributes: named(layerAttributes),
  partAttributes: named(partAttributes),
};

/** The documents with tables. */
export const tableDocuments = ["docs/page-file.md", "docs/api.md", "docs/recipes.md"];

/** A document with its tables as they are now. */
export const withTables = (text) =>
  text
    .replace(/<!-- recipes -->\n[\s\S]*?<!-- end -->/, `<!-- recipes -->\n${recipesTable()}\n<!-- end -->`)
    .replace(
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

function recipesTable() {
  const folder = `${root}/examples/recipes`;
  const rows = readdirSync(folder)
    .sort()
    .map((name) => {
      const {
        title,
        for: purpose,
        play,
        watch,
      } = JSON.parse(readFileSync(`${folder}/${name}/recipe.json`, "utf8"));
      const values = play.map(({ says }) => says).join("; ");
      return `| \`${name}\` | **${title}.** ${cell(purpose)} | ${cell(values)} | ${cell(watch)} |`;
    });
  return [
    "| name | what it is for | what to play with | what to watch out for |",
    "|---|---|---|---|",
    ...rows,
  ].join("\n");
}

const cell = (text) => text.replaceAll("|", "\\|");

if (process.argv[1]?.endsWith("document-settings.mjs"))
  for (const file of tableDocuments)
    writeFileSync(`${root}/${file}`, withTables(readFileSync(`${root}/${file}`, "utf8")));
