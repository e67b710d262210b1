/** Whether the file of a picture ends before its picture does, by its own account of its length. */
export function isCutOff(bytes: Buffer, format: string): boolean {
  switch (format) {
    case "png":
      return bytes.lastIndexOf("IEND", undefined, "latin1") < 0;
    case "jpeg":
      return bytes.lastIndexOf(Buffer.from([0xff, 0xd9])) < 0;
    case "webp":
      return bytes.readUInt32LE(4) + 8 > bytes.length;
    case "gif":
      return bytes.lastIndexOf(0x3b) < bytes.length - 1024;
    case "heif":
      return boxesEnd(bytes) > bytes.length;
    default:
      return false;
  }
}

/** Where the boxes of a file in the ISO base media format end, by what they say of their sizes. */
function boxesEnd(bytes: Buffer): number {
  let at = 0;
  while (at + 8 <= bytes.length) {
    const size = bytes.readUInt32BE(at);
    // 0 reaches to the end of the file, and 1 is followed by a long size.
    if (size === 0) return bytes.length;
    const length = size === 1 && at + 16 <= bytes.length ? Number(bytes.readBigUInt64BE(at + 8)) : size;
    if (length < 8) return bytes.length;
    at += length;
  }
  return at;
}
