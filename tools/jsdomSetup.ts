/** What jsdom leaves out and the app leans on. */
import "fake-indexeddb/auto";

if (globalThis.structuredClone === undefined) {
  globalThis.structuredClone = (<T>(value: T): T => JSON.parse(JSON.stringify(value)) as T) as typeof structuredClone;
}
