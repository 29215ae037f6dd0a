/** Where the journeys find the demo shop, a shop with an empty book, and one server for each journey that opens a simulated shop: a server has one. */
export const DEMO_PORT = 43781;
export const EMPTY_PORT = 43782;
export const DEMO = `http://127.0.0.1:${DEMO_PORT}`;
export const EMPTY = `http://127.0.0.1:${EMPTY_PORT}`;
export const FORGE_PRACTICE_PORT = 43783;
export const KILN_PRACTICE_PORT = 43784;
export const FORGE_PRACTICE = `http://127.0.0.1:${FORGE_PRACTICE_PORT}`;
export const KILN_PRACTICE = `http://127.0.0.1:${KILN_PRACTICE_PORT}`;
/** A server of its own for the journey that puts a newer build on it. */
export const NEWER_PORT = 43785;
export const NEWER = `http://127.0.0.1:${NEWER_PORT}`;
