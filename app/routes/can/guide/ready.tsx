import type { ReactNode } from "react";
import { Form, href, Link, useNavigation } from "react-router";
import { countOf, formatLength, formatSpoons, formatVolume, mmFromIn } from "#core/quantity";
import { isCan } from "#core/schedule";
import { CannerDrawing } from "#ui/bench";
import { Button } from "#ui/button";
import { keyFor, NoEnter, Notice } from "#ui/form";
import { Sealer } from "../../../ui/bench/place-drawing";
import { containersWords } from "../../../words/load";
import type { GuideData, ScreenOf } from "./data";
import { DoneButton } from "./done-button";
import { Row, StepPage } from "./frame";

/** Everything the load needs, to be laid out before the food comes out of the cold. */
export function LayOut({ data, screen }: { data: GuideData; screen: ScreenOf<"lay-out"> }) {
  const { containers } = data;
  const { canner } = screen;
  const cans = containers.some((c) => isCan(c.kind));
  const liquid = containers.reduce((sum, c) => sum + c.liquidLitres, 0);
  const salt = containers.reduce((sum, c) => sum + c.saltTsp, 0);
  const hot = containers.some((c) => c.hot);
  const total = containers.reduce((sum, c) => sum + c.count, 0);
  const lines = [
    ...containers.map((c) => [
      containersWords(c.kind, c.mouth, c.count),
      isCan(c.kind) ? "clean, flange without a dent" : hot ? "clean, kept hot" : "clean, no nick in the rim",
    ]),
    cans
      ? [countOf(total, "can end"), "dry, never washed; a few to spare"]
      : [`${countOf(total, "new lid")} and ${countOf(total, "band")}`, "bands without rust"],
    [
      `Headspace gauge, ${[...new Set(containers.map((c) => formatLength(mmFromIn(c.headspaceIn) / 1000, data.units)))].join(" and ")}`,
      cans ? "and a probe thermometer" : "a blade for air bubbles, a cloth and vinegar for the rims",
    ],
    ...(liquid > 0
      ? [
          [
            `${formatVolume(liquid, data.units)} of ${containers.find((c) => c.liquidLitres > 0)!.liquid}`,
            "boiling hot",
          ],
        ]
      : []),
    ...(salt > 0 ? [[`${formatSpoons(salt)} of salt`, "flavor only"]] : []),
    ...(canner
      ? [
          [
            `${canner.name}, its rack, lid and weight`,
            `${formatVolume(canner.waterLitres, data.units)} of water`,
          ],
        ]
      : []),
    ...(cans
      ? [["Can sealer", "and a pot of water that stands half way up the cans"]]
      : [["Jar lifter and towel", "the towel out of drafts"]]),
  ] as const;
  return (
    <StepPage
      data={data}
      figure={screen.minutes && screen.pressure ? `${screen.minutes}, ${screen.pressure}` : null}
      drawing={<Row data={data} state="open" />}
    >
      <ul className="grid gap-x-8 text-[1.1rem] md:grid-cols-2">
        {lines.map(([what, note]) => (
          <li key={what} className="border-t-2 border-rule py-2">
            <b className="font-[650]">{what}</b>
            <span className="block text-[0.95rem] text-soft">{note}</span>
          </li>
        ))}
      </ul>
      <DoneButton data={data} step="lay-out" label="All of it is here" />
    </StepPage>
  );
}

/** One part of the equipment at a time, each answered by itself. */
export function CheckEquipment({ data, screen }: { data: GuideData; screen: ScreenOf<"check"> }) {
  const { items, found, item } = screen;
  const busy = useNavigation().state !== "idle";
  const sound = items.filter((i) => found[i.key] === "sound").length;
  if (!item)
    return (
      <StepPage data={data}>
        <Button asChild>
          <Link to={href("/plan")}>Plan another load</Link>
        </Button>
      </StepPage>
    );
  const bad = found[item.key] === "bad";
  return (
    <StepPage
      data={data}
      figure={
        <>
          {sound} <span className="text-[0.6em] text-soft">of {items.length}</span>
        </>
      }
      drawing={
        <Drawn>{item.of === "sealer" ? <Sealer /> : <CannerDrawing steaming={false} lit={false} />}</Drawn>
      }
    >
      <section aria-label={item.name}>
        <h2 className="text-[1.7rem] leading-tight">{item.name}</h2>
        {item.wants && <p className="mt-1 text-[1.35rem] font-[650]">{item.wants}</p>}
        <p className="mt-1 text-[1.2rem]">{item.look}</p>
        {item.wrong && (
          <Notice tone="stop" className="mt-2">
            {item.wrong}
          </Notice>
        )}
        {bad && (
          <Notice tone="stop" className="mt-2">
            <b>{item.stops ? "Do not light this canner." : "Not in order."}</b> {item.otherwise} Then press
            OK.
          </Notice>
        )}
        <Form method="post" className="mt-4 grid max-w-[34rem] grid-cols-[2fr_1fr] gap-3">
          <NoEnter />
          <input type="hidden" name="key" value={keyFor(data.key, `check ${item.key}`)} />
          <input type="hidden" name="intent" value="check" />
          <input type="hidden" name="item" value={item.key} />
          <Button name="found" value="sound" weight="do" size="stove" disabled={busy}>
            OK
          </Button>
          <Button name="found" value="bad" weight="stop" size="stove" disabled={busy}>
            Not OK
          </Button>
        </Form>
      </section>
      <details className="mt-3">
        <summary className="flex min-h-12 cursor-pointer items-center text-soft">
          All {items.length} parts
        </summary>
        <ul className="grid gap-x-8 md:grid-cols-2">
          {items.map((i) => (
            <li key={i.key}>
              <Link
                to={`?item=${i.key}`}
                preventScrollReset
                className="flex min-h-12 items-center gap-2 text-ink"
              >
                <span aria-hidden="true" className={found[i.key] === "bad" ? "text-stop" : "text-moss"}>
                  {found[i.key] === "sound" ? "✓" : found[i.key] === "bad" ? "✕" : "·"}
                </span>
                {i.name}
                {found[i.key] === "bad" && ", not OK"}
              </Link>
            </li>
          ))}
        </ul>
      </details>
    </StepPage>
  );
}

/** The sealer is tried on empty cans of each size before any can is hot. */
export function SetupTest({ data, screen }: { data: GuideData; screen: ScreenOf<"setup-test"> }) {
  return (
    <StepPage
      data={data}
      drawing={
        <Drawn>
          <Sealer />
        </Drawn>
      }
    >
      {screen.sizes.length > 1 && (
        <p className="text-[1.2rem]">
          You use two sizes. Test the sealer for one and close its cans. Then set it for the other.
        </p>
      )}
      <div className="mt-4 flex flex-wrap gap-3">
        {screen.sizes.map(({ kind, name }, i) => (
          <Button asChild key={kind} weight={i === 0 ? "do" : "quiet"} size="stove">
            <Link
              to={`${href("/seam/set-up")}?size=${kind}&back=${encodeURIComponent(href("/can/:id", { id: data.id }))}`}
            >
              Record the test for {name}
            </Link>
          </Button>
        ))}
      </div>
    </StepPage>
  );
}

/** One of the drawings of the work, large. */
export function Drawn({ children }: { children: ReactNode }) {
  return (
    <div className="max-w-[15rem] max-lg:max-w-[8rem] [&_svg]:h-auto [&_svg]:w-full" aria-hidden="true">
      {children}
    </div>
  );
}
