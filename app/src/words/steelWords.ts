/** What a piece is made of, in words. */

import { CATALOGUE, cladOf, type Cladding, type Piece } from "@tembrak/core";

export const CLADDING_WORDS: Readonly<Record<Cladding["material"], string>> = {
  "mild-steel": "iron or mild steel",
  stainless: "stainless",
};

/** Its steel; where it is clad, the core's steel and what is on it. */
export function steelWords({ steel, section, cladding }: Piece): string {
  const name = CATALOGUE.steel(steel)?.name ?? steel;
  const clad = cladOf(section, cladding);
  return clad === null ? name : `${name} in ${CLADDING_WORDS[clad.material]}`;
}
