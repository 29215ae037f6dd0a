/** Every limit that stands in a schema. */

export interface Schema {
  readonly type?: string;
  readonly minimum?: number;
  readonly maximum?: number;
  readonly minLength?: number;
  readonly maxLength?: number;
  readonly minItems?: number;
  readonly maxItems?: number;
  readonly properties?: Readonly<Record<string, Schema>>;
  readonly items?: Schema;
  readonly oneOf?: readonly Schema[];
  readonly anyOf?: readonly Schema[];
  readonly discriminator?: { readonly propertyName: string };
  readonly const?: unknown;
  readonly enum?: readonly unknown[];
}

const KEYS = ["minimum", "maximum", "minLength", "maxLength", "minItems", "maxItems"] as const;

/** Every limit of a schema by where it stands: `harden/temperature_C/minimum`. */
export function limitsOf(schema: Schema, at: string, found: Record<string, number> = {}): Record<string, number> {
  for (const key of KEYS) if (schema[key] !== undefined) found[`${at}/${key}`] = schema[key];
  if (schema.enum !== undefined) found[`${at}/choices`] = schema.enum.length;
  for (const [name, inner] of Object.entries(schema.properties ?? {})) limitsOf(inner, `${at}/${name}`, found);
  if (schema.items !== undefined) limitsOf(schema.items, `${at}[]`, found);
  for (const inner of [...(schema.oneOf ?? []), ...(schema.anyOf ?? [])]) {
    const tag = schema.discriminator?.propertyName;
    const name = tag === undefined ? "" : String((inner.properties?.[tag]?.const as string | undefined) ?? "");
    limitsOf(inner, name === "" ? at : `${at}:${name}`, found);
  }
  return found;
}
