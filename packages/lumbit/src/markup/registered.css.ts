const lengths = [
  "v",
  "h",
  "l",
  "length",
  "before",
  "after",
  "lo",
  "hi",
  "auto",
  "t",
  "ph",
  "plo",
  "phi",
  "over-top",
  "over-bottom",
  "over-left",
  "over-right",
  "swing",
];

/**
 * What the model registers (for the document, since shadow roots cannot register) is computed once, on the scene; its layers
 * inherit lengths in px instead of formulas.
 */
export const propertyCss = `${lengths.map((name) => `@property --lumbit-${name} { syntax: "<length>"; inherits: true; initial-value: 0px; }`).join("\n")}
@property --lumbit-settle { syntax: "<length>"; inherits: true; initial-value: 0px; }
${["enter-x", "enter-y", "leave-x", "leave-y", "hold-x", "hold-y"].map((name) => `@property --lumbit-${name} { syntax: "<length>"; inherits: false; initial-value: 0px; }`).join("\n")}
${["own", "shift"].flatMap((name) => ["x", "y"].map((axis) => `@property --lumbit-${name}-${axis} { syntax: "<length-percentage>"; inherits: false; initial-value: 0px; }`)).join("\n")}
@property --lumbit-cover { syntax: "<number>"; inherits: false; initial-value: 1; }
@property --lumbit-paned { syntax: "<number>"; inherits: false; initial-value: 0; }
@property --lumbit-clipped { syntax: "*"; inherits: false; }
@property --lumbit-clip { syntax: "*"; inherits: false; }
@property --lumbit-blur { syntax: "<length>"; inherits: false; initial-value: 0px; }
${["brightness", "saturation"].map((name) => `@property --lumbit-${name} { syntax: "<number>"; inherits: false; initial-value: 1; }`).join("\n")}
`;
