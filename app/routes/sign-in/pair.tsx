import { useForm } from "@conform-to/react";
import { v7 as uuid } from "uuid";
import { useEffect, useRef } from "react";
import { Form, href, redirect, redirectDocument } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/pair";
import { pairDevice } from "#store/access";
import { onBehalfOf, Refused, scopeNow } from "#store/db";
import { Button } from "#ui/button";
import { FormErrors, TextField, typeInto } from "#ui/form";
import { countSignIn, guessedRight, usePairingCode, visitorContext } from "../../server/access";
import { inCookie, screenCookie } from "../../server/cookies";
import { larderContext } from "../../server/context";
import { submit } from "../../server/form";

export function loader({ context }: Route.LoaderArgs) {
  const visitor = context.get(visitorContext);
  if (!visitor.outside) throw redirect(href("/"));
  return { device: visitor.device };
}

const schema = z.object({
  code: z.string({ error: "The code is missing. It is on the screen that is signed in." }).max(40),
  name: z
    .string({ error: "Name this device. Example: tablet in the kitchen" })
    .trim()
    .min(1, "Name this device. Example: tablet in the kitchen")
    .max(40, "At most 40 letters."),
});

export function action({ request, context }: Route.ActionArgs) {
  const larder = context.get(larderContext);
  const { ip } = context.get(visitorContext);
  return submit(request, schema, async ({ code, name }) => {
    await countSignIn("pairing", ip, "code", "codes");
    const used = usePairingCode(code, larder.now());
    if (typeof used === "string") throw new Refused({ code: used });
    await guessedRight("pairing", ip);
    const headers = new Headers();
    // Whoever let it in wrote this; the device itself may do nothing yet.
    const key = onBehalfOf({ ...scopeNow(), reach: undefined }, () =>
      pairDevice(larder, { key: uuid(), byId: used.byId }, name, used.may),
    );
    headers.append("Set-Cookie", await inCookie.serialize(key));
    headers.append("Set-Cookie", await screenCookie.serialize(name));
    // Loaded whole: only a page that loads keeps the others for when there is no network.
    return redirectDocument(`${href("/household/device")}?new`, { headers });
  });
}

/** What a phone is let in by: a code that another screen shows, used once. It comes in the address, and is sent to nobody before. */
export default function Pair({ loaderData, actionData }: Route.ComponentProps) {
  const [form, fields] = useForm<z.input<typeof schema>>({ id: "pair", lastResult: actionData?.result });
  const ref = useRef<HTMLFormElement>(null);
  useEffect(() => {
    const code = decodeURIComponent(location.hash.slice(1));
    const field = ref.current?.elements.namedItem("code");
    if (code && field instanceof HTMLInputElement && !field.value) typeInto(field, code);
  }, []);
  return (
    <main id="main" className="mx-auto max-w-[34rem] px-6 pt-[12vh]">
      <title>Connect this device · Patient Larder</title>
      <h1 className="text-[2.1rem]">Connect this device</h1>
      <p className="mt-2 text-[1.1rem] text-soft">
        The code is on the screen that is signed in, under Household, Sign-in and access. It works once.
      </p>
      <Form
        method="post"
        ref={ref}
        id={form.id}
        onSubmit={form.onSubmit}
        noValidate
        className="mt-7 space-y-4"
      >
        <TextField field={fields.code} label="Code" hint="Example: K7M4-9T3R" autoComplete="off" />
        <TextField
          field={fields.name}
          label="Name of this device"
          hint="Example: tablet in the kitchen"
          defaultValue={loaderData.device}
          autoComplete="off"
        />
        <FormErrors form={form} />
        <Button weight="do" className="w-full">
          Connect this device
        </Button>
      </Form>
    </main>
  );
}
