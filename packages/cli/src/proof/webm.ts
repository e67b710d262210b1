import { readFile } from "node:fs/promises";
import type { Page } from "playwright-core";

/** Makes a film of pictures, one after the other, as WebM in an open page of a browser; `rate` pictures a second. */
export interface WebmWriter {
  add(jpeg: Buffer): Promise<void>;
  end(): Promise<Buffer>;
}

/** Where the page gets what writes WebM. */
const script = "/mediabunny.mjs";

/**
 * Begins a film in a page on a secure origin, as which localhost counts: only there browsers encode.
 *
 * @param size of its pictures, in px; both even
 */
export async function writeWebm(
  page: Page,
  size: { width: number; height: number },
  rate: number,
): Promise<WebmWriter> {
  const module = await readFile(
    new URL("../../bundles/mediabunny.min.mjs", import.meta.resolve("mediabunny")),
    "utf8",
  );
  await page.route(`**${script}`, (route) => route.fulfill({ body: module, contentType: "text/javascript" }));
  await page.evaluate(`(${begin})(${JSON.stringify({ ...size, rate, script })})`);
  let number = 0;
  return {
    add: (jpeg) => page.evaluate(`(${add})("${jpeg.toString("base64")}", ${number++})`),
    end: async () => Buffer.from(String(await page.evaluate(`(${end})()`)), "base64"),
  };
}

/*
 * What runs in the page, as text, so that no bundler changes it.
 */

const begin = `async ({ width, height, rate, script }) => {
  const { Output, WebMOutputFormat, BufferTarget, CanvasSource, QUALITY_HIGH } = await import(script);
  const canvas = new OffscreenCanvas(width, height);
  const output = new Output({ format: new WebMOutputFormat(), target: new BufferTarget() });
  const source = new CanvasSource(canvas, { codec: "vp9", bitrate: QUALITY_HIGH, keyFrameInterval: 2 });
  output.addVideoTrack(source, { frameRate: rate });
  await output.start();
  window.lumbitFilm = { canvas, output, source, rate };
}`;

const add = `async (jpeg, number) => {
  const { canvas, source, rate } = window.lumbitFilm;
  const picture = await createImageBitmap(await (await fetch("data:image/jpeg;base64," + jpeg)).blob());
  canvas.getContext("2d").drawImage(picture, 0, 0, canvas.width, canvas.height);
  await source.add(number / rate, 1 / rate);
}`;

const end = `async () => {
  const { output } = window.lumbitFilm;
  await output.finalize();
  const blob = new Blob([output.target.buffer]);
  return await new Promise((done) => {
    const reader = new FileReader();
    reader.onload = () => done(reader.result.slice(reader.result.indexOf(",") + 1));
    reader.readAsDataURL(blob);
  });
}`;
