/** What the page sends to a worker. */

import type { Job } from "@tembrak/core";

/** Once the flag it looks at between the parts of its work, then jobs by number. */
export type ToWorker =
  { readonly type: "flag"; readonly givenUp: Int32Array } | { readonly type: "job"; readonly id: number; readonly job: Job };
