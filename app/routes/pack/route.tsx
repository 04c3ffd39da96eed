import { Form, href, Link, redirect, useSubmit } from "react-router";
import { writingOf } from "#store/household";
import { z } from "zod";
import type { Route } from "./+types/route";
import { keptUntilTaken } from "../../outbox";
import { LIQUIDS } from "#core/pack";
import type { NotPackable } from "#core/lot";
import { type Writing, mmFromIn } from "#core/quantity";
import {
  CONDITION_KEYS,
  CONTAINERS,
  DISH_PRODUCTS,
  PRODUCTS,
  type ContainerKey,
  type Mouth,
} from "#core/schedule";
import { FORM_NAMES, groupOf, productsFor } from "#core/species";
import { Refused } from "#store/db";
import { openBench, openBenches } from "#store/filling";
import { listOffices } from "#store/guide";
import { getCanner } from "#store/equipment";
import { getLot, lotsInStock } from "#store/lot";
import { containersOfPack, makePack, packsWaiting, processFor, unpack } from "#store/pack";
import { suppliesInUse } from "#store/supply";
import { Button } from "#ui/button";
import { ListField, Notice, OneTap } from "#ui/form";
import { ContainerGlyph, contentsOf, patternOf } from "#ui/glyph";
import { Code } from "#ui/lotmark";
import { Empty, Page, Part } from "#ui/page";
import { shapeOf } from "#core/schedule";
import { containersWords, speciesWords, cutWords, foodWords } from "../../words/load";
import { homeContext } from "../../server/context";
import { formKey, formOf, keyField, orNotFound, submit, weight, words, writeBy } from "../../server/form";
import { brothChoices, brothSaid } from "../../features/packing/broth.server";
import { fillsOf } from "../../features/packing/fills.server";
import { acceptedWords } from "../../features/packing/accepted.server";
import { PackForm } from "./pack-form";
import type { FollowHandle } from "../../live/follow";

export function loader({ request, context }: Route.LoaderArgs) {
  const home = context.get(homeContext);
  const { larder, household } = home;
  const asked = new URL(request.url).searchParams.get("lot");
  const lots = lotsInStock(larder);
  const lot = asked
    ? orNotFound(() => getLot(larder, asked))
    : (lots.find((l) => l.notPackable === null) ?? null);
  // Dishes go by a recipe and are planned from there.
  const products = lot
    ? productsFor(groupOf(lot.species), lot.form).filter((p) => !DISH_PRODUCTS.includes(p))
    : [];
  const fills = fillsOf(larder, products);
  return {
    key: formKey(),
    broths: brothChoices(home),
    acceptKey: formKey(),
    accepted: acceptedWords(home),
    writing: writingOf(household),
    lots: lots.map((l) => ({
      id: l.id,
      code: l.code,
      part: l.part,
      species: l.species,
      not: l.notPackable,
    })),
    lot,
    products,
    fills,
    units: household.units,
    altitudeM: household.altitudeM,
    rows: household.rows,
    offices: listOffices(larder).filter((o) => !o.over && products.includes(o.product)),
    benches: openBenches(larder).map((b) => ({
      id: b.id,
      parts: b.parts.map((p) => ({
        index: p.index,
        code: getLot(larder, p.lotId).code,
        words: `${p.containers.length} of ${containersWords(p.container, p.mouth, p.planned)}`,
        method: p.method,
      })),
      canner: b.cannerId ? getCanner(larder, b.cannerId).name : null,
    })),
    boxes: suppliesInUse(larder)
      .filter((s) => s.kind === "lid" || s.kind === "end")
      .map(({ id, label, left, mouth, container }) => ({ id, label, left, closes: mouth ?? container! })),
    waiting: packsWaiting(larder).map((p) => ({
      ...p,
      containers: containersOfPack(larder, p.id),
      key: formKey(),
    })),
  };
}

