import { conformance } from "./suite.ts";

conformance("webkit");
