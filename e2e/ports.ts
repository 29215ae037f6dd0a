/** Where the journeys find the demo shop and a shop with an empty book. */
export const DEMO_PORT = 43781;
export const EMPTY_PORT = 43782;
export const DEMO = `http://127.0.0.1:${DEMO_PORT}`;
export const EMPTY = `http://127.0.0.1:${EMPTY_PORT}`;