const schema = (units: Writing) =>
  z.object({
    key: keyField,
    lotId: z.string({ error: "Choose a lot." }),
    product: z.enum(PRODUCTS, "Choose what it becomes."),
    method: z.enum(["raw", "hot"]),
    container: z.string().transform((text, ctx) => {
      const [kind, mouth] = text.split(" ");
      if ((CONTAINERS as readonly string[]).includes(kind ?? ""))
        return { kind: kind as ContainerKey, mouth: (mouth || null) as Mouth | null };
      ctx.addIssue({ code: "custom", message: "Choose a container." });
      return z.NEVER;
    }),
    count: z.coerce
      .number("Write how many as a number.")
      .int("Whole containers only. A part-filled one is eaten, chilled or frozen.")
      .min(1, "At least one.")
      .max(200, "At most 200 at a time."),
    massKg: weight(units, "The weight packed"),
    liquid: z.enum(LIQUIDS),
    /** the lot of the broth, or `bought` */
    broth: z.string().max(60).optional(),
    liquidName: words("The name of the broth").optional(),
    alsoLotId: z.string().max(60).optional(),
    alsoKg: weight(units, "The weight of the second lot").optional(),
    salt: z.coerce.number().default(0),
    reusedLids: z.boolean().default(false),
    lidBoxId: z.string().optional(),
    additions: words("The seasoning", 120).optional(),
    /** an extension office's schedule the household keeps, by its id */
    office: z.string().max(60).optional(),
    oneByOne: z.literal("yes").optional(),
    /** conditions of the process that were confirmed */
    met: z.array(z.enum(CONDITION_KEYS)).default([]),
    /** somebody looked again at an odd weight or much seasoning */
    confirmed: z.literal("yes").optional(),
    confirm: z.string().optional(),
    reason: words("The reason", 200).optional(),
  });

/** Why a lot of the list cannot be chosen. */
const NOT_PACKED: Record<NotPackable, string> = {
  held: "on hold",
  frozen: "frozen",
  thawing: "thawing",
  roast: "kept whole",
  old: "too long in the refrigerator",
  warm: "too long warm",
};

export async function action({ request, context }: Route.ActionArgs) {
  const { larder, household, me } = context.get(homeContext);
  const form = await formOf(request);
  if (form.get("intent") === "unpack") {
    return submit(request, z.object({ key: keyField, packId: z.string() }), (v) => {
      unpack(larder, writeBy(me, v.key), v.packId);
      return redirect(href("/pack"));
    });
  }
  return submit(request, schema(writingOf(household)), (v) => {
    const { oneByOne, met, confirmed, reason, confirm: _, ...whole } = v;
    const { key, container, salt, broth, liquidName, alsoLotId, alsoKg, office: officeId, ...rest } = whole;
    if (alsoLotId && alsoKg === undefined) throw new Refused({ alsoKg: "How much of it?" });
    const from = brothSaid(rest.liquid, broth, liquidName);
    const office = officeId ? (listOffices(larder).find((o) => o.id === officeId) ?? null) : null;
    if (officeId && !office) throw new Refused({ office: "This schedule is not kept here any more." });
    if (oneByOne) {
      const published = processFor(larder, {
        product: rest.product,
        method: rest.method,
        container: container.kind,
        office,
      });
      const { id } = openBench(larder, writeBy(me, key), {
        cannerId: null,
        layers: [],
        parts: [
          {
            lotId: rest.lotId,
            product: rest.product,
            method: rest.method,
            container: container.kind,
            mouth: container.mouth,
            planned: rest.count,
            kgEach: rest.massKg / rest.count,
            liquid: rest.liquid,
            ...from,
            ...(alsoLotId && { also: [{ lotId: alsoLotId, kgEach: alsoKg! / rest.count }] }),
            saltTsp: salt,
            headspaceIn: published.headspaceIn,
            reusedLids: rest.reusedLids,
            lidBoxId: rest.lidBoxId ?? null,
            additions: rest.additions ?? null,
            reason: reason ?? null,
            office,
            confirmed: met,
          },
        ],
      });
      return redirect(href("/pack/:id", { id }));
    }
    makePack(larder, writeBy(me, key), {
      ...rest,
      ...from,
      ...(alsoLotId && { also: [{ lotId: alsoLotId, massKg: alsoKg! }] }),
      container: container.kind,
      mouth: container.mouth,
      saltTspEach: salt,
      office,
      confirmed: met,
      sure: confirmed === "yes",
      reason: reason ?? null,
    });
    return redirect(`${href("/pack")}#waiting`);
  });
}

