/** The quick form of `applyChange`: what changeKernel.ts proposed becomes structure, hardness and heat. A node's places are listed there. */

import type { ChangeKernel } from "./changeKernel.js";
import { BAINITE_HV, PEARLITE_HV } from "./hardness.js";
import { startDrop_K } from "./martensite.js";
import { CEMENTITE_CARBON_wtpct, MOST_ENRICHED_wtpct } from "./structure.js";
import { ALL_LAMELLAR_K, ALL_ROUND_K, ENOUGH_CARBIDE } from "./transform.js";

/** As `applyChange`. `released` gets the heat of the change, by volume, of every active node: `latent` for all of it. */
export function applyQuickly(kernel: ChangeKernel, middle_C: Float64Array, released: Float64Array, latent: number): void {
  const { s, active, activeCount, least, ferrite_HV, node } = kernel;
  const { ferrite, pearlite, bainite, martensite, looseCarbon_wtpct, lamellarCarbon_wtpct, martensiteCarbon_wtpct } = s;
  const { formedHardness_HV } = s;
  const C0 = s.bar.C;
  const [pearlite_HV, bainite_HV] = [PEARLITE_HV, BAINITE_HV];
  const lastP_C = pearlite_HV.length - 1;
  const lastB_C = bainite_HV.length - 1;
  for (let n = 0; n < activeCount; n++) {
    const i = active[n]!;
    const c = i << 5;
    let gF = node[c + 24]!;
    let gP = node[c + 25]!;
    let gB = node[c + 26]!;
    const sum = gF + gP + gB;
    if (sum <= 0) continue;
    const F = ferrite[i]!;
    const P = pearlite[i]!;
    const B = bainite[i]!;
    const left = 1 - F - P - B - martensite[i]!;
    if (gP > 0) {
      node[c + 16] = node[c + 27]!;
      node[c + 17] = node[c + 28]!;
    }
    if (gB > 0) {
      node[c + 18] = node[c + 29]!;
      node[c + 19] = node[c + 30]!;
    }
    if (sum > left) {
      gF *= left / sum;
      gP *= left / sum;
      gB *= left / sum;
      node[c + 17] = 0;
      node[c + 19] = 0;
    }
    gF += node[c + 20]! - F;
    gP += node[c + 21]! - P;
    gB += node[c + 22]! - B;
    node[c + 20] = F + gF;
    node[c + 21] = P + gP;
    node[c + 22] = B + gB;
    const dF = gF >= least ? gF : 0;
    const dP = gP >= least ? gP : 0;
    const dB = gB >= least ? gB : 0;
    if (dF + dP + dB === 0) continue;

    const T = middle_C[i]!;
    const loose = looseCarbon_wtpct[i]!;
    const lamellar = lamellarCarbon_wtpct[i]!;
    const inAustenite = C0 - loose - lamellar - martensiteCarbon_wtpct[i]!;
    const carbon = (inAustenite > 0 ? inAustenite : 0) / (left > 0.05 ? left : 0.05);
    let round = 0;
    let formed = dF * ferrite_HV[i]!;
    if (dP > 0) {
      if (loose > 0) {
        const near = (ALL_LAMELLAR_K - (node[c]! - T)) / (ALL_LAMELLAR_K - ALL_ROUND_K);
        if (near > 0) {
          const enough = loose / CEMENTITE_CARBON_wtpct / ENOUGH_CARBIDE;
          round = (enough < 1 ? enough : 1) * (near > 1 ? 1 : near);
          const more = loose + round * dP * carbon;
          looseCarbon_wtpct[i] = more;
          s.carbide_um[i]! *= Math.cbrt(more / loose);
          s.spheroidite[i]! += round * dP;
        }
      }
      const at_C = T + node[c + 12]!;
      const t = at_C < 0 ? 0 : at_C > lastP_C ? lastP_C : at_C;
      const d = t >= lastP_C ? lastP_C - 1 : t | 0;
      const plain = pearlite_HV[d]! + (t - d) * (pearlite_HV[d + 1]! - pearlite_HV[d]!);
      const hardness = plain * node[c + 13]! + node[c + 14]!;
      formed += dP * (round * ferrite_HV[i]! + (1 - round) * hardness);
    }
    if (dB > 0) {
      const t = T < 0 ? 0 : T > lastB_C ? lastB_C : T;
      const d = t >= lastB_C ? lastB_C - 1 : t | 0;
      const plain = bainite_HV[d]! + (t - d) * (bainite_HV[d + 1]! - bainite_HV[d]!);
      formed += dB * (plain * node[c + 15]! + node[c + 23]!);
    }
    ferrite[i] = F + dF;
    pearlite[i] = P + dP;
    bainite[i] = B + dB;
    lamellarCarbon_wtpct[i] = lamellar + ((1 - round) * dP + dB) * carbon;
    formedHardness_HV[i]! += formed;
    released[i] = latent * (dF + dP + dB);
    if (dF > 0) {
      const still = C0 - looseCarbon_wtpct[i]! - lamellarCarbon_wtpct[i] - martensiteCarbon_wtpct[i]!;
      const room = left - dF - dP - dB;
      const enriched = (still > 0 ? still : 0) / (room > 0.05 ? room : 0.05);
      const base_wtpct = node[c + 8]!;
      const rich = Math.max(base_wtpct, Math.min(enriched, MOST_ENRICHED_wtpct));
      s.martensiteStart_C[i] = node[c + 11]! + startDrop_K(base_wtpct, rich);
    }
  }
}

/** Sets the heat of the last step's changes back to none. */
export function clearReleased({ active, activeCount }: ChangeKernel, released: Float64Array): void {
  for (let n = 0; n < activeCount; n++) released[active[n]!] = 0;
}
