/** Ordinary pages of somebody else's, each with something that went wrong when the library met it, and what is wanted. */
export interface Trial {
  name: string;
  style?: string;
  body: string;
  /** What is done once the page is mounted. */
  after?: string;
  /** An expression of the page at a moment, and what it has to come to. */
  wanted: readonly { scroll: number; value: string; is: unknown }[];
  /** What is said in the console. */
  said?: RegExp;
  /** What is said instead by a browser in which it cannot be as wanted. */
  orSaid?: RegExp;
  /** With what bundlers take while somebody develops. */
  development?: true;
  /** Mounts something else than the markup of the body. */
  mount?: string;
}

const gap = '<div class="gap"></div>';
const photo = '<img data-lumbit-pane data-lumbit-depth="0.5" src="photo.jpg?slow" alt="x">';
const sized = photo.replace("src", 'width="1680" height="1050" src');
const scene = (inside: string, more = "") =>
  `${gap}<section data-lumbit-scene ${more}>${inside}</section>${gap}`;
const title = scene(
  '<h2 data-lumbit-depth="1" style="margin:0;padding-top:250px">Title</h2>',
  'style="height:600px"',
);
const height = (selector: string) =>
  `Math.round(document.querySelector("${selector}").getBoundingClientRect().height)`;
/** How far an element moves on the screen per scrolled px, over some of its way. */
export const speed = (selector: string) => `(async () => {
  const at = async (y) => {
    scrollTo({ top: y, behavior: "instant" });
    for (const box of document.querySelectorAll("body, .wrapper")) if (box.scrollTop) box.scrollTop = 0;
    await settled();
    return document.querySelector("${selector}").getBoundingClientRect().top;
  };
  return Math.round(100 * ((await at(600)) - (await at(700)))) / 10000;
})()`;
/** Whether an edge of a picture shows in its box at any scroll position. */
const covers = (box: string, picture: string) => `(async () => {
  for (let y = 0; y <= document.documentElement.scrollHeight - innerHeight; y += 150) {
    scrollTo({ top: y, behavior: "instant" });
    await settled();
    const [a, b] = ["${box}", "${picture}"].map((one) => document.querySelector(one).getBoundingClientRect());
    if (a.bottom < 0 || a.top > innerHeight) continue;
    if (b.top > Math.max(a.top, 0) + 0.6 || b.bottom < Math.min(a.bottom, innerHeight) - 0.6) return [y, a.top, b.top, a.bottom, b.bottom].join();
  }
  return true;
})()`;
/** What is painted at the middle of an element. */
const onTop = (selector: string) => `(() => {
  const { left, top, width, height } = document.querySelector("${selector}").getBoundingClientRect();
  return document.elementFromPoint(left + width / 2, top + height / 2)?.id;
})()`;
const as = (selector: string, property: string) =>
  `getComputedStyle(document.querySelector("${selector}")).${property}`;

