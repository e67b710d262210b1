import { mount } from "lumbit";

mount(document.body);
