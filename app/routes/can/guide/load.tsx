import type { SubmissionResult } from "@conform-to/react";
import { Form, href, Link, useNavigation } from "react-router";
import { kindKey } from "#core/capacity";
import { isCan, shapeOf } from "#core/schedule";
import { CannerDrawing } from "#ui/bench";
import { Button } from "#ui/button";
import { ConfirmConditions, ConfirmUnlikely, FieldError, keyFor, NoEnter, Notice, resultOf } from "#ui/form";
import { contentsOf } from "#ui/glyph";
import { CheckScreen } from "../../../live/readiness";
import { LoadMap } from "../../fire/load-map";
import type { GuideData, ScreenOf } from "./data";
import { StepPage } from "./frame";
import { Drawn } from "./ready";

/** The load into its canner. What has to be confirmed or signed for is asked here, each by itself. */
export function LoadCanner({
  data,
  screen,
  result,
}: {
  data: GuideData;
  screen: ScreenOf<"load">;
  result: SubmissionResult | undefined;
}) {
  const { check, canner, packs } = screen;
  const busy = useNavigation().state !== "idle";
  const own = resultOf(result, "load");
  const errors = (own?.error ?? {}) as Record<string, string[] | null>;
  const asked = ["equipmentReason", "signedReason", "met", "loadReason", "confirm"];
  const others = Object.entries(errors).filter(([f]) => !asked.includes(f));
  const cans = packs.some((p) => isCan(p.container));
  return (
    <StepPage
      data={data}
      figure={check ? `${check.minutes}, ${check.pressure}` : null}
      drawing={
        canner && packs.length > 0 ? (
          <LoadMap
            pot={canner.pot}
            parts={packs.map((p) => ({
              lotId: p.id,
              kind: kindKey(p.container, isCan(p.container) ? null : shapeOf(p.container, p.mouth).mouth),
              count: p.count,
            }))}
            fillers={[]}
            lots={Object.fromEntries(
              packs.map((p) => [p.id, { code: p.code, contents: contentsOf(p.product, p.species) }]),
            )}
          />
        ) : (
          <Drawn>
            <CannerDrawing steaming={false} lit={false} />
          </Drawn>
        )
      }
    >
      {check && (
        <p className="text-[1.2rem]">
          <b>{check.load}</b>, in {canner?.name}
          {check.burner && ` on ${check.burner.name}`}: {check.minutes} at {check.pressure}.
        </p>
      )}
      <Form method="post" className="mt-3 max-w-[40rem] space-y-4">
        <NoEnter />
        <input type="hidden" name="key" value={keyFor(data.key, "load")} />
        <input type="hidden" name="intent" value="load" />
        {others.map(([f, messages]) => (
          <Notice key={f} tone="stop">
            {(messages ?? []).join(" ")}
          </Notice>
        ))}
        {check?.gaugeNeedsSigning && (
          <Sign name="signedReason" label="Why the gauge is used anyway" errors={errors.signedReason} />
        )}
        {check && (
          <ConfirmConditions
            conditions={check.conditions}
            stage="load"
            known={check.confirmed}
            ticked={[(own?.initialValue as { met?: string | string[] } | undefined)?.met ?? []].flat()}
            errors={errors.met ?? undefined}
          />
        )}
        {((check?.deviations.length ?? 0) > 0 || errors.loadReason) && (
          <>
            {check?.deviations.map((d) => (
              <p key={d}>{d}</p>
            ))}
            <Sign name="loadReason" label="Go ahead anyway: write why" errors={errors.loadReason} />
          </>
        )}
        {errors.equipmentReason && (
          <Sign name="equipmentReason" label="Why you go ahead anyway" errors={errors.equipmentReason} />
        )}
        <ConfirmUnlikely question={errors.confirm ?? undefined} answer="There are enough: load the canner" />
        <Button weight="do" size="stove" disabled={busy || !check} className="w-full">
          {cans ? "Cans are in: load the canner" : "Jars are in: load the canner"}
        </Button>
      </Form>
      <div className="mt-3 flex flex-wrap items-center gap-4">
        <CheckScreen />
        <Link
          to={href("/fire")}
          className="inline-flex min-h-12 items-center text-ink underline underline-offset-4"
        >
          Open Fire
        </Link>
      </div>
    </StepPage>
  );
}

function Sign({ name, label, errors }: { name: string; label: string; errors: string[] | null | undefined }) {
  return (
    <label className="block">
      <span className="block font-[650]">{label}</span>
      <span className="block text-[0.92rem] text-soft">Kept with the run, with your name.</span>
      <input name={name} autoComplete="off" aria-invalid={errors ? true : undefined} className="input mt-1" />
      <FieldError id={`${name}-problem`} errors={errors ?? undefined} />
    </label>
  );
}
