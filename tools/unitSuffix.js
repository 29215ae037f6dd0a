/**
 * Lint rule: a name that carries a unit may only meet a name with the same unit.
 * The tails of two names standing directly on both sides of `=`, `:`, `+`, `-`, `<` and of `return` must agree.
 */
const UNITS = [
  "C",
  "K",
  "F",
  "s",
  "ms",
  "min",
  "h",
  "m",
  "mm",
  "um",
  "nm",
  "in",
  "kg",
  "lb",
  "g",
  "L",
  "gal",
  "J",
  "W",
  "Pa",
  "kPa",
  "psi",
  "mol",
  "lux",
  "mV",
  "HRC",
  "HV",
  "HBW",
  "HRA",
  "wtpct",
  "px",
];
const COMPOUND = [
  "W_mK",
  "W_m2K",
  "J_m3K",
  "J_m3",
  "J_kg",
  "J_kgK",
  "kg_m3",
  "1_s",
  "1_K",
  "1_um",
  "C_s",
  "C_min",
  "C_h",
  "K_min",
  "K_h",
  "K_s",
  "J_molK",
  "cal_molK",
  "cd_m2",
  "W_m2",
  "m_K",
  "lm_W",
  "nm_K",
  "K_wtpct",
  "HRC_K",
  "W_m2K4",
  "W_m2_sr_nm",
  "min_mm",
  "px_mm",
];
const BARE = new Set(["temperature", "thickness", "hardness", "duration"]);
const ALL = [...COMPOUND, ...UNITS].sort((a, b) => b.length - a.length);

/** Differences that books and the command line call so since before `_K` was chosen: agreed with others, they keep their names. */
const AGREED = new Set([
  "bias_C",
  "flashMargin_C",
  "maxRate_C_s",
  "offset_C",
  "offsetSd_C",
  "rate_C_h",
  "rate_C_min",
  "rise_C",
  "sd_C",
  "swing_C",
  "uncertainty_C",
]);
/** Beginnings, or all, of names of differences. */
const DIFFERENCE =
  /^(bias|difference|drop|dropped|error|errors|flashMargin|maxRate|offset|offsetSd|rate|rise|scatter|sd|shift|swing|uncertainty|wander)_C(_\w+)?$/i;

function unitOf(name) {
  if (typeof name !== "string" || name === name.toUpperCase()) return null;
  if (AGREED.has(name)) return ALL.find((unit) => name.endsWith(`_${unit}`)).replace("C", "K");
  return ALL.find((unit) => name.endsWith(`_${unit}`)) ?? null;
}

function nameOf(node) {
  if (!node) return null;
  if (node.type === "Identifier") return node.name;
  if (node.type === "MemberExpression" && !node.computed && node.property.type === "Identifier") return node.property.name;
  if (node.type === "CallExpression") return nameOf(node.callee);
  if (node.type === "TSNonNullExpression" || node.type === "TSAsExpression") return nameOf(node.expression);
  return null;
}

export const unitSuffix = {
  meta: {
    type: "problem",
    schema: [],
    messages: {
      differ: "{{left}} and {{right}} have different units",
      bare: "{{name}} needs a unit suffix",
      difference: "{{name}} is a difference: its unit is _K",
    },
  },
  create(context) {
    const meet = (node, a, b) => {
      const [left, right] = [nameOf(a), nameOf(b)];
      const [ua, ub] = [unitOf(left), unitOf(right)];
      // A difference in kelvin is added to degrees Celsius.
      const isShift = (node.operator === "+" || node.operator === "-") && [ua, ub].every((u) => u === "C" || u === "K");
      if (ua !== null && ub !== null && ua !== ub && !isShift) context.report({ node, messageId: "differ", data: { left, right } });
    };
    const bare = (node) => {
      const key = node.key ?? node;
      // A field that names a unit ("C" or "F") is no quantity: only numbers need a suffix.
      const isNumber = node.typeAnnotation?.typeAnnotation?.type === "TSNumberKeyword";
      if (isNumber && key.type === "Identifier" && BARE.has(key.name))
        context.report({ node: key, messageId: "bare", data: { name: key.name } });
    };
    const call = (node) => {
      const name = node?.type === "AssignmentPattern" ? node.left.name : node?.name;
      if (typeof name === "string" && DIFFERENCE.test(name) && !AGREED.has(name))
        context.report({ node, messageId: "difference", data: { name } });
    };
    return {
      ":function": (node) => node.params.forEach(call),
      PropertyDefinition: (node) => call(node.key),
      VariableDeclarator: (node) => {
        call(node.id);
        if (node.id.type === "Identifier") meet(node, node.id, node.init);
      },
      AssignmentExpression: (node) => ["=", "+=", "-="].includes(node.operator) && meet(node, node.left, node.right),
      BinaryExpression: (node) => ["+", "-", "<", ">", "<=", ">=", "==="].includes(node.operator) && meet(node, node.left, node.right),
      Property: (node) => !node.shorthand && node.parent.type === "ObjectExpression" && meet(node, node.key, node.value),
      TSPropertySignature: (node) => {
        bare(node);
        call(node.key);
      },
    };
  },
};
