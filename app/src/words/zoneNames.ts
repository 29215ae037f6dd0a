/** The parts of a piece by the names its smith has for them: a blade has an edge and a spine, a bar has a body and two ends. */

import { ZONES, type Section, type Zone } from "@tembrak/core";

const BAR: Readonly<Partial<Record<Zone, string>>> = { tip: "working end", spine: "body", tang: "other end" };

/** An end of a bar that has two hard ones. */
export function endName(end: "working" | "other"): string {
  return end === "working" ? "working end" : "other end";
}

/** The parts there are, as one looks along it. */
export function zonesFor({ shape }: Section): readonly Zone[] {
  return shape === "wedge" ? ZONES : ["tip", "spine", "tang"];
}

export function zoneName(zone: Zone, { shape }: Section): string {
  return shape === "wedge" ? zone : (BAR[zone] ?? "body");
}
