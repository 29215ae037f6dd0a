export { BookPage } from "./BookPage.js";
export { RecordPage } from "./RecordPage.js";
