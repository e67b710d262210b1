import { conformance } from "./suite.ts";

conformance("chromium");
