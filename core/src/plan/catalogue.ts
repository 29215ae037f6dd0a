/** The steels, media and uses that ship with the core, checked once and looked up by id. */

import { InputError } from "../errors.js";
import { assumedResiduals, withResiduals, type Composition } from "../kinetics/composition.js";
import { unlistedTemperSteel, type TemperSteel } from "../kinetics/temper.js";
import type { Medium, MediumFile } from "../schema/medium.js";
import type { SteelFile, UsesFile } from "../schema/steel.js";

export interface CatalogueFiles {
  readonly steels: readonly SteelFile[];
  readonly media: readonly MediumFile[];
  readonly uses: UsesFile;
}

export type Use = UsesFile["uses"][number];

export interface Catalogue {
  /** In the order a reader looks for them. */
  readonly steels: readonly SteelFile[];
  readonly media: readonly Medium[];
  readonly uses: readonly Use[];
  steel(id: string): SteelFile | undefined;
  medium(id: string): Medium | undefined;
  use(id: string): Use | undefined;
}

/** @throws InputError inconsistent when two files share an id, or a steel names a medium that is not there. */
export function makeCatalogue({ steels, media, uses }: CatalogueFiles): Catalogue {
  const byId = <T extends { readonly id: string }>(items: readonly T[], what: string): Map<string, T> => {
    const map = new Map(items.map((item) => [item.id, item]));
    if (map.size !== items.length) {
      throw new InputError({ code: "inconsistent", path: "", message: `Two ${what} in the catalogue share an id.` });
    }
    return map;
  };
  const [steelMap, mediumMap, useMap] = [byId(steels, "steels"), byId(media as readonly Medium[], "media"), byId(uses.uses, "uses")];
  for (const { id, bath } of steels) {
    if (!mediumMap.has(bath.medium)) {
      throw new InputError({ code: "unknown-medium", path: `/steels/${id}/bath/medium`, got: bath.medium });
    }
  }
  return {
    steels: [...steels].sort((a, b) => a.order - b.order),
    media: media,
    uses: uses.uses,
    steel: (id) => steelMap.get(id),
    medium: (id) => mediumMap.get(id),
    use: (id) => useMap.get(id),
  };
}

/** A steel named in the catalogue, or given by composition. */
export interface ResolvedSteel {
  /** Null for a steel given by composition. */
  readonly file: SteelFile | null;
  readonly name: string;
  /** With the usual residuals for those that nobody named. */
  readonly composition_wtpct: Composition;
  /** The part of it that is assumed so: it varies from bar to bar. */
  readonly assumed_wtpct: Partial<Composition>;
  readonly temper: TemperSteel;
}

export type SteelInput = string | { readonly composition_wtpct: Partial<Composition> };

/** @throws InputError unknown-steel for an id that is not in the catalogue. */
export function resolveSteel(catalogue: Catalogue, steel: SteelInput, path = "/steel"): ResolvedSteel {
  if (typeof steel !== "string") {
    const { composition_wtpct } = steel;
    return {
      file: null,
      name: "unlisted steel",
      composition_wtpct: withResiduals(composition_wtpct),
      assumed_wtpct: assumedResiduals(composition_wtpct),
      temper: unlistedTemperSteel(composition_wtpct),
    };
  }
  const file = catalogue.steel(steel.toLowerCase());
  if (file === undefined) {
    const known = catalogue.steels.map(({ id }) => id).join(", ");
    throw new InputError({
      code: "unknown-steel",
      path,
      got: steel,
      allowed: known,
      message: `${path}: no steel "${steel}" in the catalogue; it has ${known}, or give { "composition_wtpct": … }`,
    });
  }
  const { temper } = file;
  const unlisted = unlistedTemperSteel(temper.composition_wtpct);
  return {
    file,
    name: file.name,
    composition_wtpct: withResiduals(file.composition_wtpct.value),
    assumed_wtpct: assumedResiduals(file.composition_wtpct.value),
    temper: {
      ...unlisted,
      carbonInSolution_wtpct: temper.carbonInSolution_wtpct,
      ...(temper.nominalAsQuenched_HRC === undefined
        ? {}
        : { nominal_HRC: temper.nominalAsQuenched_HRC, trim_HRC: temper.trim_HRC ?? 0, isListed: true }),
    },
  };
}

/** What a piece, or its route, names that this catalogue does not have. */
export interface Unknown {
  readonly what: "steel" | "use" | "medium";
  readonly got: string;
}

/** Empty where all of it is known: only then can anything be worked out. */
export function unknownIn(
  catalogue: Catalogue,
  { steel, use }: { readonly steel: string; readonly use: string },
  route: { readonly steps: readonly { readonly kind: string }[] } | null,
): Unknown[] {
  const media = (route?.steps ?? []).flatMap((step) => (step.kind === "quench" && "medium" in step ? [String(step.medium)] : []));
  return [
    ...(catalogue.steel(steel.toLowerCase()) === undefined ? [{ what: "steel", got: steel } as const] : []),
    ...(catalogue.use(use) === undefined ? [{ what: "use", got: use } as const] : []),
    ...[...new Set(media)].flatMap((got) => (catalogue.medium(got) === undefined ? [{ what: "medium", got } as const] : [])),
  ];
}
