import { useEffect, useRef, useState } from "react";
import { Form, href, Link, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { CHECK_KEYS, type CheckKey } from "#core/check";
import { kPaFromPsi } from "#core/quantity";
import { CONDITION_KEYS } from "#core/schedule";
import { getCanner } from "#store/equipment";
import { listTools } from "#store/check";
import { getPack } from "#store/pack";
import { openRun } from "#store/run";
import { Button } from "#ui/button";
import { ConfirmConditions, ConfirmUnlikely, NoEnter, Notice } from "#ui/form";
import { useDraft } from "#ui/draft";
import { Page } from "#ui/page";
import { homeContext } from "../../server/context";
import { loadCheck } from "../../features/check/load-check.server";
import { MARGINS } from "../fire/margin";
import { fillersIn } from "../fire/fillers";
import { formKey, keyField, orNotFound, submit, words, writeBy } from "../../server/form";
import { CheckScreen } from "../../live/readiness";
import { keptUntilTaken } from "../../outbox";

/** Which load on which canner: from the address, since the list is made from it. */
function asked(request: Request) {
  const query = new URL(request.url).searchParams;
  return {
    cannerId: query.get("canner") ?? "",
    packIds: query.getAll("pack"),
    margin: MARGINS.find((m) => m === query.get("margin")) ?? "0",
    burnerId: query.get("burner"),
    governs: query.get("governs") === "dial" ? ("dial" as const) : null,
    extraMinutes: Number(query.get("extra") ?? 0),
    fillers: fillersIn(query),
  };
}

export function loader({ request, context }: Route.LoaderArgs) {
  const home = context.get(homeContext);
  const { cannerId, packIds, ...load } = asked(request);
  const canner = orNotFound(() => getCanner(home.larder, cannerId));
  const packs = packIds.map((id) => orNotFound(() => getPack(home.larder, id)));
  const check = loadCheck(home, { ...load, canner, packs });
  if (check.problem !== null) return { problem: check.problem, key: formKey() } as const;
  return { ...check, key: formKey(), canner: canner.name, cannerId, packIds };
}

const schema = z.object({
  key: keyField,
  found: z.record(z.string(), z.enum(["sound", "bad"])).default({}),
  equipmentReason: words("The reason", 200).optional(),
  signedReason: words("The reason", 200).optional(),
  met: z.array(z.enum(CONDITION_KEYS)).default([]),
  loadReason: words("The reason", 200).optional(),
  confirmed: z.literal("yes").optional(),
});

export async function action({ request, context }: Route.ActionArgs) {
  const { larder, me } = context.get(homeContext);
  const { cannerId, packIds, burnerId, margin, governs, extraMinutes, fillers } = asked(request);
  return submit(request, schema, (v) => {
    const findings = Object.entries(v.found)
      .filter((f): f is [CheckKey, "sound" | "bad"] => (CHECK_KEYS as readonly string[]).includes(f[0]))
      .map(([item, finding]) => ({ item, finding, note: null }));
    const { code } = openRun(larder, writeBy(me, v.key), {
      cannerId,
      packIds,
      marginKPa: kPaFromPsi(Number(margin)),
      extraMinutes,
      burnerId: burnerId || (listTools(larder).find((t) => t.kind === "burner")?.id ?? null),
      findings,
      equipmentReason: v.equipmentReason ?? null,
      signedReason: v.signedReason ?? null,
      governs,
      confirmed: v.met,
      loadReason: v.loadReason ?? null,
      fillers,
      sure: v.confirmed === "yes",
    });
    return redirect(href("/fire/:code", { code }));
  });
}
/** What is pressed is kept on this device until the larder has it. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}

export default function Ready({ loaderData, actionData }: Route.ComponentProps) {
  if (loaderData.problem !== null)
    return (
      <Page title="Equipment check">
        <title>Equipment check · Patient Larder</title>
        <Notice tone="stop">
          <p className="text-[1.2rem] font-[650]">This load cannot be run</p>
          <p>{loaderData.problem}</p>
        </Notice>
      </Page>
    );
  return <Tapping data={loaderData} result={actionData?.result} />;
}

type Data = Extract<Route.ComponentProps["loaderData"], { problem: null }>;
type Result = NonNullable<Route.ComponentProps["actionData"]>["result"] | undefined;

/** One thing after another, each large enough for one wet hand; what is answered folds away and can be changed. */
function Tapping({ data, result }: { data: Data; result: Result }) {
  const typed = (result?.initialValue as { found?: Record<string, "sound" | "bad"> } | undefined)?.found;
  const [{ found }, keepFound] = useDraft<{ found: Partial<Record<CheckKey, "sound" | "bad">> }>(
    `check ${data.cannerId} ${data.packIds.join(" ")}`,
    { found: typed ?? {} },
  );
  const [open, setOpen] = useState<CheckKey | null>(null);
  const next = data.items.find((i) => !found[i.key])?.key ?? null;
  const shown = open ?? next;
  const errors = (result?.error ?? {}) as Record<string, string[] | null>;
  const reason = errors.equipmentReason ?? null;
  const asked = ["equipmentReason", "signedReason", "met", "loadReason", "confirm"];
  const others = Object.entries(errors).filter(([f]) => !asked.includes(f));
  const bad = data.items.filter((i) => found[i.key] === "bad");
  const stops = bad.filter((i) => i.stops);
  // The next question is where the keyboard is, so that it can be answered at once.
  const at = useRef<HTMLLIElement>(null);
  const [tapped, setTapped] = useState(false);
  useEffect(() => {
    if (tapped) at.current?.querySelector("button")?.focus();
  }, [tapped, shown]);
  const tap = (key: CheckKey, finding: "sound" | "bad") => {
    keepFound({ found: { ...found, [key]: finding } });
    setOpen(null);
    setTapped(true);
  };
  return (
    <Page
      title={`${Object.keys(found).length} of ${data.items.length} looked at`}
      lead={`${data.load}, in ${data.canner}${data.burner ? ` on ${data.burner.name}` : ""}: ${data.minutes} at ${data.pressure}.`}
      aside={
        <div className="flex flex-wrap gap-3">
          <CheckScreen />
          <Button asChild weight="bare">
            <Link to={href("/fire")}>Back to Fire</Link>
          </Button>
        </div>
      }
    >
      <title>Equipment check · Patient Larder</title>
      <Form method="post" className="mx-auto max-w-[46rem]">
        <NoEnter />
        <input type="hidden" name="key" value={data.key} />
        <ol>
          {data.items.map((item) => {
            const is = found[item.key];
            const active = item.key === shown;
            return (
              <li
                key={item.key}
                ref={active ? at : undefined}
                className="border-t-2 border-rule"
                aria-current={active ? "step" : undefined}
              >
                {is && <input type="hidden" name={`found.${item.key}`} value={is} />}
                {active ? (
                  <div className="py-4">
                    <h2 className="text-[1.7rem] leading-tight">{item.name}</h2>
                    {item.wants && <p className="mt-1 text-[1.35rem] font-[650]">{item.wants}</p>}
                    <p className="mt-1 text-[1.2rem]">{item.look}</p>
                    {item.wrong && (
                      <Notice tone="stop" className="mt-2">
                        {item.wrong}
                      </Notice>
                    )}
                    <div className="mt-4 grid grid-cols-[2fr_1fr] gap-3">
                      <Button type="button" weight="do" size="stove" onClick={() => tap(item.key, "sound")}>
                        OK
                      </Button>
                      <Button type="button" weight="stop" size="stove" onClick={() => tap(item.key, "bad")}>
                        Not OK
                      </Button>
                    </div>
                    <noscript>
                      <label className="mr-4">
                        <input type="radio" name={`found.${item.key}`} value="sound" /> sound
                      </label>
                      <label>
                        <input type="radio" name={`found.${item.key}`} value="bad" /> not sound
                      </label>
                    </noscript>
                  </div>
                ) : (
                  <button
                    type="button"
                    onClick={() => {
                      setOpen(item.key);
                      setTapped(true);
                    }}
                    className="flex min-h-12 w-full items-center gap-3 text-left"
                  >
                    <span
                      className={`w-6 text-[1.2rem] font-bold ${is === "bad" ? "text-stop" : "text-moss"}`}
                      aria-hidden="true"
                    >
                      {is === "sound" ? "✓" : is === "bad" ? "✕" : ""}
                    </span>
                    <span className={is ? "" : "text-soft"}>
                      <b className="font-[650]">{item.name}</b>
                      {is === "bad" ? (
                        <span className="text-stop">, not OK. {item.otherwise}</span>
                      ) : is ? (
                        ", OK"
                      ) : (
                        ""
                      )}
                    </span>
                  </button>
                )}
              </li>
            );
          })}
        </ol>
        <div className="mt-5 space-y-4 border-t-4 border-bench pt-4">
          {stops.length > 0 && (
            <Notice tone="stop">
              <b>Do not light this canner.</b> {stops.map((s) => `${s.name}: ${s.otherwise}`).join(" ")} Fix
              it, then tap OK.
            </Notice>
          )}
          {others.map(([f, messages]) => (
            <Notice key={f} tone="stop">
              {(messages ?? []).join(" ")}
            </Notice>
          ))}
          {data.gaugeNeedsSigning && (
            <Sign
              name="signedReason"
              label="Why the gauge is used anyway"
              errors={errors.signedReason ?? null}
            />
          )}
          <ConfirmConditions
            conditions={data.conditions}
            stage="load"
            known={data.confirmed}
            ticked={[(result?.initialValue as { met?: string | string[] } | undefined)?.met ?? []].flat()}
            errors={errors.met ?? undefined}
          />
          {(data.deviations.length > 0 || errors.loadReason) && (
            <>
              {data.deviations.map((d) => (
                <p key={d}>{d}</p>
              ))}
              <Sign name="loadReason" label="Go ahead anyway: write why" errors={errors.loadReason ?? null} />
            </>
          )}
          {reason && <Sign name="equipmentReason" label="Why you go ahead anyway" errors={reason} />}
          <ConfirmUnlikely
            question={errors.confirm ?? undefined}
            answer="There are enough: load the canner"
          />
          {next === null && stops.length === 0 && (
            <Button weight="do" size="stove" className="w-full">
              All checked: load the canner
            </Button>
          )}
        </div>
      </Form>
    </Page>
  );
}

function Sign({ name, label, errors }: { name: string; label: string; errors: string[] | null }) {
  return (
    <label className="block">
      <span className="block font-[650]">{label}</span>
      <span className="block text-[0.92rem] text-soft">Kept with the run, with your name.</span>
      <input name={name} autoComplete="off" aria-invalid={errors ? true : undefined} className="input mt-1" />
      {errors && (
        <span role="alert" className="mt-1 block font-[600] text-stop">
          ✕ {errors.join(" ")}
        </span>
      )}
    </label>
  );
}
