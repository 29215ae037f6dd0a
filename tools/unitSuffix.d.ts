import type { Rule } from "eslint";
export declare const unitSuffix: Rule.RuleModule;
