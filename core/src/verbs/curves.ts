/** Verbs that check the model against what handbooks and test houses print: ttt, cool, jominy, thermocouple. */

import { CATALOGUE } from "../catalogue.js";
import { InputError } from "../errors.js";
import { constantBoundary, mediumBoundary } from "../heat/media.js";
import { typeKTemperature_C, typeKVoltage_mV } from "../heat/thermocouple.js";
import { resolveSteel } from "../plan/catalogue.js";
import { requireAny } from "../schema/checkAll.js";
import { coolBody } from "../simulate/cool.js";
import { endQuench, endQuenchSpread, isothermalDiagram } from "../simulate/diagrams.js";
import { resolveMedium } from "./medium.js";

export function tttVerb(input: unknown) {
  const { steel, astmGrain } = requireAny("VerbTtt", input);
  return isothermalDiagram(resolveSteel(CATALOGUE, steel).composition_wtpct, astmGrain);
}

export function jominyVerb(input: unknown) {
  const { steel, astmGrain } = requireAny("VerbJominy", input);
  const { composition_wtpct } = resolveSteel(CATALOGUE, steel);
  const { points, half_mm } = endQuench(composition_wtpct, astmGrain);
  const heats = endQuenchSpread(composition_wtpct, astmGrain).points;
  return {
    points: points.map(({ distance_mm, hardness_HRC, martensite }, i) => ({
      distance_mm,
      hrc: heats[i]!.mean_HRC,
      p05: heats[i]!.p05_HRC,
      p95: heats[i]!.p95_HRC,
      nominal: hardness_HRC,
      martensite,
    })),
    halfMartensite_mm: half_mm,
  };
}

export function coolVerb(input: unknown) {
  const { section, start_C, medium, bath_C, agitation, time_s, material } = requireAny("VerbCool", input);
  const found = resolveMedium(medium, "/medium");
  const face =
    found.kind === "textbook" ? constantBoundary(found.heatTransfer_W_m2K, bath_C) : mediumBoundary(found, bath_C, agitation ?? "none");
  return coolBody({ section, start_C, face, time_s, material: material ?? "steel" });
}

export function thermocoupleVerb(input: unknown) {
  const { emf_mV, temperature_C, coldJunction_C = 0 } = requireAny("VerbThermocouple", input);
  if ((emf_mV === undefined) === (temperature_C === undefined)) {
    throw new InputError({ code: "inconsistent", path: "", message: "Give either emf_mV or temperature_C." });
  }
  if (temperature_C !== undefined) return { temperature_C, emf_mV: typeKVoltage_mV(temperature_C) - typeKVoltage_mV(coldJunction_C) };
  return { temperature_C: typeKTemperature_C(emf_mV!, coldJunction_C), emf_mV: emf_mV! };
}
