/** What a page checks: its store, its files, the simulated shop. */

import { validators } from "../generated/pageValidators.js";
import { makeChecker } from "./check.js";

export const { check, requireValid } = /* @__PURE__ */ makeChecker(validators);
