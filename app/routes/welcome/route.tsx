import { useForm } from "@conform-to/react";
import { useEffect, useRef, useState } from "react";
import { href, Link, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { kPaFromPsi, parseQuantity, type Writing } from "#core/quantity";
import { addCanner } from "#store/equipment";
import { getHousehold, setUpHousehold } from "#store/household";
import { Button } from "#ui/button";
import { KeyedForm, FormErrors, PickField, TextField } from "#ui/form";
import { AltitudeField } from "../household/altitude-field";
import { WritingFields } from "../household/writing-fields";
import { ContainerGlyph } from "#ui/glyph";
import { shapeOf } from "#core/schedule";
import { altitudeProblem } from "../../server/altitude";
import { larderContext } from "../../server/context";
import { formKey, keyField, submit, words } from "../../server/form";

export function loader({ context }: Route.LoaderArgs) {
  if (getHousehold(context.get(larderContext))) throw redirect(href("/"));
  return { key: formKey() };
}

const schema = z
  .object({
    key: keyField,
    personName: words("Your name", 40),
    units: z.enum(["us", "metric"]),
    decimal: z.enum(["point", "comma"]).default("point"),
    altitude: words("Your altitude", 30),
    gauge: z.enum(["dial", "weighted", "both"]),
    zone: z.string().optional(),
  })
  .superRefine((v, ctx) => {
    const message = altitudeProblem(v.altitude, v);
    if (message) ctx.addIssue({ code: "custom", path: ["altitude"], message });
  });

export async function action({ request, context }: Route.ActionArgs) {
  const larder = context.get(larderContext);
  return submit(request, schema, (v) => {
    const altitude = parseQuantity(v.altitude, "altitude", v);
    const gauge = v.gauge === "dial" ? "dial" : "weighted";
    const { personId } = setUpHousehold(
      larder,
      { key: v.key, byId: null },
      {
        name: `${v.personName}’s larder`,
        personName: v.personName,
        altitudeM: altitude.ok ? altitude.si : 0,
        units: v.units,
        decimal: v.decimal,
        gauge,
        zone: v.zone || Intl.DateTimeFormat().resolvedOptions().timeZone,
      },
    );
    // The gauge just named belongs to a canner: it stands in the Shed from the first minute, its dial not yet tested.
    addCanner(
      larder,
      { key: formKey(), byId: personId },
      {
        name: "My canner",
        quarts: null,
        hasDial: v.gauge !== "weighted",
        weightPiecesPsi: v.gauge === "dial" ? [] : [5, 5, 5],
        safeMaxKPa: kPaFromPsi(20),
      },
    );
    return redirect(`${href("/ask")}?first=1`);
  });
}

export default function Welcome({ loaderData, actionData }: Route.ComponentProps) {
  const [form, fields] = useForm<z.input<typeof schema>>({ id: "welcome", lastResult: actionData?.result });
  const [writing, setWriting] = useState<Required<Writing>>({
    units: fields.units.initialValue === "metric" ? "metric" : "us",
    decimal: fields.decimal.initialValue === "comma" ? "comma" : "point",
  });
  const zone = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (zone.current) zone.current.value = Intl.DateTimeFormat().resolvedOptions().timeZone;
  }, []);
  return (
    <main
      id="main"
      className="mx-auto grid max-w-[1180px] gap-12 px-7 py-10 max-lg:max-w-[40rem] lg:grid-cols-[1fr_30rem] max-md:px-4"
    >
      <title>Welcome · Patient Larder</title>
      <div className="flex flex-col">
        <h1 className="text-[2.6rem] leading-[1.05]">
          How high do you live, and how does your canner show pressure?
        </h1>
        <p className="mt-4 max-w-[34rem] text-[1.15rem]">
          Both decide the pressure. Next you see a tested schedule and its source.
        </p>
        <p className="mt-4 max-w-[34rem] text-soft">
          Meat and fish canned wrong can kill. The figures here are published ones, or are marked as common
          practice. Where there is neither, the answer is no, with the reason. Compare them with your own
          printed guide before you rely on them.
        </p>
        <div
          className="mt-auto flex items-end gap-3 border-b-[10px] border-bench pt-10 shadow-[0_3px_0_var(--bench-edge)] max-lg:hidden"
          aria-hidden="true"
        >
          <ContainerGlyph
            shape={shapeOf("jar-quart", "wide")}
            state="sealed"
            contents="meat"
            pattern="A"
            scale={1.1}
            label=""
          />
          <ContainerGlyph
            shape={shapeOf("jar-pint", "regular")}
            state="sealed"
            contents="fish"
            pattern="B"
            scale={1.1}
            label=""
          />
          <ContainerGlyph
            shape={shapeOf("jar-half-pint")}
            state="sealed"
            contents="broth"
            pattern="C"
            scale={1.1}
            label=""
          />
          <ContainerGlyph
            shape={shapeOf("can-half-pound")}
            state="sealed"
            contents="fish"
            pattern="E"
            scale={1.1}
            label=""
          />
          <ContainerGlyph shape={shapeOf("jar-pint", "wide")} state="open" scale={1.1} label="" />
        </div>
      </div>
      <KeyedForm
        form={form}
        formKey={loaderData.key}
        className="space-y-5 rounded border-2 border-ink bg-sheet p-6 max-md:p-4"
      >
        <input type="hidden" name="zone" ref={zone} />
        <WritingFields
          fields={fields}
          label="Your units"
          onChange={(now) => setWriting((w) => ({ ...w, ...now }))}
        />
        <AltitudeField
          field={fields.altitude}
          writing={writing}
          hint="Example: 2300 ft or 700 m."
          autoFocus
        />
        <PickField
          field={fields.gauge}
          label="Your canner has"
          options={[
            { value: "dial", label: "a dial gauge", note: "you read it" },
            { value: "weighted", label: "a weight", note: "you hear it" },
            { value: "both", label: "both" },
          ]}
        />
        <TextField field={fields.personName} label="Your name" hint="Shown beside what you record." />
        <FormErrors form={form} />
        <Button weight="do" className="w-full">
          Show a schedule
        </Button>
      </KeyedForm>
      <p className="mt-6 text-soft">
        Moving from another computer?{" "}
        <Link to={href("/records/restore")} className="inline-flex min-h-12 items-center text-ink">
          Import its archive
        </Link>
      </p>
    </main>
  );
}
