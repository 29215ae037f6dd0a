/** How a piece is heated: in what, and by what one sees that it is hot enough. Two questions, as the way is; the four schools are four pairs of answers. Pure. */

import { HEATED_IN, SCHOOLS, type HeatedIn, type Heating, type JudgedBy, type School } from "../schema/book.js";

export const SCHOOL_HEATING: Readonly<Record<School, Heating>> = {
  forge: { in: "forge", by: "shade" },
  kiln: { in: "kiln", by: "controller" },
  magnet: { in: "forge", by: "touch" },
  falling: { in: "forge", by: "pull" },
};

/** By what a heat can be judged there, the usual first: no magnet is held into salt, and no fire has a controller (common practice, no source). */
export const JUDGES: Readonly<Record<HeatedIn, readonly JudgedBy[]>> = {
  forge: ["shade", "touch", "pull", "colour", "probe"],
  coal: ["shade", "touch", "pull", "colour", "probe"],
  torch: ["colour", "shade", "touch", "pull"],
  kiln: ["controller", "probe", "shade", "touch", "pull", "colour"],
  salt: ["probe", "controller"],
};

export const HEATINGS: readonly Heating[] = HEATED_IN.flatMap((place) => JUDGES[place].map((by) => ({ in: place, by })));

export function heatingOf(said: School | Heating): Heating {
  return typeof said === "string" ? SCHOOL_HEATING[said] : said;
}

export function isSameHeating(a: Heating, b: Heating): boolean {
  return a.in === b.in && a.by === b.by;
}

/** The school that is called so; null for a pair that has no name of its own. */
export function schoolOf(heating: Heating): School | null {
  return SCHOOLS.find((school) => isSameHeating(SCHOOL_HEATING[school], heating)) ?? null;
}

/** The same in another place: what was as usual there is as usual here, and what was chosen stays where it can be judged so. */
export function judgedIn(place: HeatedIn, { in: was, by }: Heating): Heating {
  const [usual] = JUDGES[place] as [JudgedBy, ...JudgedBy[]];
  return { in: place, by: by === JUDGES[was][0] || !JUDGES[place].includes(by) ? usual : by };
}

/** Whether a heat is held there as long as one likes, the same all over. No fire does that. */
export function canHold({ in: place }: Heating): boolean {
  return place === "kiln" || place === "salt";
}

/** Whether it is a number that says when: set or read, and not seen or felt. */
export function isByNumber({ by }: Heating): boolean {
  return by === "controller" || by === "probe";
}

/** Whether it goes by itself to where it was set and stays there. */
export function isControlled({ by }: Heating): boolean {
  return by === "controller";
}

/** Whether there is a door, and a wall that takes its time. */
export function isInKiln(route: { readonly heating: Heating } | null | undefined): boolean {
  return route?.heating.in === "kiln";
}
