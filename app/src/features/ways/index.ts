export { WaysPage } from "./WaysPage.js";