/** Taps are kept on this screen while the larder cannot be reached, and told to it in their order. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}

export const handle: FollowHandle = {
  shows: ["lot", "pack", "bench", "hold", "supply", "household", "practice"],
};

export default function Pack({ loaderData, actionData }: Route.ComponentProps) {
  const { lots, lot, waiting } = loaderData;
  const send = useSubmit();
  return (
    <Page
      title="Pack"
      lead="From a lot into jars or cans, by one method. Each is numbered and gets its own code."
      aside={
        lots.length > 0 && (
          <Form onChange={(e) => void send(e.currentTarget)}>
            <ListField
              quiet
              label="From the lot"
              count={lots.length}
              name="lot"
              key={lot?.id}
              defaultValue={lot?.id}
              className="input max-w-[22rem] max-md:max-w-[20rem] w-auto"
            >
              {lots.map((l) => (
                <option key={l.id} value={l.id} disabled={l.not !== null}>
                  {l.code}, {cutWords(l.part, l.species)}
                  {l.not && `, ${NOT_PACKED[l.not]}`}
                </option>
              ))}
            </ListField>
          </Form>
        )
      }
    >
      <title>Pack · Patient Larder</title>
      {loaderData.benches.length > 0 && (
        <Part title="On the bench" className="mb-8">
          <ul>
            {loaderData.benches.map((b) => (
              <li
                key={b.id}
                className="flex flex-wrap items-center justify-between gap-3 border-t-2 border-rule py-2"
              >
                <span className="text-[1.15rem]">
                  {b.parts.map((p) => (
                    <span key={p.index} className="block">
                      <b>{p.words}</b>, {p.method}, from <Code>{p.code}</Code>
                    </span>
                  ))}
                  {b.canner && <span className="text-soft">for {b.canner}</span>}
                </span>
                <Button asChild weight="do">
                  <Link to={href("/pack/:id", { id: b.id })}>Continue filling</Link>
                </Button>
              </li>
            ))}
          </ul>
        </Part>
      )}
      {lot && loaderData.products.length === 0 ? (
        <Notice tone="stop">
          <p className="text-[1.2rem] font-[650]">No tested process for this lot</p>
          <p>
            {FORM_NAMES[lot.form]} of {speciesWords(lot.species)} has no tested process. Freeze it, eat it
            fresh, or choose another lot.
          </p>
        </Notice>
      ) : lot ? (
        <PackForm key={loaderData.key} data={loaderData} lot={lot} result={actionData?.result} />
      ) : (
        <Empty
          drawing={<ContainerGlyph shape={shapeOf("jar-pint")} state="open" scale={0.7} label="" />}
          title="No lot to pack from."
        >
          <Link to={href("/table")} className="font-[650] text-ink underline underline-offset-4">
            Cut one at the Table
          </Link>
          , or release a hold.
        </Empty>
      )}
      {waiting.length > 0 && (
        <Part title="Filled and waiting for a canner" className="mt-10 scroll-mt-4">
          <ul id="waiting">
            {waiting.map((p) => (
              <li key={p.id} className="border-t-2 border-rule py-4">
                <div className="flex flex-wrap items-baseline justify-between gap-3">
                  <p className="text-[1.15rem]">
                    <b>{containersWords(p.container, p.mouth, p.count)}</b> of{" "}
                    {p.dish ?? foodWords(p.product, p.species)}, {p.method} pack <Code>{p.code}</Code>
                  </p>
                  {p.onBench ? (
                    <span className="text-soft">still on the bench</span>
                  ) : (
                    <OneTap says={{ key: p.key, intent: "unpack", packId: p.id }}>
                      <Button weight="bare">Undo this pack</Button>
                    </OneTap>
                  )}
                </div>
                <p className="text-soft">Write on the lids, in the order they stand:</p>
                <ol className="mt-2 flex flex-wrap items-end gap-x-3 gap-y-2">
                  {p.containers.map((c) => (
                    <li key={c.id} className="flex flex-col items-center">
                      <ContainerGlyph
                        shape={shapeOf(p.container, p.mouth)}
                        state="lidded"
                        contents={contentsOf(p.product, p.species)}
                        pattern={patternOf(p.code)}
                        headspaceMm={mmFromIn(p.schedule.headspaceIn)}
                        scale={0.4}
                        label=""
                      />
                      <Link
                        to={href("/c/:code", { code: c.code })}
                        className="flex min-h-12 min-w-12 items-center justify-center text-ink no-underline hover:underline"
                      >
                        <Code>{c.code}</Code>
                      </Link>
                    </li>
                  ))}
                </ol>
              </li>
            ))}
          </ul>
          <div className="border-t-4 border-bench pt-4">
            <Button asChild weight={lot ? "quiet" : "do"}>
              <Link to={href("/fire")}>Load a canner</Link>
            </Button>
          </div>
        </Part>
      )}
    </Page>
  );
}
