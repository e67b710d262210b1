import { mount } from "lumbit/markup";

mount(document.body);
