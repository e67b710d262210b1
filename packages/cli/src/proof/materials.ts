import { createHash } from "node:crypto";
import sharp from "sharp";
import type { Project } from "../project.ts";
import { TextSizer } from "../text-size.ts";
import type { Materials } from "./cell.ts";

/** Pictures are copied into the sheet with at most so many px on the longer side. */
const longest = 900;

/** A project's pictures and fonts, to be put into a sheet: each once, as custom properties and font faces. */
export async function proofMaterials(project: Project): Promise<{ materials: Materials; style: string }> {
  const copies = await Promise.all(
    project.pictures.map(async ({ path, bytes }) => {
      const small = await sharp(bytes)
        .autoOrient()
        .resize({ width: longest, height: longest, fit: "inside", withoutEnlargement: true })
        .webp({ quality: 72 })
        .toBuffer();
      return `--${nameOf(path)}:url(data:image/webp;base64,${small.toString("base64")})`;
    }),
  );
  const faces = (project.page.fonts ?? []).flatMap(({ family, src, weight, style }) => {
    const font = project.fonts.find(({ path }) => path === src);
    return font
      ? `@font-face{font-family:"${family}";src:url(data:font/woff2;base64,${font.bytes.toString("base64")});font-weight:${weight ?? "400"};font-style:${style ?? "normal"}}`
      : [];
  });
  return {
    materials: {
      texts: new TextSizer(project.page, project.fonts),
      picture: (path) => `var(--${nameOf(path)})`,
    },
    style: `:root{${copies.join(";")}}${faces.join("")}`,
  };
}

const nameOf = (path: string) => `p${createHash("sha256").update(path).digest("hex").slice(0, 8)}`;
