import { driftAnimations } from "./drift-animations.ts";

/** What plays the drift of a picture that is cropped to its pane. */
export const croppedDrift = driftAnimations(["lumbit-drift", "lumbit-crop"]);
