import { conformance } from "./suite.ts";

conformance("firefox");
