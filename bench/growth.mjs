// How the time that a page takes grows with what is in it: node bench/growth.mjs. Each row doubles what there is of one thing;
// the command's own start is taken off.
import { spawnSync } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import sharp from "sharp";

const command = fileURLToPath(new URL("../packages/cli/dist/lumbit.mjs", import.meta.url));
const folder = mkdtempSync(join(tmpdir(), "lumbit-growth-"));
const page = (scenes) => ({ format: "lumbit/1", title: "t", lang: "en", scenes });
const scene = (layer) => page([{ name: "a", layers: [{ name: "x", text: "words", ...layer }] }]);
const place = { left: "10%", top: "10vh", width: "50%" };

/** Milliseconds that a run of the command takes, the fastest of some. */
function timeOf(action, document, runs = 3) {
  const file = join(folder, "page.json");
  const times = Array.from({ length: runs }, (_, run) => {
    // What is remembered of a page is of its content.
    writeFileSync(file, JSON.stringify({ ...document, title: `${action} ${run} ${Math.random()}` }));
    const more = action === "build" ? ["-o", join(folder, `site-${run}-${Math.random()}`)] : [];
    const begun = performance.now();
    spawnSync(process.execPath, [command, action, file, ...more]);
    return performance.now() - begun;
  });
  return Math.min(...times);
}

const rows = [
  [
    "rules of a layer that contradict each other",
    "build",
    [25, 50, 100],
    (n) =>
      scene({
        rules: Array.from({ length: n }, (_, index) => ({
          media: `(min-width: ${100 + 7 * index}px)`,
          ...(index % 2 === 0 ? { fontSize: { fit: "50%" } } : { place: { left: 0, right: 0 } }),
        })),
      }),
  ],
  [
    "scenes",
    "build",
    [250, 500, 1000],
    (n) =>
      page(
        Array.from({ length: n }, (_, index) => ({
          name: `s${index}`,
          height: "100vh",
          layers: [{ name: "x", text: "words ".repeat(100), depth: 0.4, place }],
        })),
      ),
  ],
  [
    "letters of a text",
    "check",
    [5000, 10_000, 20_000],
    (n) => scene({ text: "Low water ".repeat(n / 10), place }),
  ],
  [
    "screens of a scene",
    "check",
    [100, 300, 999],
    (n) =>
      page([{ name: "a", height: `${n * 100}vh`, layers: [{ name: "x", text: "word", depth: 0.5, place }] }]),
  ],
];
for (const side of [2500, 5000, 10_000]) {
  const picture = sharp({
    create: {
      width: side,
      height: side,
      channels: 3,
      background: { r: Math.floor(Math.random() * 255), g: 90, b: 60 },
    },
  });
  await picture.jpeg().toFile(join(folder, `${side}.jpg`));
}
rows.push([
  "pixels of a picture, side",
  "check",
  [2500, 5000, 10_000],
  (n) => page([{ name: "a", layers: [{ name: "x", image: `${n}.jpg`, alt: "", depth: 1 }] }]),
]);

const start = { build: timeOf("build", scene({})), check: timeOf("check", scene({})) };
console.log(`an empty page: build ${start.build.toFixed(0)} ms, check ${start.check.toFixed(0)} ms`);
for (const [what, action, sizes, of] of rows) {
  const times = sizes.map((size) =>
    Math.max(timeOf(action, of(size), what.startsWith("pixels") ? 1 : 3) - start[action], 1),
  );
  console.log(
    `${what}: ${sizes.map((size, index) => `${size} in ${times[index].toFixed(0)} ms`).join(", ")}`,
  );
}
