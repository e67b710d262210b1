import fc from "fast-check";
import { expect, test } from "vitest";
import { patchText } from "./patch.ts";

const text = '{\n\t"scenes": [\n\t\t{ "name": "a", "layers": [1, 2, 3] }\n\t]\n}\n';

test("changes what it is told and leaves the rest as it was written", () => {
  expect(patchText(text, [{ op: "replace", path: "/scenes/0/name", value: "b" }])).toBe(
    text.replace('"a"', '"b"'),
  );
  expect(JSON.parse(patchText(text, [{ op: "add", path: "/scenes/0/depth", value: 2 }]))).toEqual({
    scenes: [{ name: "a", layers: [1, 2, 3], depth: 2 }],
  });
});

test("removes several entries of a list, whatever their order", () => {
  const remove = (index: number) => ({ op: "remove", path: `/scenes/0/layers/${index}` }) as const;
  for (const order of [
    [0, 2],
    [2, 0],
  ])
    expect(JSON.parse(patchText(text, order.map(remove)))).toEqual({ scenes: [{ name: "a", layers: [2] }] });
});

test("adds before an entry of a list, beside what is taken out behind it", () => {
  const add = { op: "add", path: "/scenes/0/layers/1", value: 9 } as const;
  const remove = { op: "remove", path: "/scenes/0/layers/2" } as const;
  expect(JSON.parse(patchText(text, [add, remove]))).toEqual({ scenes: [{ name: "a", layers: [1, 9, 2] }] });
});

test("sets any value at a key with any name", () => {
  fc.assert(
    fc.property(fc.string({ minLength: 1 }), fc.jsonValue(), (key, value) => {
      fc.pre(!/^\d+$/.test(key) && key !== "__proto__");
      const path = `/${key.replaceAll("~", "~0").replaceAll("/", "~1")}`;
      const patched = JSON.parse(patchText("{}", [{ op: "add", path, value }]));
      expect(patched[key]).toEqual(JSON.parse(JSON.stringify(value)));
    }),
  );
});
