/** Leaves out of style sheets what they say to who reads them, for what is loaded with pages. */
export const withoutComments = () => ({
  name: "without-comments",
  transform: (code, id) =>
    /\.css\.ts$/.test(id)
      ? // Lines stay, and so do source maps.
        { code: code.replace(/\/\*[\s\S]*?\*\//g, (comment) => comment.replace(/[^\n]/g, "")), map: null }
      : undefined,
});
