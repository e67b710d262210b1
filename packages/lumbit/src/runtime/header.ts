/** Says how high a header is that its links may have in several lines, for what links lead to below it. */
export function measureHeader(header: Element): void {
  new ResizeObserver(([entry]) => {
    const [{ blockSize = 0 } = {}] = entry?.borderBoxSize ?? [];
    document.documentElement.style.setProperty("--lumbit-header", `${blockSize}px`);
  }).observe(header);
}

/**
 * Marks in a header the link to the scene that is in the middle of the screen, and the one to the page itself, for those who
 * listen too.
 */
export function tellWhere(header: Element): () => void {
  const links = [...header.querySelectorAll<HTMLAnchorElement>("nav a[href]")];
  const { pathname } = location;
  for (const link of links)
    if (link.hash === "" && link.pathname === pathname) link.setAttribute("aria-current", "page");
  const sceneOf = (link: HTMLAnchorElement) => {
    const [name = ""] = decodeURIComponent(link.hash.slice(1)).split("/");
    return link.pathname === pathname && name !== "" ? document.getElementById(name) : null;
  };
  const isWhole = (link: HTMLAnchorElement) => !link.hash.includes("/");
  const scenes = new Map<Element, HTMLAnchorElement>();
  // Of a scene one link is marked: the one to all of it, where there is one.
  for (const link of [...links.filter(isWhole), ...links]) {
    const scene = sceneOf(link);
    if (scene && !scenes.has(scene)) scenes.set(scene, link);
  }
  // As thin as a line across the middle of the screen, or of the frame that the page is in.
  const observer = new IntersectionObserver(
    (entries) => {
      for (const { target, isIntersecting } of entries)
        if (isIntersecting) scenes.get(target)?.setAttribute("aria-current", "true");
        else scenes.get(target)?.removeAttribute("aria-current");
    },
    { root: document, rootMargin: "-50% 0px" },
  );
  for (const scene of scenes.keys()) observer.observe(scene);
  return () => observer.disconnect();
}
