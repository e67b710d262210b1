import type { Settings } from "lumbit/settings";

/**
 * How a setting is said: where its value stands is `{}`. Settings without a sentence of their own are said by name, and
 * with their meaning.
 */
export const sentences: Readonly<Record<string, string>> = {
  alt: "Who does not see it is told: {}",
  text: "It says {}",
  as: "It is a {} of the document.",
  title: "It comes in with its slide: {}.",
  shape: "It is a {}.",
  markup: "It shows {}",
  trusted: "Scripts are wanted in {}",
  image: "Its file is {}",
  video: "In view it plays {}",
  similarity: "Its pictures are delivered at least {} alike to the originals.",
  copyright: "They tell who made them: {}.",
  depth: "It lies {} deep.",
  speed: "It moves {} px for each px of scroll.",
  direction: "Its drift goes {} as the reader scrolls.",
  sideways: "Sideways it goes by the {} of the screen.",
  order: "It is painted as if it were {} deep.",
  locked: "Tools leave it where it is: {}.",
  bundle: "It is taken hold of together with the bundle {}.",
  hidden: "It is left out: {}.",
  opacity: "Its opacity is {}.",
  rotate: "It is turned by {} degrees.",
  blur: "It is blurred by {}.",
  blend: "Its colours {} with what is behind it.",
  subject: "Where it is cropped, {} of its width and height stays in sight.",
  fit: "A box of other proportions it {}s.",
  wrap: "It may break into lines: {}.",
  repeat: "It stands {} times in its row.",
  background: "Its ground is {}",
  shadow: "Its shadow is {}",
  blurBehind: "What is seen through it is blurred by {}.",
  radius: "Its corners are rounded by {}.",
  padding: "Around its words there is {}.",
  pane: "It moves inside of a pane that stays with the page: {}.",
  tilt: "It turns up to {} degrees towards the pointer.",
  tiltOver: "The pointer turns it over the {}.",
  perspective: "It is seen from {} as it turns.",
  hold: "It stays on the screen from {}",
  color: "Its letters are {}",
  fontFamily: "They are set in {}",
  fontSize: "They are {} large.",
  fontWeight: "Their weight is {}.",
  fontStyle: "They are {}.",
  lineHeight: "From line to line it is {} of their size.",
  letterSpacing: "Between letters there is {}.",
  textAlign: "Its lines begin at the {}.",
  maxWidth: "It is never wider than {}.",
  outline: "Its letters are outlines, {} wide.",
  left: "It stands {} from the left.",
  right: "It stands {} from the right.",
  top: "It stands {} from the top.",
  bottom: "It stands {} from the bottom.",
  width: "It is {} wide.",
  height: "It is {} high.",
  center: "It is centred on {}.",
  minHeight: "It is at least {} high.",
  paddingTop: "Above its content there is {}.",
  paddingBottom: "Below its content there is {}.",
  contentWidth: "Its content is {} wide,",
  contentSide: "on the {} of the column.",
  settle: "It stands where it was placed at {} of its own passage.",
  href: "It leads to {}",
  relief: "All drift is taken {} times.",
  pan: "The camera goes {} px sideways for each px of scroll.",
  push: "The camera goes {} camera distances forward.",
  sway: "With the pointer the camera goes {} to each side.",
  haze: "Far layers are pale by {}.",
  column: "Its column is {} wide.",
  margin: "Beside the column there is at least {}.",
  gap: "Between blocks there is {}.",
  at: "It comes in at {}",
  of: "Its moments are of the passage of the {}.",
  duration: "That takes {} ms,",
  delay: "begins {} ms late,",
  easing: "and runs {}.",
  pieces: "Its {} come one after the other,",
  stagger: "{} ms apart.",
  x: "It goes {} to the right,",
  y: "{} downwards,",
  over: "between {}.",
  share: "Titles come in when {} of their slide is seen.",
  lang: "It is written in {}",
};

/** Settings whose sentence is another one where they are of something else. */
const apart: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  scene: {
    settle: "Every layer stands where it was placed at {}.",
    color: "Its texts are {}",
    hold: "It stays put for {}.",
    width: "It is as wide as the {}.",
    as: "It is a {} of the page.",
  },
  panel: {
    background: "Behind its content is {}",
    padding: "Around its content there is {}.",
    radius: "The corners of that are rounded by {},",
    shadow: "its shadow is {}",
    blurBehind: "What is seen through it is blurred by {}.",
  },
  header: {
    text: "At the top of the screen stands {}",
    here: "The link to where the reader is is {}",
    color: "Its words are {}",
  },
  look: { color: "Texts are {}", background: "Behind all scenes is {}", fontFamily: "Texts are set in {}" },
  page: { title: "It is called {}" },
  head: {
    description: "Who searches for it reads {}",
    icon: "Its icon is {}",
    image: "Where it is shared stands {}",
    address: "It will be at {}",
    themeColor: "Browsers make what is around it {}",
  },
  pictures: {
    similarity: "Its pictures are delivered as alike as {} at least.",
    copyright: "They keep who made them: {}.",
  },
  fontSize: {
    min: "They are {} large on narrow screens,",
    max: "and grow to {},",
    from: "from screens {} px wide",
    to: "to those of {} px.",
    fit: "The widest line fills {}.",
  },
  focus: { depth: "What lies {} deep is sharp,", blur: "what is far from it blurred by {}." },
  reel: { width: "Its slides are {} wide,", gap: "{} apart.", direction: "They go to the {}." },
  row: {
    along: "Its layers stand one after the other along {}.",
    gap: "They stand {} apart.",
    align: "They are lined up at {}.",
    wrap: "They may go on in a new line: {}.",
  },
};

export const sentenceOf = (setting: string, of: string): string =>
  apart[of]?.[setting] ?? sentences[setting] ?? `${setting} is {}`;

/** Settings that have a place of their own in the composer, or come with a later one. */
const elsewhere = new Set([
  "name",
  "layers",
  "scenes",
  "rules",
  "fonts",
  "checks",
  "format",
  "$schema",
  "page",
]);

/** What makes a layer what it is, which it cannot be without. */
export const isKind = (setting: string): boolean =>
  ["image", "alt", "text", "shape", "markup"].includes(setting);

/** The settings of a table that the caption has sentences for, of a kind of layer where it is one. */
export const saidSettings = (settings: Settings, kind?: string): Settings =>
  Object.fromEntries(
    Object.entries(settings).filter(
      ([name, { kinds }]) =>
        !elsewhere.has(name) && (!kinds || kind === undefined || kinds.some((one) => one === kind)),
    ),
  );
