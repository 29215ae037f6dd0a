export { RackPage } from "./RackPage.js";
