/** The package in one file, which loads several times as fast as its many; its own types only know the other way in. */
declare module "css-tree/dist/csstree.esm" {
  export * from "css-tree";
}
