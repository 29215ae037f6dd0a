/** What of the kit a piece does not fit, and at least three ways on, each a key where the application can take it. */

import {
  canDraw,
  CATALOGUE,
  drawsFor,
  fitProblems,
  formOf,
  hardensFor,
  inFire_mm,
  intoOf,
  isInKiln,
  isLaid,
  joinedOvens,
  LIMITS,
  lastFor,
  lastOf_s,
  missingFor,
  SCHOOL_HEATING,
  secondDip,
  underOf,
  wayOf,
  withInFire,
  type FitPlace,
  type FitWay,
  type Heating,
  type Kit,
  type NewKitItem,
  type Piece,
  type Quench,
  type Route,
  type Way,
} from "@tembrak/core";
import Button from "@mui/material/Button";
import { Link } from "react-router";
import { FIT_WAY_KEYS, FIT_WAY_WORDS, fitSentence } from "../words/fitWords.js";
import { showLength, type Units } from "../format/show.js";
import "./fitNotice.css";

interface Replanned {
  readonly heating: Heating;
  readonly way: Way;
}

/** The plan a way on leads to; null for one that is no plan, or that this kit cannot do either. */
export function replanned(on: FitWay, piece: Piece, route: Route, kit: Kit | null): Replanned | null {
  const { heating } = route;
  const way = wayOf(route);
  const part = hardensFor(piece.section).find((hardens) => hardens === "edge" || hardens === "face");
  switch (on) {
    case "colour-run": {
      const draws = (["torch", "hot-bar"] as const).find((by) => drawsFor(way.hardens).includes(by) && canDraw(by, kit));
      return draws === undefined ? null : { heating, way: { ...way, draws } };
    }
    case "temper-in-tray": {
      const draws = (["sand", "oil"] as const).find((by) => way.draws !== by && drawsFor(way.hardens).includes(by) && canDraw(by, kit));
      return draws === undefined ? null : { heating, way: { ...way, draws } };
    }
    case "open-forge":
      return missingFor("forge", kit) === null && isInKiln(route) ? { heating: SCHOOL_HEATING.forge, way } : null;
    case "hot-in-kiln":
      return missingFor("kiln", kit) === null ? { heating: SCHOOL_HEATING.kiln, way } : null;
    case "only-working-part":
    case "only-hard-part":
    case "end-as-deep":
      return part === undefined || way.hardens === part ? null : { heating, way: { ...way, hardens: part } };
    default:
      return null;
  }
}

interface Props {
  readonly piece: Piece;
  readonly route: Route;
  readonly kit: Kit | null;
  readonly units: Units;
  /** Where it is still to go; everywhere, when left out. */
  readonly places?: readonly FitPlace[] | undefined;
  /** Left out where the plan is no longer open. */
  readonly onReplan?: ((heating: Heating, way: Way) => void) | undefined;
  readonly onRoute?: ((route: Route) => void) | undefined;
  /** Puts a thing into the kit. */
  readonly onKit?: ((item: NewKitItem) => void) | undefined;
}

/** The route with its blade laid in edge first; null where it is no blade, lies already, or only a part of it goes in. */
export function laidIn(piece: Piece, route: Route): Route | null {
  const at = route.steps.findLastIndex(({ kind }) => kind === "quench");
  const quench = route.steps[at];
  const isHung = quench?.kind === "quench" && underOf(quench).what === "whole" && !isLaid(quench);
  if (piece.section.shape !== "wedge" || !isHung) return null;
  return { ...route, steps: route.steps.map((step, i) => (i === at ? laid(quench) : step)) };
}

function laid(quench: Quench): Quench {
  return { ...quench, dips: quench.dips.map((dip) => (dip.under === "all" ? { ...dip, laid: true } : dip)) };
}

/** The route with its quench in its first bath alone; null where it has no second. */
export function inOneBath(route: Route): Route | null {
  const at = route.steps.findLastIndex(({ kind }) => kind === "quench");
  const quench = route.steps[at];
  const second = quench?.kind === "quench" ? secondDip(quench) : null;
  if (quench?.kind !== "quench" || second === null || second.into.medium === intoOf(quench).medium) return null;
  const alone = lastFor({ ...quench, dips: quench.dips.slice(0, 1) }, lastOf_s(quench));
  return { ...route, steps: route.steps.map((step, i) => (i === at ? alone : step)) };
}

export function FitNotice({ piece, route, kit, units, places, onReplan, onRoute, onKit }: Props) {
  const all = fitProblems(CATALOGUE, piece, formOf(piece), route, kit);
  const problems = places === undefined ? all : all.filter(({ place }) => places.includes(place));
  if (problems.length === 0) return null;
  return (
    <div className="fit-notice">
      {problems.map((problem) => {
        const sentence = fitSentence(problem, units);
        return (
          <details key={sentence}>
            <summary>
              <b>{sentence}</b> What you can do
            </summary>
            <ul>
              {problem.ways.map((on) => {
                const single = on === "one-bath" && onRoute !== undefined ? inOneBath(route) : null;
                const joined = on === "two-ovens" && kit !== null ? joinedOvens(kit) : null;
                const part =
                  on === "door-on-part" && problem.what === "length" && onRoute !== undefined
                    ? Math.floor((inFire_mm(piece, route) ?? piece.length_mm) - problem.over_mm)
                    : null;
                const laid = on === "edge-trough" && onRoute !== undefined ? laidIn(piece, route) : null;
                const plan = onReplan === undefined ? null : replanned(on, piece, route, kit);
                return (
                  <li key={on}>
                    {FIT_WAY_WORDS[on]}{" "}
                    {plan === null ? null : (
                      <Button variant="text" size="small" onClick={() => onReplan!(plan.heating, plan.way)}>
                        {FIT_WAY_KEYS[on] ?? "Plan it so"}
                      </Button>
                    )}
                    {joined === null || onKit === undefined ? null : (
                      <Button variant="text" size="small" onClick={() => onKit(joined)}>
                        They stand so
                      </Button>
                    )}
                    {single === null ? null : (
                      <Button variant="text" size="small" onClick={() => onRoute!(single)}>
                        Plan one bath
                      </Button>
                    )}
                    {part === null || part < LIMITS.harden.inFire_mm[0] ? null : (
                      <Button variant="text" size="small" onClick={() => onRoute!(withInFire(route, part))}>
                        Plan {showLength(part, units)} of it in the {problem.place}
                      </Button>
                    )}
                    {laid === null ? null : (
                      <Button variant="text" size="small" onClick={() => onRoute!(laid)}>
                        Lay it in edge first
                      </Button>
                    )}
                  </li>
                );
              })}
              <li>
                What the kit has is not up to date?{" "}
                <Button variant="text" size="small" component={Link} to="/kit">
                  To the kit
                </Button>
              </li>
            </ul>
          </details>
        );
      })}
    </div>
  );
}
