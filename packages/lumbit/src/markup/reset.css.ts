/** What a page of its own has before anything else: what sizes are, and no space around it. */
export const resetCss = `*, ::before, ::after { box-sizing: border-box; }
html { -webkit-text-size-adjust: 100%; text-size-adjust: 100%; }
body { margin: 0; }
a { color: inherit; }
`;
