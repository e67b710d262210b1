import fc from "fast-check";

/** Values of a page file as somebody breaks them: what is hostile, too large, of another kind, or nothing. */
const hostile = fc.constantFrom<unknown>(
  ...[
    "",
    " ",
    "\u0000",
    "\ud800",
    "constructor",
    "__proto__",
    "toString",
    "none",
    "auto",
    "horizon",
    "initial",
  ],
  ...['"', "'", "(", ")", "}", "{", ";", "/*", "*/", "<!--", "</style>", "\\", "\u001b[31m", "\u2028"],
  ...[
    "red; } * { outline: 7px solid red }",
    "url(/asked.png)",
    "linear-gradient(#000, #fff",
    '"Georgia, serif',
    "javascript:ran=1",
  ],
  ...[
    "99999999vh",
    "-1px",
    "1e9px",
    "calc(1px + )",
    "calc(50% - 20px)",
    "100vh",
    "0.0000001px",
    "cover 50%",
    "entry 0%",
  ],
  ...[
    "(".repeat(600),
    "a".repeat(30_000),
    "(min-width: 100px)",
    "screen and (max-width: 1e9px)",
    "../../etc/passwd",
  ],
  ...[0, -0, 1, -1, 0.5, -0.9999999, 1e300, -1e300, 1e-300, 99_999, 2 ** 53, true, false, null],
  ...[
    [],
    {},
    [[]],
    { toString: 1 },
    { at: "cover 0%", value: 1 },
    [0.5, 0.5],
    ["0px", "-40%"],
    { min: "20px", max: "40px" },
  ],
);

interface Place {
  holder: Record<string, unknown> | unknown[];
  key: string | number;
}

/** Every place in a document where something stands. */
function placesIn(value: unknown): Place[] {
  if (typeof value !== "object" || value === null) return [];
  return Object.entries(value).flatMap(([key, inner]) => [
    { holder: value as Record<string, unknown>, key: Array.isArray(value) ? Number(key) : key },
    ...placesIn(inner),
  ]);
}

/** Documents made of right ones by a few changes: other values, missing and repeated ones, values from elsewhere. */
export const broken = <T extends object>(documents: readonly T[]): fc.Arbitrary<T> =>
  fc
    .tuple(
      fc.constantFrom(...documents),
      fc.array(
        fc.record({
          at: fc.nat(),
          from: fc.nat(),
          how: fc.constantFrom("value", "value", "remove", "repeat", "copy", "key"),
          value: fc.oneof(hostile, hostile, fc.jsonValue({ maxDepth: 2 })),
        }),
        { minLength: 1, maxLength: 6 },
      ),
    )
    .map(([document, changes]) => {
      const changed = structuredClone(document);
      for (const { at, from, how, value } of changes) {
        const places = placesIn(changed);
        const place = places[at % places.length];
        const other = places[from % places.length];
        if (!place || !other) continue;
        const holder = place.holder as Record<string | number, unknown>;
        if (how === "remove") delete holder[place.key];
        else if (how === "copy")
          holder[place.key] = structuredClone((other.holder as typeof holder)[other.key]);
        else if (how === "repeat" && Array.isArray(holder))
          holder.push(structuredClone(holder[Number(place.key)]));
        else if (how === "key")
          holder[typeof value === "string" ? value.slice(0, 40) : "key"] = structuredClone(value);
        else holder[place.key] = structuredClone(value);
      }
      return changed;
    });
