import fc from "fast-check";
import { zipSync } from "fflate";
import { expect, test } from "vitest";
import { filesIn, zipOf } from "./archive.ts";

const text = '{ "format": "lumbit/1", "title": "Pier" }';
const bytes = (words: string) => new TextEncoder().encode(words);
const zipped = (entries: Record<string, Uint8Array>) =>
  new File([Uint8Array.from(zipSync(entries))], "page.zip");

test("what is taken away comes back as it was", async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.dictionary(fc.stringMatching(/^[a-z]{1,8}$/), fc.uint8Array({ maxLength: 40 })),
      async (given) => {
        const files = Object.fromEntries(
          Object.entries(given).map(([name, content]) => [`art/${name}.png`, content]),
        );
        const zip = zipOf("page.json", text, files);
        const back = await filesIn([new File([zip], "page.zip")]);
        expect(back.text).toBe(text);
        expect(Object.keys(back.files).sort()).toEqual(Object.keys(files).sort());
        for (const [path, blob] of Object.entries(back.files))
          expect(new Uint8Array(await blob.arrayBuffer())).toEqual(files[path]);
      },
    ),
    { numRuns: 30 },
  );
});

test("of an archive nothing leaves the page's folder, and only pictures and fonts come in", async () => {
  const { files } = await filesIn([
    zipped({
      ...{ "site/page.json": bytes(text), "site/art/sea.webp": bytes("sea"), "site/run.js": bytes("no") },
      ...{ "site/../../evil.png": bytes("no"), "other/sea.png": bytes("no") },
    }),
  ]);
  expect(Object.keys(files)).toEqual(["art/sea.webp"]);
});

test("what is no page, no zip or too much is said", async () => {
  await expect(filesIn([zipped({ "notes.json": bytes("{}") })])).rejects.toThrow("no page file");
  await expect(filesIn([new File(["no zip"], "page.zip")])).rejects.toThrow("cannot be read as a zip");
  const many = Object.fromEntries(Array.from({ length: 2001 }, (_, index) => [`${index}.png`, bytes("")]));
  await expect(filesIn([zipped(many)])).rejects.toThrow("holds too much");
});
