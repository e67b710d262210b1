import { cpSync, readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import sharp from "sharp";
import { expect, test } from "vitest";
import { openChromium } from "./chromium.ts";
import { lumbit, root, temporaryFolder } from "./command.ts";

const folder = temporaryFolder();
cpSync(join(root, "test/faults"), folder, { recursive: true });
await lumbit(["new", "mine"], folder);

test("draws the page where its browser shows it, in one file that asks for nothing", async () => {
  const { stdout, stderr } = await lumbit(
    ["proof", "mine/page.json", "-o", "proof.html", "--scene", "low-water", "--viewport", "1280x800"],
    folder,
  );
  expect(stderr).toBe("");
  expect(stdout).toMatch(/proof\.html: 1 screens?, 5 moments, \d+ kB/);
  const { poses } = JSON.parse(
    await (
      await lumbit(
        ["measure", "mine/page.json", "--viewport", "1280x800", "--scroll", "220", "--json"],
        folder,
      )
    ).stdout,
  );
  const title = poses[0].scenes[0].layers.find(({ name }: { name: string }) => name === "title");
  const browser = await openChromium();
  try {
    const page = await browser.newPage({ viewport: { width: 1800, height: 900 }, javaScriptEnabled: true });
    const asked: string[] = [];
    page.on("request", (request) => asked.push(request.url()));
    await page.goto(pathToFileURL(join(folder, "proof.html")).href);
    expect(asked.filter((url) => !/^(data|file):/.test(url))).toEqual([]);
    expect(await page.locator("script").count()).toBe(0);
    // The second of five moments in the 880 px that can be scrolled.
    const cell = page.locator(".cell").nth(1);
    expect(await page.locator("figcaption").nth(1).textContent()).toBe("scroll 220");
    const [around, drawn] = await Promise.all([
      cell.boundingBox(),
      cell.getByText("Low water").boundingBox(),
    ]);
    const scale = (around?.width ?? 0) / 1280;
    expect(((drawn?.y ?? 0) - (around?.y ?? 0)) / scale).toBeCloseTo(title.top, -0.5);
    expect((drawn?.height ?? 0) / scale).toBeCloseTo(title.height, -0.5);
  } finally {
    await browser.close();
  }
});

test("marks what was found in the pictures, and lists it", async () => {
  await lumbit(["proof", "contrast.json", "-o", "marked.html", "--viewport", "1280x800"], folder);
  const html = readFileSync(join(folder, "marked.html"), "utf8");
  expect(html.match(/class="mark"/g)?.length).toBeGreaterThan(0);
  expect(html).toContain("<b>sea / title</b> contrast (error): contrast 1.4 at scroll 0, 3 is needed");
});

test("a picture and a document are made by an installed browser", async () => {
  const args = ["proof", "room.json", "--viewport", "390x844", "--viewport", "1280x800"];
  expect((await lumbit([...args, "-o", "sheet.png"], folder)).stderr).toBe("");
  const { width = 0, height = 0 } = await sharp(join(folder, "sheet.png")).metadata();
  expect([width > 1000, height > 700]).toEqual([true, true]);
  expect((await lumbit([...args, "-o", "sheet.pdf"], folder)).stderr).toBe("");
  expect(readFileSync(join(folder, "sheet.pdf")).subarray(0, 5).toString()).toBe("%PDF-");
});

test("sets two versions of a page against each other: both drawn, what differs listed and framed", async () => {
  const page = JSON.parse(readFileSync(join(folder, "contrast.json"), "utf8"));
  page.scenes[0].layers[0].color = "#06202b";
  page.scenes[0].layers[0].place.top = "20vh";
  page.scenes[1].height = "120vh";
  page.scenes[1].layers = [{ name: "shore", text: "Shore", depth: 1 }];
  writeFileSync(join(folder, "after.json"), JSON.stringify(page));
  const { stdout, stderr } = await lumbit(
    [
      ...["proof", "contrast.json", "--against", "after.json", "-o", "against.html"],
      ...["--viewport", "1280x800", "--viewport", "390x844", "--moments", "3"],
    ],
    folder,
  );
  expect(stderr).toBe("");
  expect(stdout).toMatch(/against\.html: 2 screens, 3 moments/);
  const html = readFileSync(join(folder, "against.html"), "utf8");
  expect(html.match(/class="cell"/g)).toHaveLength(2 * 2 * 3);
  for (const line of [
    '<b>sea / title</b> color: "#a9d6cc" → "#06202b"',
    '<b>sea / title</b> place.top: "10vh" → "20vh"',
    '<b>end</b> height: "100vh" → "120vh"',
    "<b>end / shore</b> only in the other",
  ])
    expect(html).toContain(line);
  // The title is in view at the first moment of each version and screen.
  expect(html.match(/class="differs"/g)?.length).toBeGreaterThanOrEqual(4);
  expect(html).toContain("<h2>Found in contrast.json</h2>");
  expect(html).not.toContain("<h2>Found in after.json</h2>");
  await lumbit(
    ["proof", "room.json", "--against", "room.json", "-o", "same.html", "--viewport", "390x844"],
    folder,
  );
  expect(readFileSync(join(folder, "same.html"), "utf8")).toContain("The two pages say the same.");
});

test("a film scrolls from end to end, and what plays by the clock plays by that of the film", async () => {
  const fixed = (name: string, left: string, more: object) => ({
    ...{ name, shape: "rectangle", background: "#fff", depth: "horizon", ...more },
    place: { left, top: "0px", width: "100px", height: "100px" },
  });
  const page = {
    ...{ format: "lumbit/1", title: "Film", lang: "en", page: { background: "#000" } },
    scenes: [
      {
        ...{ name: "sea", height: "900px", background: "#000", settle: "top" },
        layers: [
          fixed("lamp", "0px", {
            cue: { at: "load", from: { opacity: 0 }, duration: 1000, easing: "linear" },
          }),
          fixed("stone", "200px", { depth: 0, background: "#0ff" }),
        ],
      },
    ],
  };
  writeFileSync(join(folder, "film.json"), JSON.stringify(page));
  const { stdout, stderr } = await lumbit(
    ["proof", "film.json", "--film", "-o", "film.webp", "--viewport", "400x300", "--seconds", "2"],
    folder,
  );
  expect(stderr).toBe("");
  expect(stdout).toMatch(/film\.webp: 2 seconds at 400x300/);
  const film = join(folder, "film.webp");
  const { pageHeight, width, delay = [] } = await sharp(film, { animated: true }).metadata();
  expect([pageHeight, width]).toEqual([300, 400]);
  expect(delay.reduce((sum, one) => sum + one, 0)).toBe(2000);
  const at = async (frame: number, x: number, y: number) => {
    // Frames that show the same are one, which lasts longer.
    let ends = 0;
    const page = delay.findIndex((lasts) => {
      ends += lasts;
      return ends > 50 * frame;
    });
    const { data } = await sharp(film, { page })
      .extract({ left: x, top: y, width: 4, height: 4 })
      .removeAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    return data[1] ?? 0;
  };
  // Half of its second has passed in the tenth of twenty frames a second.
  expect(Math.abs((await at(9, 50, 50)) - 128)).toBeLessThan(20);
  expect(await at(25, 50, 50)).toBeGreaterThan(240);
  // What is on the page surface leaves with it.
  expect(await at(0, 250, 50)).toBeGreaterThan(200);
  expect(await at(39, 250, 50)).toBeLessThan(40);
});

test("a film of several screens shows them side by side, each at the same moment", async () => {
  const { stdout, stderr } = await lumbit(
    [
      ...["proof", "film.json", "--film", "-o", "screens.webp", "--seconds", "1"],
      ...["--viewport", "400x300", "--viewport", "150x300"],
    ],
    folder,
  );
  expect([stderr, stdout]).toEqual([
    "",
    expect.stringMatching(/screens\.webp: 1 seconds at 400x300, 150x300/),
  ]);
  const film = join(folder, "screens.webp");
  const { width, pageHeight, pages } = await sharp(film, { animated: true }).metadata();
  expect([width, pageHeight, pages]).toEqual([400 + 150 + 3 * 24, 300 + 2 * 24, 20]);
  const first = await sharp(film, { page: 0 }).removeAlpha().raw().toBuffer();
  const at = (x: number, y: number) => [
    ...first.subarray((y * (width ?? 0) + x) * 3, (y * (width ?? 0) + x) * 3 + 3),
  ];
  for (const [x, y] of [
    [10, 170],
    [436, 170],
    [200, 10],
  ] as const)
    for (const channel of at(x, y)) expect(Math.abs(channel - 0xe9)).toBeLessThan(8);
});

test("beside a film the camera goes through the scene, seen from the side", async () => {
  const { stderr } = await lumbit(
    [
      ...["proof", "film.json", "--film", "--elevation", "-o", "side.webp", "--seconds", "1"],
      ...["--viewport", "400x300"],
    ],
    folder,
  );
  expect(stderr).toBe("");
  const film = join(folder, "side.webp");
  const { width = 0, pages } = await sharp(film, { animated: true }).metadata();
  expect([width, pages]).toEqual([400 + 480 + 3 * 24, 20]);
  // The camera is the darkest there is at the left edge of the drawing, and goes down with the scroll.
  const cameraAt = async (page: number) => {
    const area = { left: 24 + 400 + 24 + 50, top: 24 + 60, width: 30, height: 220 };
    const { data, info } = await sharp(film, { page })
      .extract(area)
      .greyscale()
      .raw()
      .toBuffer({ resolveWithObject: true });
    const dark = [...data].flatMap((value, at) =>
      value < 60 ? [Math.floor(at / (info.width * info.channels))] : [],
    );
    return dark.reduce((sum, y) => sum + y, 0) / dark.length;
  };
  expect((await cameraAt(19)) - (await cameraAt(0))).toBeGreaterThan(15);
});

test("a film as WebM is a video of the same frames, of even sizes", async () => {
  const { stdout, stderr } = await lumbit(
    ["proof", "film.json", "--film", "-o", "film.webm", "--force", "--viewport", "401x301", "--seconds", "2"],
    folder,
  );
  expect([stderr, stdout]).toEqual(["", expect.stringMatching(/film\.webm: 2 seconds at 401x301/)]);
  const page = await (await openChromium()).newPage();
  const seen = await page.evaluate(
    async (file) => {
      const video = document.createElement("video");
      video.src = `data:video/webm;base64,${file}`;
      const event = (name: string) =>
        new Promise((done) => video.addEventListener(name, done, { once: true }));
      await event("loadeddata");
      const { videoWidth: width, videoHeight: height, duration } = video;
      const canvas = new OffscreenCanvas(width, height);
      const context = canvas.getContext("2d") as OffscreenCanvasRenderingContext2D;
      const green = async (time: number, x: number, y: number) => {
        // The frame is there a little later than it has been sought.
        const drawn = new Promise((done) => video.requestVideoFrameCallback(done));
        const there = event("seeked");
        video.currentTime = time;
        await Promise.all([there, drawn]);
        context.drawImage(video, 0, 0);
        return context.getImageData(x, y, 1, 1).data[1] ?? 0;
      };
      return {
        ...{ width, height, duration },
        lamp: [await green(0.47, 50, 50), await green(1.4, 50, 50)],
        stone: [await green(0.02, 250, 50), await green(1.97, 250, 50)],
      };
    },
    readFileSync(join(folder, "film.webm")).toString("base64"),
  );
  await page.close();
  expect(seen).toMatchObject({ width: 400, height: 300, duration: 2 });
  expect(Math.abs((seen.lamp[0] ?? 0) - 128)).toBeLessThan(30);
  expect(seen.lamp[1]).toBeGreaterThan(230);
  expect(seen.stone[0]).toBeGreaterThan(180);
  expect(seen.stone[1]).toBeLessThan(50);
});

test("text is text, whatever it says", async () => {
  const page = JSON.parse(readFileSync(join(folder, "faint.json"), "utf8"));
  page.title = "</style><script>alert(1)</script>";
  page.scenes[0].layers[0].text = '<img src=x onerror="alert(1)">';
  writeFileSync(join(folder, "hostile.json"), JSON.stringify(page));
  await lumbit(["proof", "hostile.json", "-o", "hostile.html", "--viewport", "390x844"], folder);
  const html = readFileSync(join(folder, "hostile.html"), "utf8");
  expect(html).not.toMatch(/<script|<img/);
});

test("replaces no file unless told, and leaves none half-written", async () => {
  writeFileSync(join(folder, "kept.html"), "mine");
  const kept = await lumbit(["proof", "room.json", "-o", "kept.html"], folder);
  expect(kept).toMatchObject({ status: 2, stdout: "" });
  expect(kept.stderr).toMatch(/is there already/);
  expect(readFileSync(join(folder, "kept.html"), "utf8")).toBe("mine");
  await lumbit(["proof", "room.json", "-o", "kept.html", "--force", "--viewport", "390x844"], folder);
  expect(statSync(join(folder, "kept.html")).size).toBeGreaterThan(1000);
  for (const [args, message] of [
    [["-o", "sheet.gif"], /end its name with \.html, \.png or \.pdf/],
    [["-o", "none.html", "--scene", "reef"], /there is no scene "reef"; the page has sea/],
    [["-o", "none.html", "--viewport", "0x0"], /each from 1 to 20000/],
    [["-o", "none.html", "--moments", "1"], /a whole number from 2 to 40/],
    [["-o", "none.html", "--against", "lost.json"], /there is no file lost\.json/],
    [["-o", "none.html", "--film"], /end its name with \.webp/],
    [["-o", "none.webp"], /end its name with \.html, \.png or \.pdf/],
    [["-o", "none.webp", "--film", "--moments", "3"], /a film shows all moments of one page/],
    [["-o", "none.html", "--seconds", "3"], /say --film too/],
    [["-o", "none.html", "--elevation"], /--elevation is beside a film/],
  ] as const) {
    const { status, stderr } = await lumbit(["proof", "room.json", ...args], folder);
    expect(status).toBe(2);
    expect(stderr).toMatch(message);
  }
  writeFileSync(join(folder, "large.json"), " ".repeat(11 * 1024 * 1024));
  writeFileSync(join(folder, "torn.png"), "not a picture");
  const torn = JSON.parse(readFileSync(join(folder, "room.json"), "utf8"));
  torn.scenes[0].layers.push({ name: "torn", image: "torn.png", alt: "" });
  writeFileSync(join(folder, "torn.json"), JSON.stringify(torn));
  for (const [page, message] of [
    ["large.json", /larger than 10 MB/],
    ["torn.json", /torn\.png/],
  ] as const) {
    const { status, stderr } = await lumbit(["proof", page, "-o", "none.html"], folder);
    expect(status).toBe(2);
    expect(stderr).toMatch(message);
  }
  expect(readdirSync(folder).filter((name) => /none|lumbit-/.test(name))).toEqual([]);
});
