import * as N from "/work/main/core/src/index.js";
import { runMembers as nm } from "/work/main/core/src/simulate/hardenSpread.js";
import { hardenPlanOf as np } from "/work/main/core/src/simulate/predict.js";
const piece: N.Piece = { name: "Billhook", mark: "7", kind: "hook", form: "billhook", steel: "1075", start: "as-forged", use: "sickle", length_mm: 376, section: { shape: "wedge", spine_mm: 6.5, edge_mm: 0.9, height_mm: 62 } };
const route = N.planRoute(N.CATALOGUE, piece, "forge");
const b = np(N.CATALOGUE, piece, route);
for (let i = 0; i < 60; i++) nm(b, 24, 0, 24);
