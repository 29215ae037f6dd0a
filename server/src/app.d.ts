/** The Express app: the built pages, what the server says of itself, and headers that allow nothing else. */
import { type Express } from "express";
import type { PracticeShop } from "@tembrak/core";
export interface AppDeps {
  /** Folder of the built app. */
  readonly pages: string;
  /** Whether an empty book may be filled with the made-up shop. */
  readonly demo: boolean;
  /** Told of every simulated shop that is opened: for those who measure what the screens say of it. */
  readonly onShop?: (shop: PracticeShop) => void;
}
export declare function makeApp({ pages, demo, onShop }: AppDeps): Express;
