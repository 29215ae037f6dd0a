/** Which core answers here, by what it is made of: no answer of another counts. Null where nothing was built, and it may change under way. */

declare const CORE_BUILD: string | undefined;

export const coreBuild: string | null = typeof CORE_BUILD === "undefined" ? null : CORE_BUILD;
