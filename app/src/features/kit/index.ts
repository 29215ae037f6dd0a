export { KitPage } from "./KitPage.js";
export { BathPage } from "./BathPage.js";
