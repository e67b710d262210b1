declare module "node-webpmux" {
  export interface Frame {
    delay: number;
  }
  const Image: {
    /** A still WebP picture as a frame that is shown so many milliseconds. */
    generateFrame(of: { buffer: Buffer; delay: number }): Promise<Frame>;
    /** The bytes of an animated WebP picture, when there is no path to write it to. */
    save(
      path: null,
      of: { frames: readonly Frame[]; width: number; height: number; loops: number },
    ): Promise<Buffer>;
  };
  export default { Image };
}
