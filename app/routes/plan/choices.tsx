import { v7 as uuid } from "uuid";
import { useRef, useState } from "react";
import { Form, useSubmit } from "react-router";
import type { SubmissionResult } from "@conform-to/react";
import { countOf, DAY_MS, formatMass } from "#core/quantity";
import { isCan, shapeOf, SHAPES } from "#core/schedule";
import { kindKey } from "#core/capacity";
import { Button } from "#ui/button";
import { Notice, resultOf, problemOf } from "#ui/form";
import { Code, LotMark } from "#ui/lotmark";
import { cutWords } from "../../words/load";
import { whenWords } from "../../words/time";
import type { Choosing } from "./route";

type Data = Choosing;
type LotRow = Data["lots"][number];

const KINDS = SHAPES.map((s) => ({
  key: kindKey(s.key, s.mouth),
  plural: shapeOf(s.key, s.mouth).plural,
  can: isCan(s.key),
}));
const SELECT = "input px-2 text-[0.98rem]";

const NOT: Record<string, string> = {
  held: "on hold",
  roast: "a whole roast: cut it first",
  frozen: "frozen: thaw it first",
  thawing: "thawing",
};

/** What goes in, into what, and with which canners. Every change is planned at once. */
export function Choices({ data, result }: { data: Data; result: SubmissionResult | undefined }) {
  const form = useRef<HTMLFormElement>(null);
  const send = useSubmit();
  // Each change is a write of its own, so each is sent with a key of its own.
  const plan = () => {
    const fields = new FormData(form.current!);
    fields.set("key", uuid());
    void send(fields, { method: "post", preventScrollReset: true });
  };
  const tick = (wanted: (lot: LotRow) => boolean) => {
    for (const box of form.current!.querySelectorAll<HTMLInputElement>(
      "input[name='lots[]'], input[name=lots]",
    )) {
      const lot = data.lots.find((l) => l.id === box.value)!;
      box.checked = lot.plannable && wanted(lot);
    }
    plan();
  };
  const problem = problemOf(resultOf(result, "wish"));
  // A plan that was made around frozen meat may outlive what has thawed since.
  const passedOver = data.lots.some((l) => l.wished && l.not === "frozen")
    ? data.lots.filter((l) => !l.wished && l.plannable && l.not === null && l.form !== "bones")
    : [];
  const old = data.now - OLD_DAYS * DAY_MS;
  return (
    <Form method="post" ref={form} onChange={plan} key={data.key} className="space-y-6">
      <input type="hidden" name="intent" value="wish" />
      <input type="hidden" name="key" value={data.key} />
      <fieldset>
        <legend className="mb-1 text-[1.06rem] text-soft">What goes in</legend>
        <div className="mb-2 flex flex-wrap gap-2">
          <Button
            type="button"
            className="px-3"
            onClick={() => tick((l) => l.not === null && l.form !== "bones")}
          >
            Select all ready
          </Button>
          <Button
            type="button"
            className="px-3"
            onClick={() => tick((l) => l.frozenAt !== null && l.frozenAt < old)}
          >
            Select frozen over 9 months
          </Button>
        </div>
        {passedOver.length > 0 && (
          <Notice tone="care" className="mb-3 space-y-2">
            <p>
              This plan waits for frozen meat. In the refrigerator and not in it:{" "}
              {passedOver
                .map(
                  (l) =>
                    `${cutWords(l.part, l.species).toLowerCase()} ${l.code}${l.freshUntil === null ? "" : ` (can it by ${whenWords(l.freshUntil, data.now, data.times)})`}`,
                )
                .join(", ")}
              .
            </p>
            <Button type="button" onClick={() => tick((l) => l.wished !== null || passedOver.includes(l))}>
              Add {passedOver.length === 1 ? "it" : "them"} to the plan
            </Button>
          </Notice>
        )}
        <ul>
          {data.lots.map((l) => (
            <Row key={l.id} lot={l} data={data} />
          ))}
        </ul>
      </fieldset>
      <fieldset>
        <legend className="mb-1 text-[1.06rem] text-soft">Canners</legend>
        {data.canners.length === 0 && (
          <Notice tone="care">There is no canner in the Shed: without one nothing can be planned.</Notice>
        )}
        {data.canners.map((c) => (
          <label key={c.id} className="flex min-h-12 cursor-pointer items-center gap-3">
            <input
              type="checkbox"
              name="canners"
              value={c.id}
              defaultChecked={c.used}
              className="size-7 accent-copper"
            />
            <span>
              <b>{c.name}</b>
              {!c.measured && (
                <span className="block text-[0.92rem] text-soft">
                  by its plain size; measure it in the Shed
                </span>
              )}
            </span>
          </label>
        ))}
      </fieldset>
      <div className="grid grid-cols-2 gap-3">
        <label>
          <span className="block font-[650]">At most</span>
          <select name="maxLoads" defaultValue={data.wish.maxLoads ?? ""} className={SELECT}>
            <option value="">as many loads as needed</option>
            {[1, 2, 3, 4, 5].map((n) => (
              <option key={n} value={n}>
                {n === 1 ? "1 load" : `${n} loads`}
              </option>
            ))}
          </select>
        </label>
        <label>
          <span className="block font-[650]">Salt in a pint</span>
          <select name="salt" defaultValue={data.wish.saltTspPint} className={SELECT}>
            {[0, 0.5, 0.75, 1].map((s) => (
              <option key={s} value={s}>
                {s === 0 ? "none" : `${s === 0.5 ? "½" : s === 0.75 ? "¾" : "1"} tsp`}
              </option>
            ))}
          </select>
        </label>
      </div>
      {problem && <Notice tone="stop">{problem}</Notice>}
      <noscript>
        <Button weight="do">Plan it</Button>
      </noscript>
    </Form>
  );
}

