export { CardPage } from "./CardPage.js";
