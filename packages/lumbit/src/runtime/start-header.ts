import { measureHeader, tellWhere } from "./header.ts";

for (const header of document.querySelectorAll("[data-lumbit-is~=header]")) {
  measureHeader(header);
  tellWhere(header);
}