/** What is called old here: it has used up most of its year. */
const OLD_DAYS = 274;

function Row({ lot: l, data }: { lot: LotRow; data: Data }) {
  const { units, recipes } = data;
  const [main = "jar-pint regular", rest = ""] = l.wished?.into ?? [];
  const estimate = l.each[0];
  return (
    <li className="border-t-2 border-rule py-2">
      <label className="flex min-h-12 cursor-pointer items-center gap-3">
        <input
          type="checkbox"
          name="lots"
          value={l.id}
          defaultChecked={l.wished !== null}
          disabled={!l.plannable}
          className="size-7 shrink-0 accent-copper"
        />
        <LotMark code={l.code} contents={data.looks[l.id]!.contents} size={36} />
        <span className="min-w-0">
          <Code>{l.code}</Code> <b>{formatMass(l.leftKg, units)}</b>
          <span className="block text-[0.95rem] text-soft">
            {cutWords(l.part, l.species)}
            {l.not && <span className="text-amber">, {NOT[l.not]}</span>}
          </span>
        </span>
      </label>
      {l.wished && (
        <div className="mt-1 grid grid-cols-2 gap-2 pl-10">
          <label>
            <span className="block text-[0.9rem] text-soft">into</span>
            <select
              name={`into.${l.id}`}
              aria-label={`Lot ${l.code}, into`}
              defaultValue={main}
              className={SELECT}
            >
              <Sizes />
            </select>
          </label>
          <SecondSize code={l.code} name={`rest.${l.id}`} chosen={rest} />
          <label>
            <span className="block text-[0.9rem] text-soft">packed</span>
            <select
              name={`method.${l.id}`}
              aria-label={`Lot ${l.code}, packed`}
              defaultValue={l.wished.method}
              className={SELECT}
            >
              <option value="raw">raw</option>
              <option value="hot">hot</option>
            </select>
          </label>
          {recipes.length > 0 && (
            <label>
              <span className="block text-[0.9rem] text-soft">as</span>
              <select
                name={`recipe.${l.id}`}
                aria-label={`Lot ${l.code}, as`}
                defaultValue={l.wished.recipeId ?? ""}
                className={SELECT}
              >
                <option value="">plain meat</option>
                {recipes.map((r) => (
                  <option key={r.id} value={r.id}>
                    {r.name}
                  </option>
                ))}
              </select>
            </label>
          )}
          {estimate && (
            <p className="col-span-2 text-[0.92rem] text-soft">
              About {formatMass(estimate.kgEach, units)} each ({formatMass(estimate.lowKg, units)} to{" "}
              {formatMass(estimate.highKg, units)}):{" "}
              {estimate.packs > 0 ? `from ${countOf(estimate.packs, "pack")} of yours` : "common practice"}
            </p>
          )}
        </div>
      )}
    </li>
  );
}

const Sizes = () =>
  KINDS.map((k) => (
    <option key={k.key} value={k.key}>
      {k.plural}
    </option>
  ));

/** What is left after full containers of the first size is usually eaten: a second size is asked for, and not offered. */
function SecondSize({ code, name, chosen }: { code: string; name: string; chosen: string }) {
  const [asked, setAsked] = useState(chosen !== "");
  if (!asked)
    return (
      <Button
        type="button"
        className="self-end px-2 text-[0.98rem]"
        aria-label={`Lot ${code}, add a second size`}
        onClick={() => setAsked(true)}
      >
        Add a second size
      </Button>
    );
  return (
    <label>
      <span className="block text-[0.9rem] text-soft">the rest goes into</span>
      <select
        name={name}
        aria-label={`Lot ${code}, the rest goes into`}
        defaultValue={chosen}
        className={SELECT}
      >
        <option value="">leave it</option>
        <Sizes />
      </select>
    </label>
  );
}
