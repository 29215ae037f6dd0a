/** The end of a switch over a closed kind: the compiler refuses it while a kind has no case. */
export function unsaid(kind: never): never {
  throw new Error(`nothing is said of ${JSON.stringify(kind)}`);
}
