import { withBrowser } from "./browser.ts";

/**
 * A sheet as a picture or a document, so many px wide, made by an installed browser.
 *
 * @throws Problem when there is none
 */
export const photograph = (html: string, kind: ".png" | ".pdf", width: number): Promise<Buffer> =>
  withBrowser(`a ${kind}`, async (starting) => {
    const page = await (await starting).newPage({ viewport: { width, height: 900 }, offline: true });
    await page.setContent(html, { waitUntil: "load" });
    await page.evaluate("document.fonts.ready");
    return kind === ".png"
      ? await page.screenshot({ fullPage: true })
      : await page.pdf({
          width: `${width}px`,
          height: `${Math.round(width * 0.7)}px`,
          printBackground: true,
        });
  });
