/**
 * Composition limits of the steels that found bars are made of, wt%. What a standard does not limit is what scrap leaves.
 * @source saeJ403 (SAE J403 and J404, ASTM A29, A686, A681, A295, rail by A1, EN 10132-4: all from memory)
 */

import type { Composition } from "../kinetics/composition.js";

export type Limits = Readonly<Partial<Record<keyof Composition, readonly [from: number, to: number]>>>;

export interface Grade {
  readonly id: string;
  readonly name: string;
  readonly limits: Limits;
  /** What it is to a smith: `low`, no hardening to speak of; `air`, hardens as it lies in air and asks for more than a forge. */
  readonly is?: "low" | "air";
}

/** Of elements that nobody limits, wt% (common practice, no source). */
export const SCRAP: Required<Limits> = {
  C: [0.1, 1.2],
  Mn: [0.4, 0.9],
  Si: [0.15, 0.35],
  Cr: [0.02, 0.18],
  Ni: [0.02, 0.15],
  Mo: [0, 0.03],
  V: [0, 0.005],
  W: [0, 0],
};

const plain = (id: string, C: readonly [number, number], Mn: readonly [number, number] = [0.6, 0.9], is?: "low"): Grade => ({
  id,
  name: id,
  limits: { C, Mn },
  ...(is === undefined ? {} : { is }),
});

export const GRADES: readonly Grade[] = [
  plain("1018", [0.15, 0.2], [0.6, 0.9], "low"),
  plain("1030", [0.28, 0.34], [0.6, 0.9], "low"),
  plain("1035", [0.32, 0.38]),
  plain("1040", [0.37, 0.44]),
  plain("1045", [0.43, 0.5]),
  plain("1050", [0.48, 0.55]),
  plain("1060", [0.55, 0.65]),
  plain("1070", [0.65, 0.75]),
  plain("1075", [0.7, 0.8], [0.4, 0.8]),
  plain("1078", [0.72, 0.85], [0.3, 0.6]),
  plain("1084", [0.8, 0.93]),
  plain("1095", [0.9, 1.03], [0.3, 0.5]),
  { id: "w1", name: "W1", limits: { C: [0.95, 1.3], Mn: [0.1, 0.4], Si: [0.1, 0.4] } },
  { id: "w2", name: "W2", limits: { C: [0.9, 1.2], Mn: [0.1, 0.4], Si: [0.1, 0.4], V: [0.15, 0.35] } },
  { id: "15n20", name: "15N20", limits: { C: [0.7, 0.8], Mn: [0.3, 0.5], Ni: [1.8, 2.1] } },
  { id: "80crv2", name: "80CrV2", limits: { C: [0.75, 0.85], Mn: [0.3, 0.5], Si: [0.25, 0.4], Cr: [0.4, 0.6], V: [0.15, 0.25] } },
  { id: "l6", name: "L6", limits: { C: [0.65, 0.75], Mn: [0.25, 0.8], Cr: [0.6, 1.2], Ni: [1.25, 2] } },
  { id: "5160", name: "5160", limits: { C: [0.56, 0.64], Mn: [0.75, 1], Cr: [0.7, 0.9] } },
  { id: "6150", name: "6150", limits: { C: [0.48, 0.53], Mn: [0.7, 0.9], Cr: [0.8, 1.1], V: [0.15, 0.3] } },
  { id: "9260", name: "9260", limits: { C: [0.56, 0.64], Mn: [0.75, 1], Si: [1.8, 2.2] } },
  { id: "52100", name: "52100", limits: { C: [0.98, 1.1], Mn: [0.25, 0.45], Cr: [1.3, 1.6] } },
  { id: "o1", name: "O1", limits: { C: [0.85, 1], Mn: [1, 1.4], Cr: [0.4, 0.6], V: [0, 0.2], W: [0.4, 0.6] } },
  { id: "4130", name: "4130", limits: { C: [0.28, 0.33], Mn: [0.4, 0.6], Cr: [0.8, 1.1], Mo: [0.15, 0.25] } },
  { id: "4140", name: "4140", limits: { C: [0.38, 0.43], Mn: [0.75, 1], Cr: [0.8, 1.1], Mo: [0.15, 0.25] } },
  { id: "4340", name: "4340", limits: { C: [0.38, 0.43], Mn: [0.6, 0.8], Cr: [0.7, 0.9], Ni: [1.65, 2], Mo: [0.2, 0.3] } },
  { id: "8620", name: "8620", limits: { C: [0.18, 0.23], Mn: [0.7, 0.9], Cr: [0.4, 0.6], Ni: [0.4, 0.7], Mo: [0.15, 0.25] }, is: "low" },
  { id: "s5", name: "S5", limits: { C: [0.5, 0.65], Mn: [0.6, 1], Si: [1.75, 2.25], Cr: [0.1, 0.35], Mo: [0.2, 0.5], V: [0, 0.2] } },
  { id: "a2", name: "A2", limits: { C: [0.95, 1.05], Mn: [0.5, 1], Cr: [4.75, 5.5], Mo: [0.9, 1.4], V: [0.15, 0.5] }, is: "air" },
  { id: "rail", name: "rail steel", limits: { C: [0.7, 0.86], Mn: [0.75, 1.25], Si: [0.1, 0.6], Cr: [0.05, 0.3] } },
  { id: "rope", name: "rope wire", limits: { C: [0.6, 0.9], Mn: [0.4, 0.8] } },
  { id: "rebar", name: "reinforcing bar", limits: { C: [0.2, 0.45], Mn: [0.8, 1.5], Si: [0.15, 0.5], Cr: [0.05, 0.3] } },
  // What no standard names: anything a furnace may hold.
  {
    id: "other",
    name: "some other steel",
    limits: { C: [0.15, 1.15], Mn: [0.3, 1.5], Si: [0.1, 1], Cr: [0.05, 1.2], Ni: [0.02, 0.8], Mo: [0, 0.2] },
  },
];

export function gradeOf(id: string): Grade | undefined {
  return GRADES.find((grade) => grade.id === id);
}
