/**
 * Fonts that readers have, in their own units: what a page is set in until its font arrives. The figures are those of
 * the font files (head, hhea, OS/2), as @capsizecss/metrics 4.3.0 lists them with those of every font of the web.
 */
export const arial = {
  familyName: "Arial",
  fullName: "Arial",
  postscriptName: "ArialMT",
  capHeight: 1467,
  ascent: 1854,
  descent: -434,
  lineGap: 67,
  unitsPerEm: 2048,
  xHeight: 1062,
  xWidthAvg: 913,
};
export const roboto = {
  familyName: "Roboto",
  fullName: "Roboto Regular",
  postscriptName: "Roboto-Regular",
  capHeight: 1456,
  ascent: 1900,
  descent: -500,
  lineGap: 0,
  unitsPerEm: 2048,
  xHeight: 1082,
  xWidthAvg: 911,
};
export const timesNewRoman = {
  familyName: "Times New Roman",
  fullName: "Times New Roman",
  postscriptName: "TimesNewRomanPSMT",
  capHeight: 1356,
  ascent: 1825,
  descent: -443,
  lineGap: 87,
  unitsPerEm: 2048,
  xHeight: 916,
  xWidthAvg: 832,
};
export const notoSerif = {
  familyName: "Noto Serif",
  fullName: "Noto Serif Regular",
  postscriptName: "NotoSerif-Regular",
  capHeight: 714,
  ascent: 1069,
  descent: -293,
  lineGap: 0,
  unitsPerEm: 1000,
  xHeight: 536,
  xWidthAvg: 481,
};
