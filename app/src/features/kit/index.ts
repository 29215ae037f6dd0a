export { KitPage } from "./KitPage.js";
