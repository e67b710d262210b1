import { createHash } from "node:crypto";
import { TextSizer } from "lumbit/text";
import { uprightPicture } from "../picture/read-picture.ts";
import type { Project } from "../project.ts";
import type { Materials } from "./cell.ts";

/** Pictures are copied into the sheet with at most so many px on the longer side. */
const longest = 900;

/**
 * A project's pictures and fonts, to be put into a sheet: custom properties and font faces, the same for the same
 * content, so that two versions of a page share them.
 */
export async function proofMaterials(
  project: Project,
): Promise<{ materials: Materials; properties: string[]; faces: string[] }> {
  const names = new Map(project.pictures.map(({ path, bytes }) => [path, nameOf(bytes)]));
  const properties = await Promise.all(
    project.pictures.map(async ({ path, bytes }) => {
      const small = await (await uprightPicture(bytes))
        .resize({ width: longest, height: longest, fit: "inside", withoutEnlargement: true })
        .webp({ quality: 72 })
        .toBuffer();
      return `--${names.get(path)}:url(data:image/webp;base64,${small.toString("base64")})`;
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
      picture: (path) => `var(--${names.get(path)})`,
    },
    properties,
    faces,
  };
}

const nameOf = (bytes: Buffer) => `p${createHash("sha256").update(bytes).digest("hex").slice(0, 12)}`;
