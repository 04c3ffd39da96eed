import { href, Link } from "react-router";
import { isCan, shapeOf } from "#core/schedule";
import { countOf } from "#core/quantity";
import type { ContainerNow } from "#store/rest";
import { Button } from "#ui/button";
import { Countdown, useNow } from "#ui/clock";
import { OneTap } from "#ui/form";
import { ContainerGlyph, contentsOf, patternOf, type GlyphState } from "#ui/glyph";
import { Code } from "#ui/lotmark";
import { CAN_LOOKS, JAR_LOOKS } from "../../words/rest";
import { whenWords, type Times } from "../../words/time";
import type { RestData } from "./data";

type Resting = RestData["resting"][number];

const LOST = { none: "", some: "lost some liquid", half: "lost half or more" } as const;

/** One load on the towel, as it was lifted out, and a tap for each lid when the rest is over. */
export function Towel({ run: r, times }: { run: Resting; times: Times }) {
  const now = useNow();
  const ready = now >= r.checkAt && r.outcome === "processed";
  const unchecked = r.containers.filter((c) => c.seal === null);
  const left = unchecked.length;
  // What lost half its liquid is looked at by itself.
  const full = unchecked.filter((c) => (r.out[c.code] ?? "none") !== "half");
  const cans = r.containers.every((c) => isCan(c.kind));
  const how = cans
    ? "Both ends drawn in, seams smooth and dry. Never into water."
    : "Band off, press the middle: down and still means sealed.";
  return (
    <section className="mb-10" aria-label={`Run ${r.code}`}>
      <div className="flex flex-wrap items-end justify-between gap-4">
        <div>
          <h2 className="text-[1.3rem]">
            {r.load} <Code>{r.code}</Code>
          </h2>
          <p className="text-soft">
            {ready
              ? `${how} ${countOf(left, cans ? "can" : "lid")} to go, in the order they came out.`
              : `On the towel since ${whenWords(r.unloadedAt, now, times)}. Do not touch them before ${whenWords(r.checkAt, now, times)}.`}
          </p>
          {r.fillers && <p>{r.fillers}</p>}
        </div>
        {!ready && r.outcome === "processed" && (
          <Countdown until={r.checkAt} className="text-[3.6rem] leading-none" />
        )}
        {ready && (
          <p className="fig text-[3.6rem] leading-none font-bold" aria-hidden="true">
            {r.containers.length - left}
            <span className="text-soft"> of {r.containers.length}</span>
          </p>
        )}
      </div>
      <ol className="mt-3 flex flex-wrap items-end gap-x-5 gap-y-6 border-b-4 border-amber pb-1">
        {r.containers.map((c) => (
          <li key={c.id} className="flex w-[8.6rem] flex-col items-center">
            <ContainerGlyph
              shape={shapeOf(c.kind, c.mouth)}
              state={stateOf(c)}
              contents={contentsOf(c.product, r.species[c.packId] ?? [])}
              pattern={patternOf(c.packCode)}
              scale={0.72}
              // What was found is said; that it rests, its heading says of all of them.
              label={c.seal === null ? "" : undefined}
            />
            <Link
              to={href("/c/:code", { code: c.code })}
              className="flex min-h-12 min-w-12 items-center justify-center text-ink no-underline hover:underline"
            >
              <Code>{c.code}</Code>
            </Link>
            {LOST[r.out[c.code] ?? "none"] && (
              <span className="text-center text-[0.86rem] text-amber">{LOST[r.out[c.code]!]}</span>
            )}
            {ready && c.seal === null && <Looks c={c} />}
            {ready && c.seal !== null && !c.disposition && !c.moved && (
              <details>
                <summary className="flex min-h-12 cursor-pointer items-center justify-center text-[0.92rem] text-soft">
                  Look again
                </summary>
                <Looks c={c} />
              </details>
            )}
          </li>
        ))}
      </ol>
      {ready && full.length > 1 && (
        <OneTap
          className="mt-4 flex flex-wrap items-center gap-x-5 gap-y-2"
          says={{ key: r.key, intent: "seal-all", run: r.code, codes: full.map((c) => c.code).join(" ") }}
        >
          <Button weight="do">
            {cans
              ? `All ${full.length} are sealed: I checked each`
              : `All ${full.length} lids are down: I pressed each`}
          </Button>
          {full.length < left && (
            <span className="text-soft">Check those that lost half or more of their liquid one by one.</span>
          )}
        </OneTap>
      )}
    </section>
  );
}

/** Two big taps for what every container is asked, and behind a line what is seen now and then. */
function Looks({ c }: { c: Resting["containers"][number] }) {
  const looks = isCan(c.kind) ? CAN_LOOKS : JAR_LOOKS;
  const [sound, bad, ...rest] = looks;
  const button = (choice: (typeof looks)[number], weight: "quiet" | "stop" | "bare") => (
    <Button
      key={choice.key}
      name="look"
      value={choice.key}
      weight={weight}
      className="!px-2"
      aria-label={`${c.code}: ${choice.label.charAt(0).toLowerCase()}${choice.label.slice(1)}`}
    >
      {choice.label}
    </Button>
  );
  return (
    <OneTap
      className="flex w-full flex-col gap-2 pb-2"
      says={{ key: c.key, intent: "seal", containerId: c.id }}
    >
      {button(sound!, "quiet")}
      {button(bad!, "stop")}
      <details>
        <summary className="flex min-h-12 cursor-pointer items-center justify-center text-[0.92rem] text-soft">
          Sealed, but…
        </summary>
        <div className="flex flex-col gap-2">{rest.map((l) => button(l, "bare"))}</div>
      </details>
    </OneTap>
  );
}

function stateOf(c: ContainerNow): GlyphState {
  if (c.seal === null) return "resting";
  return c.seal === "sealed" ? "sealed" : "failed";
}
