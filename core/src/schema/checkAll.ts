/** Every shape there is: for the command line, the server and the tests. Too much for a page. */

import { validators } from "../generated/validators.js";
import { makeChecker } from "./check.js";

export const { check: checkAny, requireValid: requireAny } = /* @__PURE__ */ makeChecker(validators);
