import type { Page } from "playwright-core";

/** A film of half a second, green, as a Chromium page records it: WebM. */
export async function recordedFilm(page: Page, width: number, height: number): Promise<Buffer> {
  const bytes = await page.evaluate(
    async ([width, height]) => {
      const canvas = Object.assign(document.createElement("canvas"), { width, height });
      const context = canvas.getContext("2d") as CanvasRenderingContext2D;
      const recorder = new MediaRecorder(canvas.captureStream(30), { mimeType: "video/webm;codecs=vp8" });
      const parts: Blob[] = [];
      recorder.ondataavailable = ({ data }) => parts.push(data);
      recorder.start();
      for (let frame = 0; frame < 15; frame++) {
        context.fillStyle = frame % 2 ? "#0a0" : "#0b0";
        context.fillRect(0, 0, width as number, height as number);
        await new Promise((done) => setTimeout(done, 33));
      }
      await new Promise((done) => {
        recorder.onstop = done;
        recorder.stop();
      });
      return [...new Uint8Array(await new Blob(parts).arrayBuffer())];
    },
    [width, height],
  );
  return Buffer.from(bytes);
}
