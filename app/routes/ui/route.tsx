import { useState } from "react";
import { SHAPES } from "#core/schedule";
import { kPaFromPsi } from "#core/quantity";
import { Button } from "#ui/button";
import { Notice } from "#ui/form";
import { ContainerGlyph, PATTERN_LETTERS, STATE_NAMES, type GlyphState } from "#ui/glyph";
import { PressureColumn } from "#ui/gauge";
import { Code, LotMark } from "#ui/lotmark";
import { Figure, Page, Part } from "#ui/page";
import { Board, Canner, ColdBox, Hanging, Sealer, Sheet } from "../../ui/bench/place-drawing";

/** In development only: a page that shows the whole design system. */
export function loader() {
  if (!import.meta.env.DEV && process.env.LARDER_SHOW_UI !== "1")
    throw new Response("This page is for development.", { status: 404 });
  return null;
}

const COLOURS = [
  "paper",
  "sheet",
  "ink",
  "soft",
  "rule",
  "copper",
  "steam",
  "moss",
  "amber",
  "stop",
  "bench",
];

export default function DesignSystem() {
  const [theme, setTheme] = useState("light");
  const show = (name: string) => {
    setTheme(name);
    document.documentElement.dataset.theme = name;
  };
  return (
    <Page title="The design system" lead="Everything in app/ui, in every state.">
      <title>Design system · Patient Larder</title>
      <div className="space-y-10">
        <Part title="Themes">
          <div className="flex gap-3">
            {["light", "dark", "glare"].map((t) => (
              <Button key={t} onClick={() => show(t)} aria-pressed={theme === t}>
                {t}
              </Button>
            ))}
          </div>
          <ul className="mt-4 flex flex-wrap gap-3">
            {COLOURS.map((c) => (
              <li key={c} className="text-[0.86rem]">
                <span
                  className="block h-12 w-24 rounded border-2 border-ink"
                  style={{ background: `var(--${c})` }}
                />
                {c}
              </li>
            ))}
          </ul>
        </Part>
        <Part title="One drawing, every state, never by colour alone">
          <div className="flex flex-wrap items-end gap-8">
            {(Object.keys(STATE_NAMES) as GlyphState[]).map((s) => (
              <div key={s} className="text-center">
                <div className="flex items-end gap-2">
                  <ContainerGlyph shape={SHAPES[2]!} state={s} pattern="A" scale={0.85} />
                  <ContainerGlyph shape={SHAPES[7]!} state={s} pattern="B" contents="fish" scale={0.85} />
                </div>
                {STATE_NAMES[s]}
              </div>
            ))}
          </div>
        </Part>
        <Part title="Containers, to true relative size">
          <div className="flex flex-wrap items-end gap-4">
            {SHAPES.map((s, i) => (
              <div key={s.name} className="text-center text-[0.86rem]">
                <ContainerGlyph
                  shape={s}
                  state="sealed"
                  pattern={PATTERN_LETTERS[i % 6]!}
                  contents={(["meat", "fish", "bird", "broth"] as const)[i % 4]!}
                  scale={0.8}
                />
                {s.name}
              </div>
            ))}
          </div>
        </Part>
        <Part title="Lots: colour, pattern and letter">
          <div className="flex flex-wrap gap-4">
            {["B2M-9", "7K4-R", "XQ3-D", "PNR-6", "4HT-W", "V9C-2"].map((c) => (
              <div key={c} className="flex items-center gap-2">
                <LotMark code={c} contents="meat" size={48} /> <Code>{c}</Code>
              </div>
            ))}
          </div>
        </Part>
        <Part title="Buttons: at rest, off, and at the stove">
          <div className="flex flex-wrap gap-3">
            <Button weight="do">Weight is on</Button>
            <Button>Steam is not steady</Button>
            <Button weight="stop">Throw it out</Button>
            <Button weight="bare">Undo</Button>
            <Button disabled>Not yet</Button>
            <Button size="stove" weight="do">
              Still at 13
            </Button>
          </div>
        </Part>
        <Part title="Figures and notices">
          <div className="flex flex-wrap gap-10">
            <Figure value="75" unit="min" label="at pressure" />
            <Figure value="1¼" unit="in" label="headspace" />
            <div className="space-y-3">
              <Notice tone="good">Tested; due again 3 June 2027.</Notice>
              <Notice tone="care">Extra rule for this food. Vent to 30 minutes.</Notice>
              <Notice tone="stop">No tested process.</Notice>
            </div>
          </div>
        </Part>
        <Part title="Pressure">
          <div className="flex h-[480px] flex-wrap gap-6 overflow-hidden">
            {[12.4, 13, 13.4, 16].map((psi) => (
              <PressureColumn
                key={psi}
                floorKPa={kPaFromPsi(13)}
                safeMaxKPa={kPaFromPsi(20)}
                says="enough"
                readingKPa={kPaFromPsi(psi)}
                units="us"
              />
            ))}
          </div>
        </Part>
        <Part title="What stands in the places">
          <div className="flex flex-wrap items-end gap-8">
            <Hanging />
            <ColdBox lots={4} />
            <Board />
            <Sheet />
            <Sealer />
            <Canner steaming lit />
          </div>
        </Part>
      </div>
    </Page>
  );
}
