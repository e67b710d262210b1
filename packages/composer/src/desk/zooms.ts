/** How large the large stage is drawn: as large as there is room, or at a share of its own size. */
export interface Zoom {
  id: string;
  words: string;
  zoom?: number;
}

export const fits: Zoom = { id: "fit", words: "fits" };

export const zooms: readonly Zoom[] = [
  fits,
  { id: "50", words: "50 %", zoom: 0.5 },
  { id: "75", words: "75 %", zoom: 0.75 },
  { id: "100", words: "100 %", zoom: 1 },
];
