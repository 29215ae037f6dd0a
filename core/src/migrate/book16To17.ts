/** Version 17: a quench is a list of dips, and a school two answers. Until then it was one bath with ten marks beside it, some of which contradicted each other. */

type Loose = Readonly<Record<string, unknown>>;

function isObject(value: unknown): value is Loose {
  return typeof value === "object" && value !== null && !Array.isArray(value);
}

/** What the schools of version 16 are: in what, and by what. */
const HEATING: Readonly<Record<string, Loose>> = {
  forge: { in: "forge", by: "shade" },
  kiln: { in: "kiln", by: "controller" },
  magnet: { in: "forge", by: "touch" },
  falling: { in: "forge", by: "pull" },
};

/** How warm a second bath was taken to be where nobody said, C. Frozen: what a bath is today stands in the catalogue. */
const USUAL_C: Readonly<Record<string, number>> = {
  water: 25,
  brine: 25,
  "quench-paste": 25,
  "metal-plates": 25,
  "still-air": 25,
  vermiculite: 25,
};
const OIL_C = 55;
/** Each of two ends by turns went under so many times. */
const TURNS = 6;

const lasting = (s: unknown): Loose => (s === undefined ? { is: "cold" } : { is: "seconds", s });

/** Where marks contradicted each other the bench's reading is kept, for that is what was done: a back first, then turns, then a second dip. */
function dipsOf(step: Loose): Loose[] {
  const { medium, bath_C, agitation, edgeDepth_mm, edgeFirst, part, leavesHeat, bath_s, then, turns, backFirst } = step;
  const into: Loose = { medium, bath_C, agitation };
  const edge: Loose = { under: "edge", depth_mm: edgeDepth_mm };
  const end = (which: unknown, depth_mm: unknown): Loose => ({ under: which === "working" ? "end" : "other-end", depth_mm });
  const under: Loose =
    edgeDepth_mm !== undefined
      ? edge
      : isObject(part)
        ? end(part["end"], part["depth_mm"])
        : { under: "all", ...(edgeFirst === true ? { laid: true } : {}) };
  const last = leavesHeat === true ? { is: "keeps-heat" } : lasting(bath_s);
  if (isObject(backFirst) && edgeDepth_mm !== undefined)
    return [
      { under: "back", depth_mm: backFirst["depth_mm"], into, until: lasting(backFirst["after_s"]) },
      { ...edge, into, until: last },
    ];
  if (isObject(turns) && isObject(part)) {
    const ends = [end(part["end"], part["depth_mm"]), end(part["end"] === "working" ? "other" : "working", turns["depth_mm"])];
    const times = [turns["first_s"], turns["second_s"]];
    return Array.from({ length: 2 * TURNS }, (_, i) => ({
      ...ends[i % 2],
      into,
      until: i >= 2 * TURNS - 2 ? { is: "cold" } : lasting(times[i % 2]),
    }));
  }
  if (isObject(then)) {
    const other = then["medium"] ?? medium;
    const usual_C = typeof other === "string" ? (USUAL_C[other] ?? OIL_C) : OIL_C;
    const second: Loose = { medium: other, bath_C: then["bath_C"] ?? (other === medium ? bath_C : usual_C), agitation };
    return [
      { ...under, into, until: lasting(then["after_s"]) },
      { under: "all", into: second, until: last },
    ];
  }
  return [{ ...under, into, until: last }];
}

/** A step as version 17 has it; one that is no quench, or has its dips already, as it is. */
export function step16To17(step: unknown): unknown {
  if (!isObject(step) || step["kind"] !== "quench" || step["dips"] !== undefined) return step;
  const { kind, transfer_s, clay, why, said } = step;
  const kept = Object.entries({ transfer_s, clay, why, said }).filter(([, value]) => value !== undefined);
  return { kind, dips: dipsOf(step), ...Object.fromEntries(kept) };
}

/** Any event as version 17 has it; what does not look like one of version 16 is left for the schema to refuse. */
export function event16To17(event: unknown): unknown {
  if (!isObject(event) || event["kind"] !== "route" || !isObject(event["route"])) return event;
  const { school, steps, ...kept } = event["route"];
  const heating = typeof school === "string" && Object.hasOwn(HEATING, school) ? HEATING[school] : school;
  const told = event["route"]["heating"] ?? heating;
  return {
    ...event,
    route: { ...kept, ...(told === undefined ? {} : { heating: told }), steps: Array.isArray(steps) ? steps.map(step16To17) : steps },
  };
}
