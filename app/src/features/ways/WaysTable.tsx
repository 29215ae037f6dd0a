/** The ways one under another: how often each lands, where edge and back come to, and what it costs. */

import Radio from "@mui/material/Radio";
import type { PlanWay, Solved } from "@tembrak/core";
import { showChance, showHardness, showThin, type Units } from "../../format/show.js";
import { showHours, showOneIn, temperCount, WAY_NAMES } from "../../words/planWords.js";

interface Props {
  readonly solved: Solved;
  readonly chosen: PlanWay;
  /** Of the group of radios. */
  readonly name: string;
  readonly place: string;
  readonly thickest: string;
  readonly units: Units;
  readonly onChoose: (way: PlanWay) => void;
}

const [WIDE, HIGH] = [230, 34];
/** So much beyond what is wanted is drawn on either side, HRC. */
const BESIDE_HRC = 5;

interface RangeProps {
  readonly from: number;
  readonly mean: number;
  readonly to: number;
  readonly low: number;
  readonly high: number;
}

/** Where nine in ten come to, on a line with the jaws of what is wanted. */
function HardnessRange({ from, mean, to, low, high }: RangeProps) {
  const x = (hrc: number): number => Math.min(WIDE, Math.max(0, ((hrc - low + BESIDE_HRC) / (high - low + 2 * BESIDE_HRC)) * WIDE));
  return (
    <svg viewBox={`0 0 ${WIDE} ${HIGH}`} className="drawn ways-range" aria-hidden="true">
      <rect x={x(low)} y={2} width={x(high) - x(low)} height={HIGH - 4} className="ways-wanted" />
      <path d={`M${x(low) + 5} 2h-5v${HIGH - 4}h5M${x(high) - 5} 2h5v${HIGH - 4}h-5`} className="ways-jaw" />
      <path d={`M${x(from)} 11v12M${x(from)} 17H${x(to)}M${x(to)} 11v12`} className="ways-spread" />
      <circle cx={x(mean)} cy={17} r={4.5} className="ways-mean" />
    </svg>
  );
}

export function WaysTable({ solved: { ways, target }, chosen, name, place, thickest, units, onChoose }: Props) {
  return (
    <table className="ways-table">
      <thead>
        <tr>
          <th scope="col">way</th>
          <th scope="col">lands</th>
          <th scope="col">
            {place}, HRC, wanted {target.low_HRC} to {target.high_HRC}
          </th>
          <th scope="col">{thickest}</th>
          <th scope="col">hours</th>
          <th scope="col">grain</th>
          <th scope="col">skin lost</th>
          <th scope="col">cracks</th>
        </tr>
      </thead>
      <tbody>
        {ways.map((way) => (
          <tr key={way.name} data-way={way.name} className={way.name === chosen ? "is-chosen" : undefined}>
            <th scope="row">
              <label>
                <Radio name={name} value={way.name} checked={way.name === chosen} onChange={() => onChoose(way.name)} />
                <span>
                  {WAY_NAMES[way.name]}
                  <small className="ways-dip">{temperCount(way)}</small>
                </span>
              </label>
            </th>
            <td>
              <span className="ways-bar" style={{ width: `${Math.round(70 * way.chance)}px` }} aria-hidden="true" />
              {showChance(way.chance)}
            </td>
            <td>
              <HardnessRange
                from={way.working.p05_HRC}
                mean={way.working.mean_HRC}
                to={way.working.p95_HRC}
                low={target.low_HRC}
                high={target.high_HRC}
              />
              <span>
                {showHardness(way.working.mean_HRC, 1)}{" "}
                <small>
                  {showHardness(way.working.p05_HRC)} to {showHardness(way.working.p95_HRC)}
                </small>
              </span>
              {way.isEmbrittled ? <small className="ways-dip">in the dip of toughness; clear of it lands less often</small> : null}
            </td>
            <td>{showHardness(way.thickest.mean_HRC)}</td>
            <td>{showHours(way.hours)}</td>
            <td>{Math.round(way.astmGrain)}</td>
            <td>{showThin(way.skin_mm, units)}</td>
            <td>{showOneIn(way.crackChance)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
