import { useForm } from "@conform-to/react";
import { Link, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { formatTemperature, type UnitSystem } from "#core/quantity";
import { EXHAUST_TEMP_C, shapeOf } from "#core/schedule";
import { cansWaiting, isFit, recordExhaust, recordSeam } from "#store/seam";
import { Button } from "#ui/button";
import { KeyedForm, FormErrors, TextField, OneTap } from "#ui/form";
import { ContainerGlyph, patternOf } from "#ui/glyph";
import { Code } from "#ui/lotmark";
import { Empty, Page } from "#ui/page";
import { Sealer } from "../../ui/bench/place-drawing";
import { atHome } from "../../server/context";
import { formKey, formOf, keyField, quantity, submit, writeBy } from "../../server/form";

export function loader({ request, context }: Route.LoaderArgs) {
  const { larder, household } = atHome(context, request);
  const cans = cansWaiting(larder).map((c) => ({
    ...c,
    fit: isFit(c),
    hot: c.tempC !== null && c.tempC >= EXHAUST_TEMP_C - 1e-6,
    key: formKey(),
  }));
  return { cans, units: household.units };
}

const exhaust = (units: UnitSystem) =>
  z.object({
    key: keyField,
    containerId: z.string(),
    temp: quantity("temperature", units, "The temperature"),
  });
const seam = z.object({ key: keyField, containerId: z.string(), verdict: z.enum(["accept", "redo"]) });

/** The form stays as it is while the clocks are looked at. */
export { stayWhileTyping as shouldRevalidate } from "../places/stay";

export async function action({ request, context }: Route.ActionArgs) {
  const { larder, household, me } = atHome(context, request);
  const form = await formOf(request);
  if (form.has("verdict")) {
    return submit(request, seam, (v) => {
      recordSeam(larder, writeBy(me, v.key), v.containerId, v.verdict);
      return redirect("/seam");
    });
  }
  return submit(request, exhaust(household.units), (v) => {
    recordExhaust(larder, writeBy(me, v.key), v.containerId, v.temp);
    return redirect("/seam");
  });
}

export default function Seam({ loaderData, actionData }: Route.ComponentProps) {
  const { cans, units } = loaderData;
  const left = cans.filter((c) => !c.fit).length;
  const next = cans.find((c) => !c.fit);
  const [form, fields] = useForm<z.input<ReturnType<typeof exhaust>>>({
    id: "exhaust",
    lastResult: actionData?.result,
  });
  return (
    <Page
      title="Seam"
      lead={
        cans.length
          ? `${left === 0 ? "Every can is hot and its seam accepted." : `${left} of ${cans.length} still to do.`}`
          : undefined
      }
    >
      <title>Seam · Patient Larder</title>
      {cans.length === 0 ? (
        <Empty drawing={<Sealer />} title="No cans are filled.">
          Cans come here from Pack. Each is exhausted to {formatTemperature(EXHAUST_TEMP_C, units)} at the
          centre of its meat, seamed, and looked at, before it may go into a canner.
        </Empty>
      ) : (
        <div className="grid gap-10 lg:grid-cols-[26rem_1fr]">
          {next ? (
            <div className="rounded border-2 border-ink bg-sheet p-6">
              <p className="fig text-[4.6rem] leading-none font-bold">{next.code}</p>
              <p className="mt-1 mb-4 text-soft">
                Can {next.number} of pack <Code>{next.packCode}</Code>
                {next.verdict === "redo" && (
                  <b className="text-amber"> · seam failed: new can, exhaust again</b>
                )}
              </p>
              {next.hot && next.verdict !== "redo" ? (
                <>
                  <p className="mb-3">
                    {formatTemperature(next.tempC!, units)} at the centre. Lid on, seam it, then run a finger
                    round: no vee, droop, sharp edge, skid or unfinished end.
                  </p>
                  <OneTap key={next.key} className="flex gap-3">
                    <input type="hidden" name="key" value={next.key} />
                    <input type="hidden" name="containerId" value={next.id} />
                    <Button weight="do" name="verdict" value="accept">
                      Seam is good
                    </Button>
                    <Button name="verdict" value="redo">
                      Seam is bad
                    </Button>
                  </OneTap>
                </>
              ) : (
                <KeyedForm form={form} formKey={next.key} className="space-y-3">
                  <input type="hidden" name="containerId" value={next.id} />
                  <TextField
                    field={fields.temp}
                    label="Centre of the meat"
                    hint={`Probe clear of wall and bottom, in the meat and not the juice. At least ${formatTemperature(EXHAUST_TEMP_C, units)}.`}
                    inputMode="decimal"
                  />
                  {next.tempC !== null && next.verdict !== "redo" && (
                    <p className="font-[650] text-amber">
                      Last: {formatTemperature(next.tempC, units)}. Not hot enough yet.
                    </p>
                  )}
                  <FormErrors form={form} />
                  <Button weight="do">Write the temperature</Button>
                </KeyedForm>
              )}
            </div>
          ) : (
            <div>
              <p className="text-[1.3rem] font-[650]">All closed. Keep them hot and go on.</p>
              <Button asChild weight="do" className="mt-4">
                <Link to="/fire">Into a canner</Link>
              </Button>
            </div>
          )}
          <ol className="flex flex-wrap content-start gap-4">
            {cans.map((c) => (
              <li key={c.id} className="flex w-[6.5rem] flex-col items-center text-center">
                <ContainerGlyph
                  shape={shapeOf(c.kind)}
                  state={c.fit ? "lidded" : "filled"}
                  contents={c.product === "can-fish" ? "fish" : "meat"}
                  pattern={patternOf(c.packCode)}
                  scale={0.8}
                  label={c.fit ? "seam accepted" : c.hot ? "hot, not seamed" : "not hot enough"}
                />
                <Code>{c.code}</Code>
                <span className="text-[0.86rem] text-soft">
                  {c.fit
                    ? "closed"
                    : c.verdict === "redo"
                      ? "redo"
                      : c.hot
                        ? "hot"
                        : c.tempC === null
                          ? "no reading"
                          : formatTemperature(c.tempC, units)}
                </span>
              </li>
            ))}
          </ol>
        </div>
      )}
    </Page>
  );
}
