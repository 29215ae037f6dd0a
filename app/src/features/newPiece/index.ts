export { NewPiecePage } from "./NewPiecePage.js";
export { MeasurePage } from "./MeasurePage.js";