export const trials: readonly Trial[] = [
  {
    name: "a link to a section goes where it went before",
    style:
      "html{scroll-padding-top:72px} header{position:fixed;top:0;height:72px;background:#fff;width:100%;z-index:9}",
    body: `<header><a href="#about">About</a></header>${gap}<section id="about" data-lumbit-scene style="height:1500px"><h2 data-lumbit-depth="0.1" style="margin-top:90px">About</h2></section>${gap}`,
    after: 'document.querySelector("a").click()',
    wanted: [{ scroll: -1, value: "Math.round(about.getBoundingClientRect().top)", is: 72 }],
  },
  {
    name: "a pane around a picture without dimensions that is still loading",
    body: scene(`<figure>${photo}</figure>`),
    wanted: [
      { scroll: 0, value: `Math.abs(${height("figure")} - 807) < 4`, is: true },
      { scroll: 0, value: covers("img", "img"), is: true },
    ],
  },
  {
    name: "a pane in a picture with several sources",
    body: scene(`<figure><picture><source srcset="photo.jpg">${sized}</picture></figure>`),
    wanted: [
      { scroll: 0, value: `Math.abs(${height("figure")} - 807) < 4`, is: true },
      { scroll: 800, value: 'document.querySelector("img").getBoundingClientRect().width > 1280', is: true },
    ],
  },
  {
    name: "a pane with a caption",
    body: scene(`<figure>${sized}<figcaption id="cap">A caption</figcaption></figure>`),
    wanted: [
      {
        scroll: 0,
        value: `Math.abs(cap.offsetTop - document.querySelector("figure").offsetTop - 807) < 4`,
        is: true,
      },
      { scroll: 1200, value: onTop("#cap"), is: "cap" },
      { scroll: 800, value: `/^inset/.test(${as("img", "clipPath")})`, is: true },
    ],
  },
  {
    name: "what lay above the picture lies above it, and corners are the box's",
    style:
      ".card{position:relative;display:block;width:400px}.over{position:absolute;inset:0;background:gold}.round{width:200px;height:200px;border-radius:50%;background:red}.round img{border-radius:50%;width:200px;height:200px}",
    body: scene(
      `<a class="card"><span class="over" id="over">overlay</span>${sized}</a><div class="round">${photo.replace("<img", '<img id="r"')}</div>`,
    ),
    wanted: [
      { scroll: 800, value: onTop("#over"), is: "over" },
      {
        scroll: 900,
        value: `${as("#r", "borderTopLeftRadius")} + ${as(".round", "overflow")}`,
        is: "0pxclip",
      },
      { scroll: 900, value: covers(".round", "#r"), is: true },
    ],
  },
  {
    name: "a pane in a padded box with a border",
    style: ".box{padding:20px;border:5px solid red}",
    body: scene(`<div class="box">${sized}</div>`),
    wanted: [{ scroll: 0, value: `Math.abs(${height(".box")} - 825.8) < 4`, is: true }],
  },
  {
    name: "another script sets classes",
    body: `${gap}<section class="hero" data-lumbit-scene style="height:600px"><h2 class="t" data-lumbit-depth="1" style="margin:0;padding-top:250px">Title</h2></section><div id="built" class="a"></div>${gap}`,
    mount:
      'mount(document.querySelector(".hero"), { driver }); mount(built, { driver, scene: { name: "s", height: "100vh", layers: [{ name: "x", text: "Built", depth: 1 }] } });',
    after:
      'document.querySelector("h2").className = "t open"; document.querySelector(".hero").className = "new"; built.className = "b";',
    wanted: [
      { scroll: 0, value: `${height("section")} + ${height("#built")}`, is: 1400 },
      { scroll: 0, value: speed("h2"), is: 0.5 },
    ],
  },
  {
    name: "disposing takes back only what the library wrote",
    body: `<section class="hero" data-lumbit-scene style="height:600px"><h2 data-lumbit-depth="1">Title</h2></section>${gap}`,
    after:
      'document.querySelector("section").classList.add("open"); document.querySelector("section").style.height = "900px"; m.dispose();',
    wanted: [
      {
        scroll: 0,
        value: 'document.querySelector("section").outerHTML',
        is: '<section class="hero open" data-lumbit-scene="" style="height: 900px;"><h2 data-lumbit-depth="1">Title</h2></section>',
      },
    ],
  },
  {
    name: "a changed attribute is followed",
    body: title,
    after: 'document.querySelector("h2").dataset.lumbitDepth = "4"; m.refresh();',
    wanted: [{ scroll: 0, value: speed("h2"), is: 0.2 }],
  },
  {
    name: "a changed text of a split heading shows, split anew",
    body: `<section data-lumbit-scene style="height:600px"><p data-lumbit-ramps='[{"property":"opacity","pieces":"words","stops":[{"at":"exit 0%","value":1},{"at":"exit 70%","value":0}]}]'>one two</p></section>${gap}`,
    mount:
      'const node = document.querySelector("p").firstChild; window.m = mount(document.body, { driver }); node.data = "three four five";',
    wanted: [
      { scroll: 0, value: 'document.querySelector("p").textContent', is: "three four five" },
      { scroll: 0, value: 'document.querySelectorAll("p > span").length', is: 3 },
    ],
  },
  {
    name: "overflow of html and body that does not scroll",
    style: "html,body{overflow-x:hidden}",
    body: title,
    wanted: [{ scroll: 0, value: speed("h2"), is: 0.5 }],
  },
  {
    name: "overflow of a wrapper that does not scroll",
    style: ".wrapper{overflow-x:hidden}",
    body: `<div class="wrapper">${title}</div>`,
    wanted: [{ scroll: 0, value: speed("h2"), is: 0.5 }],
  },
  {
    name: "animations of the page's own",
    style:
      "@keyframes in{from{opacity:0}to{opacity:.5}}.fade{animation:in .1s both}#strong{animation:in .1s both} h2{margin:0;padding-top:150px}",
    body: scene(
      '<h2 class="fade" data-lumbit-depth="1">By class</h2><h2 id="strong" data-lumbit-depth="1">By id</h2>',
      'style="height:600px"',
    ),
    after: "await new Promise((done) => setTimeout(done, 300));",
    wanted: [
      { scroll: 0, value: `${as("h2", "opacity")} + ${as("#strong", "opacity")}`, is: "0.50.5" },
      { scroll: 0, value: speed("h2"), is: 0.5 },
      { scroll: 0, value: speed("#strong"), is: 0.5 },
    ],
  },
  {
    name: "an inline element",
    body: scene(
      '<p style="padding-top:250px">words <em data-lumbit-depth="1">inline</em></p>',
      'style="height:600px"',
    ),
    wanted: [{ scroll: 0, value: speed("em"), is: 0.5 }],
  },
  {
    name: "zoom around a scene",
    style: ".z{zoom:.5}",
    body: `${gap}<div class="z"><section data-lumbit-scene style="height:600px"><h2 data-lumbit-depth="1" style="margin:0;padding-top:250px">Title</h2></section></div>${gap}`,
    wanted: [{ scroll: 0, value: speed("h2"), is: 0.5 }],
    orSaid: /<div class="z">: zoom: in this browser/,
  },
  {
    name: "a mounted picture of unknown size does not shift",
    body: `<div id="s"></div>${gap}`,
    mount:
      'window.cls = 0; try { new PerformanceObserver((list) => { for (const entry of list.getEntries()) window.cls += entry.value }).observe({ type: "layout-shift", buffered: true }) } catch {} mount(s, { driver, scene: { name: "a", height: "140vh", layers: [{ name: "hills", image: "hills.svg?slow", alt: "", depth: 3, place: { left: "-5%", width: "110%", bottom: "20vh" } }] } });',
    wanted: [
      { scroll: 0, value: "cls", is: 0 },
      { scroll: 0, value: as("img", "visibility"), is: "visible" },
    ],
  },
  {
    name: "a scene that is not written as scenes are is refused in development",
    body: '<div id="s"></div>',
    development: true,
    mount:
      'for (const wrong of [{ layers: [{ name: "t", text: "x", depth: "far" }] }, { height: 1200, layers: [] }]) try { mount(s, { driver, scene: { name: "a", ...wrong } }) } catch (error) { console.warn(error.message) }',
    wanted: [{ scroll: 0, value: "said.length", is: 2 }],
    said: /scene "a": at \/layers\/0\/depth found "far"; allowed: the distance behind/,
  },
  {
    name: "sizes in a style attribute leave a pane covered",
    style: ".box{height:300px;overflow:hidden;background:#f0f}",
    body: `<p style="height:500px;margin:0"></p><section data-lumbit-scene><div class="box"><img style="width:100%;height:100%;object-fit:cover" src="photo.jpg" alt="x" data-lumbit-pane data-lumbit-depth="0.6"></div></section>${gap}`,
    wanted: [{ scroll: 0, value: covers(".box", "img"), is: true }],
  },
  {
    name: "a pane directly in its scene",
    style:
      ".g{position:relative;height:100vh;overflow:hidden} .g img{width:100%;height:100%;object-fit:cover}",
    body: ["horizon", "0.5", "0.5"]
      .map(
        (depth, index) =>
          `<section class="g" id="g${index}" data-lumbit-scene><img src="photo.jpg" alt="x" data-lumbit-pane data-lumbit-depth="${depth}"></section>`,
      )
      .join(""),
    wanted: [0, 1, 2].map((index) => ({
      scroll: 0,
      value: covers(`#g${index}`, `#g${index} img`),
      is: true,
    })),
  },
  {
    name: "a pane that travels is said, in the words of the page file",
    style: ".box{height:300px;overflow:hidden;background:#f0f} img{width:100%;height:100%;object-fit:cover}",
    body: `<p style="height:300px;margin:0"></p><section data-lumbit-scene><div class="box"><img src="photo.jpg" alt="x" data-lumbit-pane data-lumbit-travel-y="0px 100px"></div></section>${gap}`,
    wanted: [],
    said: /<img>: data-lumbit-pane: a picture in a pane moves by its depth/,
  },
  {
    name: "heights of rows and slides are the page's own",
    style:
      ".box{height:100vh} .row,.slide{height:80vh} .slide{position:relative} .b{position:absolute;inset:0;overflow:hidden} .b img{width:100%;height:100%;object-fit:cover}",
    body: `<section data-lumbit-scene data-lumbit-hold="200vh"><div class="box"><div data-lumbit-reel='{"width":"70vw"}'><div class="row">${'<div class="slide"><div class="b"><img src="photo.jpg" alt="1" data-lumbit-pane data-lumbit-depth="0.5"></div></div>'.repeat(2)}</div></div></div></section><div style="height:100vh"></div>`,
    wanted: [{ scroll: 0, value: height(".slide"), is: 640 }],
  },
  {
    name: "a background picture has a depth",
    style:
      ".hero{height:600px;background:url(photo.jpg) center/cover;color:#fff} .hero h1{margin:0;padding-top:250px}",
    body: `${gap}<section class="hero" data-lumbit-background-depth="0.5"><h1 id="h">Low water</h1></section>${gap}`,
    wanted: [
      { scroll: 0, value: height(".hero"), is: 600 },
      { scroll: 700, value: onTop("#h"), is: "h" },
      { scroll: 0, value: covers(".hero", ".hero > div > div"), is: true },
      { scroll: 700, value: `/photo/.test(${as(".hero > div > div", "backgroundImage")})`, is: true },
      { scroll: 0, value: speed(".hero > div > div"), is: 0.6667 },
    ],
  },
  {
    name: "a section that clips ends its layers at its edge, and they move",
    body: scene(
      '<h2 data-lumbit-depth="3" style="margin:0;padding-top:250px">Title</h2>',
      'style="height:600px;overflow:clip"',
    ),
    wanted: [
      { scroll: 0, value: speed("h2"), is: 0.25 },
      {
        scroll: 0,
        value: `(async () => {
          const boxOf = (name) => document.querySelector(name).getBoundingClientRect();
          scrollTo({ top: boxOf("section").bottom - 80, behavior: "instant" });
          await settled();
          return boxOf("h2").bottom > 100 && document.elementFromPoint(20, 90).localName !== "h2";
        })()`,
        is: true,
      },
    ],
  },
  {
    name: "an unknown attribute is said",
    body: scene('<h2 data-lumbit-deph="1">Title</h2>'),
    wanted: [],
    said: /<h2>: data-lumbit-deph: there is no such setting of a layer, did you mean "depth"\? Allowed: depth, speed/,
  },
  {
    name: "a pane on what is no picture is said",
    body: scene('<p data-lumbit-pane data-lumbit-depth="1">Text</p>'),
    wanted: [],
    said: /<p>: data-lumbit-pane: a pane is for pictures/,
  },
  {
    name: "no scene is said",
    body: "<p>Text</p>",
    wanted: [],
    said: /<body>: data-lumbit-scene: there is no scene in it/,
  },
  {
    name: "no element is said",
    body: "<p>Text</p>",
    mount: 'try { mount(document.querySelector("#nowhere")) } catch (error) { console.warn(error.message) }',
    wanted: [],
    said: /mount was given null instead of an element; is the selector right/,
  },
];
