/**
 * The model in CSS: the same formulas as in the core, over whatever viewport the reader has. A scene sets
 * --lumbit-h (its height), --lumbit-before and --lumbit-after (the page above and below it) and --lumbit-settle
 * (p0); a layer sets --lumbit-k (its drift). p is the position in the passage, V is 100vh.
 *
 * V is the large viewport, which does not change while a phone's toolbars slide: movement is tied to the scene's
 * top edge alone, so nothing jumps. For the same reason the timeline's range starts at one large viewport before
 * that edge reaches the top, not where the `cover` range does.
 */
export const modelCss = `*, ::before, ::after { box-sizing: border-box; }
html { -webkit-text-size-adjust: 100%; text-size-adjust: 100%; }
body { margin: 0; }

[data-lumbit-scene] {
  --lumbit-lo: max(0px, 100vh - var(--lumbit-before));
  --lumbit-hi: max(var(--lumbit-lo), min(100vh + var(--lumbit-h), var(--lumbit-h) + var(--lumbit-after)));
  --lumbit-middle: (100vh + var(--lumbit-h)) / 2;
  --lumbit-auto: max(var(--lumbit-lo), min(var(--lumbit-hi), var(--lumbit-middle) - min(var(--lumbit-middle), var(--lumbit-lo) * 1000000)));
  position: relative;
  height: var(--lumbit-h);
  overflow: clip;
  break-inside: avoid;
  print-color-adjust: exact;
}
.lumbit-stage { position: absolute; inset: 0; container-type: size; }
.lumbit-fixed { position: absolute; inset: 0; clip-path: inset(0); }
[data-lumbit-layer] { position: absolute; margin: 0; }
img[data-lumbit-layer] { display: block; max-width: none; object-fit: cover; }
img[data-lumbit-layer][alt=""] { pointer-events: none; user-select: none; }
:is(h1, h2, h3, h4, h5, h6, p)[data-lumbit-layer] {
  font-size: 1rem;
  font-weight: 400;
  line-height: 1.3;
  text-align: left;
  white-space: pre-line;
  overflow-wrap: anywhere;
}
:is(h1, h2, h3, h4, h5, h6)[data-lumbit-layer] { text-wrap: balance; }
.lumbit-fill { left: 0; top: 0; width: 100%; height: 100%; }

@media screen and (prefers-reduced-motion: no-preference) {
  @supports (animation-timeline: view()) and (animation-range: exit-crossing 0% exit-crossing 100%) {
    [data-lumbit-scene] { view-timeline: --lumbit-scene block; }
    .lumbit-drifts {
      animation: lumbit-drift linear both;
      animation-duration: auto;
      animation-timeline: --lumbit-scene;
      animation-range: exit-crossing calc(0% - 100vh) exit-crossing 100%;
    }
    @keyframes lumbit-drift {
      from { translate: 0 calc(var(--lumbit-k) * (0px - var(--lumbit-settle))); }
      to { translate: 0 calc(var(--lumbit-k) * (100vh + var(--lumbit-h) - var(--lumbit-settle))); }
    }
    .lumbit-fill {
      --lumbit-over-top: max(
        var(--lumbit-k) * (var(--lumbit-lo) - var(--lumbit-settle)) - max(0px, var(--lumbit-lo) - 100vh),
        var(--lumbit-k) * (clamp(var(--lumbit-lo), 100vh, var(--lumbit-hi)) - var(--lumbit-settle)) - max(0px, clamp(var(--lumbit-lo), 100vh, var(--lumbit-hi)) - 100vh),
        var(--lumbit-k) * (var(--lumbit-hi) - var(--lumbit-settle)) - max(0px, var(--lumbit-hi) - 100vh)
      );
      --lumbit-over-bottom: max(
        min(var(--lumbit-h), var(--lumbit-lo)) - var(--lumbit-h) - var(--lumbit-k) * (var(--lumbit-lo) - var(--lumbit-settle)),
        min(var(--lumbit-h), clamp(var(--lumbit-lo), var(--lumbit-h), var(--lumbit-hi))) - var(--lumbit-h) - var(--lumbit-k) * (clamp(var(--lumbit-lo), var(--lumbit-h), var(--lumbit-hi)) - var(--lumbit-settle)),
        min(var(--lumbit-h), var(--lumbit-hi)) - var(--lumbit-h) - var(--lumbit-k) * (var(--lumbit-hi) - var(--lumbit-settle))
      );
      top: calc(-1 * var(--lumbit-over-top));
      height: calc(var(--lumbit-h) + var(--lumbit-over-top) + var(--lumbit-over-bottom));
    }
    .lumbit-fixed > .lumbit-fill { position: fixed; top: calc(100vh - var(--lumbit-settle) - (var(--lumbit-over-top))); }
  }
}
`;
