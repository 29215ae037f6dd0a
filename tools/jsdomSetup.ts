/** What jsdom leaves out and the app leans on. */
import { configure } from "@testing-library/dom";
import "fake-indexeddb/auto";
import { TextDecoder, TextEncoder } from "node:util";

// What is waited for comes in a second, but not on a machine with ten other things to do.
configure({ asyncUtilTimeout: 10_000 });

globalThis.structuredClone ??= ((value: unknown): unknown => JSON.parse(JSON.stringify(value))) as typeof structuredClone;
Object.assign(globalThis, { TextDecoder, TextEncoder });
if (!("text" in Blob.prototype)) {
  Object.assign(Blob.prototype, {
    text(this: Blob): Promise<string> {
      return new Promise((done) => {
        const reader = new FileReader();
        reader.onload = () => done(reader.result as string);
        reader.readAsText(this);
      });
    },
  });
}
globalThis.ResizeObserver ??= class implements ResizeObserver {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
};
