/** The scripts that are written from right to left (ISO 15924). */
const rightToLeft = new Set(["Adlm", "Arab", "Hebr", "Mand", "Mend", "Nkoo", "Rohg", "Samr", "Syrc", "Thaa"]);

/** Which way a language is written, by its tag: by the script it says or, as Unicode's likely subtags have it, is mostly in. */
export function directionalityOf(lang: string): "ltr" | "rtl" {
  const direction = known.get(lang) ?? looked(lang);
  known.set(lang, direction);
  return direction;
}

/** Checks ask for that of one page at very many points. */
const known = new Map<string, "ltr" | "rtl">();

function looked(lang: string): "ltr" | "rtl" {
  try {
    return rightToLeft.has(new Intl.Locale(lang).maximize().script ?? "") ? "rtl" : "ltr";
  } catch {
    // Not a language tag.
    return "ltr";
  }
}
