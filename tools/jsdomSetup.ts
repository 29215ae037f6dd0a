/** What jsdom leaves out and the app leans on. */
import "fake-indexeddb/auto";

globalThis.structuredClone ??= ((value: unknown): unknown => JSON.parse(JSON.stringify(value))) as typeof structuredClone;
