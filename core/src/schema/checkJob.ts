/** What a worker checks: its jobs. */

import { validators } from "../generated/workerValidators.js";
import { makeChecker } from "./check.js";

export const { requireValid: requireJob } = /* @__PURE__ */ makeChecker(validators);
