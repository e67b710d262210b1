import { tellWhere } from "./header.ts";

for (const header of document.querySelectorAll("[data-lumbit-is~=header]")) tellWhere(header);
