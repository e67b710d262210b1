import { basename } from "node:path";
import { defaultViewports, viewOf } from "lumbit/checks";
import { layoutPage, type Viewport } from "lumbit/core";
import { naturalSizes } from "lumbit/text";
import sharp from "sharp";
import { findingsOf } from "../check/findings.ts";
import { picturesOf } from "../check/judge.ts";
import { Problem } from "../problem.ts";
import { say, under, type Work } from "../progress.ts";
import type { Project } from "../project.ts";
import { makeSite } from "../site.ts";
import { differences } from "./difference.ts";
import { film, type Screen, type Shooting } from "./film.ts";
import { proofMaterials } from "./materials.ts";
import { photograph } from "./photograph.ts";
import { sheetHtml, sheetWidth, type Version } from "./sheet.ts";

export interface ProofOptions extends Work {
  /** A sheet as HTML, PNG or PDF, or a film as an animated WebP or a WebM video. */
  kind: "html" | "png" | "pdf" | "webp" | "webm";
  /** The viewports of a sheet, eight usual ones by default; of a film 1280 x 800 by default. */
  viewports?: readonly Viewport[];
  /** One scene alone. */
  scene?: string;
  /** How many moments a sheet shows. */
  moments?: number;
  /** Another version, to set this one against. */
  against?: Project;
  /** How long a film is. */
  seconds?: number;
  /** Whether a film shows beside its screens the scene that is in the middle of the first one, from the side. */
  elevation?: boolean;
}

/** A proof, and what it came to. */
export interface Proof {
  content: string | Buffer;
  screens: number;
  moments?: number;
  seconds?: number;
}

/** Moments side by side without a number: of a whole page more than of a scene. */
const columns = { page: 8, scene: 5 };
/** The pace of a film without a length, in px a second, and the shortest and longest that comes to. */
const pace = { scroll: 500, shortest: 4, longest: 40 };

/**
 * A sheet of a project with its moments on several screens and what is found there, or a film of it.
 *
 * @throws Problem when it has no such scene, or no browser is there to draw it
 */
export const proofOf = (project: Project, { onProgress, signal, ...options }: ProofOptions): Promise<Proof> =>
  under({ ...(onProgress && { onProgress }), ...(signal && { signal }) }, async () => {
    const names = project.page.scenes.map(({ name }) => name);
    if (options.scene !== undefined && !names.includes(options.scene))
      throw new Problem(`there is no scene "${options.scene}"; the page has ${names.join(", ")}`);
    const { kind } = options;
    return kind === "webp" || kind === "webm"
      ? filmOf(project, { ...options, kind })
      : sheetOf(project, options);
  });

async function sheetOf(project: Project, options: Omit<ProofOptions, keyof Work>): Promise<Proof> {
  const { kind, scene, against, viewports = defaultViewports } = options;
  const moments = options.moments ?? (scene === undefined ? columns.page : columns.scene);
  const own = await versionOf(project, viewports);
  const html = sheetHtml({
    title: project.page.title,
    versions: against ? [own, await versionOf(against, viewports)] : [own],
    differences: against ? differences(project.page, against.page) : [],
    shares: Array.from({ length: moments }, (_, index) => index / (moments - 1)),
    ...(scene !== undefined && { scene }),
  });
  if (kind !== "html") say("drawing the sheet");
  const content =
    kind === "html" ? html : await photograph(html, `.${kind}` as ".png" | ".pdf", sheetWidth(moments));
  say("");
  return { content, screens: viewports.length, moments };
}

async function versionOf(project: Project, viewports: readonly Viewport[]): Promise<Version> {
  const findings = await findingsOf(project, viewports);
  const pictures = await picturesOf(project);
  const { natural } = naturalSizes(project);
  const views = viewports.map((one) => viewOf(project.page, one, natural, pictures));
  return { name: basename(project.file), views, findings, ...(await proofMaterials(project)) };
}

async function filmOf(
  project: Project,
  {
    kind,
    viewports,
    scene,
    seconds: wanted,
    elevation,
  }: Omit<ProofOptions, keyof Work | "kind"> & { kind: "webp" | "webm" },
): Promise<Proof> {
  const { natural } = naturalSizes(project);
  const screens = (viewports ?? [{ width: 1280, height: 800 }]).map((viewport): Screen => {
    const layout = layoutPage(project.page, viewport, natural);
    const reach = layout.scrollHeight - viewport.height;
    const shown = layout.scenes.find(({ name }) => name === scene);
    const within = (scroll: number) => Math.min(Math.max(scroll, 0), reach);
    return {
      viewport,
      from: shown ? within(shown.top - viewport.height) : 0,
      to: shown ? within(shown.top + shown.height + shown.passage.hold) : reach,
    };
  });
  const farthest = Math.max(...screens.map(({ from, to }) => to - from));
  const seconds = wanted ?? Math.min(Math.max(farthest / pace.scroll, pace.shortest), pace.longest);
  const content = await film(() => makeSite(project, { originals: true }), {
    ...{ kind, screens, seconds },
    ...(elevation && { drawing: await elevationBeside(project, screens[0]?.viewport, scene) }),
    progress: (done, frames) => say(`filming, ${done} of ${frames}`),
  });
  say("");
  return { content, screens: screens.length, seconds };
}

/** How large the drawing beside a film is, before it is as high as the screens. */
const beside = { width: 640, height: 400 };

/** The scene in the middle of a screen, or the one that is filmed, from the side. */
async function elevationBeside(
  project: Project,
  viewport: Viewport = { width: 1280, height: 800 },
  name?: string,
): Promise<NonNullable<Shooting["drawing"]>> {
  // Loaded here: plotting is slow to start, and nothing else needs it.
  const { elevationChart } = await import("../chart/elevation.ts");
  const view = viewOf(project.page, viewport, naturalSizes(project).natural, new Map());
  const drawn = view.scenes.filter(({ layers }) => layers.length > 0);
  if (drawn.length === 0) throw new Problem("the page has no layers to draw from the side");
  const sceneAt = (scroll: number) =>
    drawn.findLast(({ layout }) => layout.top <= scroll + viewport.height / 2) ?? drawn[0];
  return {
    size: beside,
    async at(scroll) {
      const scene = drawn.find(({ scene }) => scene.name === name) ?? sceneAt(scroll);
      const svg = scene ? elevationChart(scene, view, "light", { scroll, size: beside }) : "";
      return sharp(Buffer.from(svg), { density: 144 }).jpeg({ quality: 95 }).toBuffer();
    },
  };
}
