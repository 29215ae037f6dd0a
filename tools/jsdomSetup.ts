/** What jsdom leaves out and the app leans on. */
import "fake-indexeddb/auto";
import { TextDecoder, TextEncoder } from "node:util";

globalThis.structuredClone ??= ((value: unknown): unknown => JSON.parse(JSON.stringify(value))) as typeof structuredClone;
Object.assign(globalThis, { TextDecoder, TextEncoder });
