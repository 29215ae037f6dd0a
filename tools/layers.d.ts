export declare const CORE: Readonly<Record<string, readonly string[]>>;
export declare const APP: Readonly<Record<string, readonly string[]>>;
export declare function foldersOf(root: string): string[];
export declare function forbiddenTo(table: Readonly<Record<string, readonly string[]>>, folder: string): string[];
