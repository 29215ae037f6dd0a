export { FileTestPage } from "./FileTestPage.js";
