export { BenchPage } from "./BenchPage.js";
