import { href, Link } from "react-router";
import { formatDuration, formatMass, formatVolume } from "#core/quantity";
import { kindWords, lidName, saltWords } from "../../words/plan";
import type { Choosing, Planned } from "./route";

/** Everything to lay out before the day, with what is missing. */
export function LayOut({ data }: { data: Choosing & Planned }) {
  const { out, units, looks } = data;
  return (
    <section className="mt-8 border-t-4 border-bench pt-3" aria-label="What you need">
      <h2 className="text-[1.35rem]">What you need</h2>
      <dl className="mt-2 grid gap-x-6 gap-y-2 sm:grid-cols-[auto_1fr]">
        {out.vessels.map((v) => (
          <div key={v.kind} className="contents">
            <dt className="text-[1.15rem] font-[650]">{kindWords(v.kind, v.count)}</dt>
            <dd>
              {v.missing === null ? (
                <span className="text-soft">not counted in the Shed</span>
              ) : v.missing > 0 ? (
                <b className="text-stop">{v.missing} short</b>
              ) : (
                "clean and whole, in the Shed"
              )}
              {". "}
              {v.lidsMissing === null ? (
                <span className="text-soft">{lidName(v.kind, v.count)}, not counted</span>
              ) : (
                <>
                  {lidName(v.kind, v.count)}
                  {v.lids.length > 0 && `: ${v.lids.map((l) => `${l.count} from ${l.label}`).join(", ")}`}
                  {v.lidsMissing > 0 && <b className="text-stop">, {v.lidsMissing} short</b>}
                </>
              )}
            </dd>
          </div>
        ))}
        {out.water.map((w) => (
          <div key={w.canner} className="contents">
            <dt>{w.canner}</dt>
            <dd>
              {formatVolume(w.litres, units)} of water{w.times > 1 ? ` for each of ${w.times} loads` : ""}
            </dd>
          </div>
        ))}
        {out.liquidLitres > 0 && (
          <>
            <dt>For the hot packs</dt>
            <dd>{formatVolume(out.liquidLitres, units)} of hot broth or water, about</dd>
          </>
        )}
        {out.saltTsp > 0 && (
          <>
            <dt>Salt</dt>
            <dd>{saltWords(out.saltTsp)} in all, for flavor only</dd>
          </>
        )}
        <dt>Vinegar</dt>
        <dd>{out.vinegarTbsp} tbsp for the rims, twice where it is fatty</dd>
        {out.gasKg !== null && (
          <>
            <dt>Gas</dt>
            <dd>
              about {formatMass(out.gasKg, units)}, an estimate: have half as much again.{" "}
              {out.boiledLitres !== null &&
                `A load boils off about ${formatVolume(out.boiledLitres, units)}.`}
            </dd>
          </>
        )}
        {out.thaw.map((t) => (
          <div key={t.lotId} className="contents">
            <dt>Lot {looks[t.lotId]!.code}</dt>
            <dd>
              {t.readyAt !== null
                ? "thawing already"
                : `thaws about ${formatDuration(t.hours * 3600)} in the fridge`}
              :{" "}
              <Link to={href("/plan/day")} className="underline underline-offset-4">
                the day says when to take it out
              </Link>
            </dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
