/** The block at the foot of the sheet: where one can go, and the shop's present facts, each opening its own adjust sheet. */

import { nearestByRatio } from "../format/nearest.js";
import { ambientFromLux, firstVisible_C } from "@tembrak/core";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import { useState, type ReactNode } from "react";
import { NavLink, useLocation } from "react-router";
import { showTemperature, showTimeOfDay } from "../format/show.js";
import type { Settings } from "../store/db.js";
import { useNow, useSet, useSettings } from "../store/useStore.js";
import { FireCard } from "./FireCard.js";
import { NAVIGATION, placeIn } from "../views.js";
import "./titleBlock.css";

export const LIGHTS = [
  { lux: 1, name: "dark" },
  { lux: 20, name: "dim" },
  { lux: 300, name: "bright" },
  { lux: 1000, name: "open shade" },
  { lux: 50000, name: "sun" },
] as const;

/** Where one looks, after "in": "in dim light", "in the sun". */
export function inLight(lux: number): string {
  const name = lightName(lux);
  return name === "sun" ? "the sun" : name === "open shade" ? "open shade" : `${name} light`;
}

export function lightName(lux: number): string {
  return nearestByRatio(LIGHTS, (light) => light.lux, lux).name;
}

type Sheet = "light" | "units" | null;

function Fact({ label, value, onOpen }: { label: string; value: string; onOpen?: () => void }) {
  const inside = (
    <>
      <span className="drawn tb-label">{label}</span>
      <span className="tb-value">{value}</span>
    </>
  );
  if (!onOpen) return <div className="tb-fact tb-still">{inside}</div>;
  return (
    <button type="button" className="tb-fact" onClick={onOpen}>
      {inside}
    </button>
  );
}

function Choice<T extends string | number>({
  label,
  value,
  options,
  onPick,
}: {
  label: string;
  value: T;
  options: readonly (readonly [T, string])[];
  onPick: (value: T) => void;
}) {
  return (
    <div style={{ margin: "14px 0" }}>
      <div style={{ color: "var(--ink2)", marginBottom: 6 }}>{label}</div>
      <ToggleButtonGroup
        exclusive
        value={value}
        aria-label={label}
        onChange={(_, picked: T | null) => picked !== null && onPick(picked)}
        sx={{ flexWrap: "wrap" }}
      >
        {options.map(([option, text]) => (
          <ToggleButton key={option} value={option}>
            {text}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
    </div>
  );
}

function AdjustSheet({ title, isOpen, onClose, children }: { title: string; isOpen: boolean; onClose: () => void; children: ReactNode }) {
  return (
    <Dialog open={isOpen} onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>{title}</DialogTitle>
      <DialogContent>{children}</DialogContent>
      <DialogActions>
        <Button variant="contained" onClick={onClose}>
          Done
        </Button>
      </DialogActions>
    </Dialog>
  );
}

function LightSheet({ settings }: { settings: Settings }) {
  const set = useSet();
  const first_C = firstVisible_C(ambientFromLux(settings.ambient_lux));
  return (
    <>
      <p style={{ margin: 0, color: "var(--ink2)" }}>
        The same steel looks cooler in more light. Tell Tembrak the light in which you judge it.
      </p>
      <Choice
        label="Light where you look at the steel"
        value={LIGHTS.find(({ lux }) => lux === settings.ambient_lux)?.lux ?? 20}
        options={LIGHTS.map(({ lux, name }) => [lux, name] as const)}
        onPick={(ambient_lux) => set({ ambient_lux })}
      />
      <p style={{ margin: 0 }}>
        {settings.ambient_lux >= 20000
          ? "Do not judge a heat in sunlight: most of the glow cannot be seen. Go into shade."
          : `In this light the first glow shows at about ${showTemperature(first_C, settings)}.`}
      </p>
      <Choice
        label="This screen"
        value={settings.theme}
        options={[
          ["forge", "Forge, dim"],
          ["yard", "Yard, daylight"],
        ]}
        onPick={(theme) => set({ theme })}
      />
      <Choice
        label="The bench calls by"
        value={settings.cues}
        options={[
          ["flash", "flash"],
          ["sound", "flash and sound"],
          ["speech", "flash, sound and voice"],
        ]}
        onPick={(cues) => set({ cues })}
      />
    </>
  );
}

function UnitsSheet({ settings }: { settings: Settings }) {
  const set = useSet();
  return (
    <>
      <p style={{ margin: 0, color: "var(--ink2)" }}>Only what is shown changes. What is stored stays exactly as you gave it.</p>
      <Choice
        label="Temperature"
        value={settings.temperature}
        options={[
          ["C", "Celsius"],
          ["F", "Fahrenheit"],
        ]}
        onPick={(temperature) => set({ temperature })}
      />
      <Choice
        label="Length"
        value={settings.length}
        options={[
          ["mm", "Millimetres"],
          ["in", "Inches and fractions"],
        ]}
        onPick={(length) => set({ length })}
      />
      <Choice
        label="Heats that matter"
        value={settings.symbols ? "symbols" : "words"}
        options={[
          ["words", "In words"],
          ["symbols", "In symbols (Ac1, Ms)"],
        ]}
        onPick={(as) => set({ symbols: as === "symbols" })}
      />
    </>
  );
}

export function TitleBlock() {
  const settings = useSettings();
  const now_ms = useNow(10000);
  const { pathname } = useLocation();
  const [sheet, setSheet] = useState<Sheet>(null);
  const [isFireOpen, setFireOpen] = useState(false);
  const place = placeIn(pathname);
  return (
    <footer className="title-block">
      <div className="tb-name">
        <span className="tb-title">Tembrak</span>
        <span className="drawn tb-shop">{settings.shopName}</span>
      </div>
      <nav className="tb-nav" aria-label="Main">
        {NAVIGATION.map(({ name, nav, to }) => (
          <NavLink key={name} to={to} className={name === place ? "tb-link here" : "tb-link"}>
            {nav}
          </NavLink>
        ))}
      </nav>
      <Fact label="Light" value={`${lightName(settings.ambient_lux)}, ${settings.ambient_lux} lx`} onOpen={() => setSheet("light")} />
      <Fact label="Units" value={`°${settings.temperature}, ${settings.length}`} onOpen={() => setSheet("units")} />
      <button type="button" className="tb-fact tb-fire" onClick={() => setFireOpen(true)} aria-label="Fire: what to do">
        <span className="drawn tb-label">If oil burns</span>
        <span className="tb-value">What to do</span>
      </button>
      <Fact label="Clock" value={showTimeOfDay(now_ms)} />
      <AdjustSheet title="Light" isOpen={sheet === "light"} onClose={() => setSheet(null)}>
        <LightSheet settings={settings} />
      </AdjustSheet>
      <AdjustSheet title="Units" isOpen={sheet === "units"} onClose={() => setSheet(null)}>
        <UnitsSheet settings={settings} />
      </AdjustSheet>
      <FireCard isOpen={isFireOpen} onClose={() => setFireOpen(false)} />
    </footer>
  );
}
