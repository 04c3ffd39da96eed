import { formatFraction, formatMass } from "#core/quantity";
import { CannerFromAbove } from "#ui/canner";
import { placeWords, progressWords } from "../../../words/pack";
import type { FillData, FillPart } from "./data";
import type { newestOf } from "./newest";

/** Where it will stand, and how the load goes against its plan. */
export function Aside({
  data,
  part,
  newest,
}: {
  data: FillData;
  part: FillPart;
  newest: ReturnType<typeof newestOf>;
}) {
  const n = part.containers.length + 1;
  const layer = data.places.findIndex((l) => l.some((p) => p.part === part.index && p.number === n));
  const looks = Object.fromEntries(
    data.parts.map((p) => [String(p.index), { code: p.lot.code, contents: p.contents }]),
  );
  const shownLayer = data.places[Math.max(0, layer)];
  const last = newest?.container;
  return (
    <aside
      aria-label="Compared with the plan"
      className="flex flex-col gap-4 bg-sheet px-5 py-4 max-lg:order-3 lg:border-l-2 lg:border-rule max-lg:border-t-2 max-lg:border-rule"
    >
      {data.canner && shownLayer && (
        <figure>
          <CannerFromAbove
            insideDiameterMm={data.canner.insideDiameterMm}
            layer={shownLayer}
            lots={looks}
            scale={Math.min(0.74, 240 / (data.canner.insideDiameterMm + 16))}
            label={`${data.canner.name}, layer ${Math.max(0, layer) + 1} from above`}
            standing={(p) => {
              const place = shownLayer.find((x) => x === p)!;
              const own = data.parts[place.part]!;
              if (place.number <= own.containers.length) return "filled";
              return place.part === part.index && place.number === n ? "next" : "empty";
            }}
          />
          <figcaption className="mt-1 text-[0.95rem]">
            Place in <b>{data.canner.name}</b>: {placeWords(layer < 0 ? null : layer, data.places.length)}
          </figcaption>
        </figure>
      )}
      <div aria-live="polite">
        <p className="fig text-[2.3rem] leading-none font-bold">
          {formatMass(part.progress.packedKg, data.units)}
          <span className="text-[1.15rem] font-[600]"> packed</span>
        </p>
        <p className="text-[0.98rem]">
          {formatMass(part.lot.leftKg, data.units)} of the lot left.{" "}
          {progressWords(part.progress, part.container, part.mouth, data.units)}
        </p>
      </div>
      <div className="min-h-0">
        {last && (
          <p>
            Write on {newest.part.container.startsWith("can-") ? "can" : "lid"} {last.number}:{" "}
            <span className="code text-[1.7rem] font-bold">{last.code}</span>
            <span className="block text-[0.92rem] text-soft">
              {last.massKg === null ? "not weighed" : formatMass(last.massKg, data.units)}
              {last.lidBox &&
                `, ${newest.part.container.startsWith("can-") ? "end" : "lid"} from ${last.lidBox}`}
            </span>
          </p>
        )}
        {newest && newest.part.containers.length > 1 && (
          <p className="mt-1 text-[0.92rem] text-soft">
            Before it:{" "}
            {newest.part.containers
              .slice(0, -1)
              .slice(-8)
              .map((c) => c.code)
              .join(", ")}
          </p>
        )}
      </div>
      <p className="text-[0.92rem] text-soft">
        {part.productName}, {part.minutes} min if canned alone, {formatFraction(part.publishedIn)} in
        headspace. {part.source}
      </p>
    </aside>
  );
}
