/** Where a piece stands: its id as a part of an address, whatever is in it. */

/** A part of dots alone is a way up to every browser, escaped or not: it goes behind a tilde, and so does what begins with one. */
function partOf(id: string): string {
  return encodeURIComponent(/^[.~]/.test(id) ? `~${id}` : id);
}

/** The id again, of the part of an address as the router gives it. */
export function idIn(part: string): string {
  return part.startsWith("~") ? part.slice(1) : part;
}

export function toPiece(id: string, ...of: readonly string[]): string {
  return ["/piece", partOf(id), ...of].join("/");
}

export function toRecord(id: string): string {
  return `/book/${partOf(id)}`;
}

export function toBath(id: string): string {
  return `/kit/${partOf(id)}`;
}

/** A new piece made as another was. */
export function toLike(id: string): string {
  return `/new?like=${encodeURIComponent(id)}`;
}

/** A coupon of the same bar as a piece. */
export function toCoupon(id: string): string {
  return `/new?coupon=${encodeURIComponent(id)}`;
}

/** The dial of a thing of the kit, to be checked. */
export function toCheck(id: string): string {
  return `/kit?check=${encodeURIComponent(id)}`;
}

/** A new thing of a kind, to be put in the kit. */
export function toAdd(kind: string): string {
  return `/kit?add=${kind}`;
}
