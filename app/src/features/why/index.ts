export { WhyPage } from "./WhyPage.js";
