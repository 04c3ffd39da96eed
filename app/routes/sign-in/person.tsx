import { useForm } from "@conform-to/react";
import { Form, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/person";
import { hasPin, isPin, proofOf } from "#store/access";
import { Refused } from "#store/db";
import { listPeople } from "#store/household";
import { Button } from "#ui/button";
import { FormErrors, PickField, TextField } from "#ui/form";
import { countGuess, guessedRight, visitorContext } from "../../server/access";
import { larderContext } from "../../server/context";
import { saidCookie, whoCookie } from "../../server/cookies";
import { submit } from "../../server/form";
import { ownPath } from "./own-path";

export function loader({ request, context }: Route.LoaderArgs) {
  const larder = context.get(larderContext);
  const query = new URL(request.url).searchParams;
  return {
    back: ownPath(query.get("back")),
    chosen: query.get("person"),
    people: listPeople(larder).map((p) => ({ id: p.id, name: p.name, pin: hasPin(larder, p.id) })),
  };
}

const schema = z.object({
  person: z.string({ error: "Choose who you are." }).max(60),
  pin: z.string().max(20, "A PIN has 4 to 8 digits.").default(""),
  back: z.string().optional(),
});

export async function action({ request, context }: Route.ActionArgs) {
  const larder = context.get(larderContext);
  const { ip } = context.get(visitorContext);
  return submit(request, schema, async ({ person, pin, back }) => {
    const found = listPeople(larder).find((p) => p.id === person);
    if (!found) throw new Refused({ person: "No one here has that name. Check the spelling." }, 404);
    const headers = new Headers();
    if (hasPin(larder, found.id)) {
      const wait = await countGuess("pin", `${found.id} ${ip}`);
      if (wait)
        throw new Refused(
          { pin: `Too many wrong PINs for ${found.name}. Wait ${Math.ceil(wait / 60)} min.` },
          429,
        );
      if (!(await isPin(larder, found.id, pin)))
        throw new Refused({ pin: `This is not ${found.name}’s PIN.` });
      await guessedRight("pin", `${found.id} ${ip}`);
      headers.append("Set-Cookie", await saidCookie.serialize(proofOf(larder, found.id)));
    }
    headers.append("Set-Cookie", await whoCookie.serialize(found.id));
    return redirect(ownPath(back ?? null), { headers });
  });
}

export default function Who({ loaderData, actionData }: Route.ComponentProps) {
  const { people, back, chosen } = loaderData;
  const [form, fields] = useForm<z.input<typeof schema>>({ id: "who", lastResult: actionData?.result });
  return (
    <main id="main" className="mx-auto max-w-[34rem] px-6 pt-[12vh]">
      <title>Who are you? · Patient Larder</title>
      <h1 className="text-[2.1rem]">Who is using this screen?</h1>
      <Form method="post" id={form.id} onSubmit={form.onSubmit} noValidate className="mt-6 space-y-5">
        <input type="hidden" name="back" value={back} />
        <PickField
          field={fields.person}
          label="Name"
          fallback={chosen ?? people[0]?.id}
          options={people.map((p) => ({ value: p.id, label: p.name, note: p.pin ? "has a PIN" : undefined }))}
        />
        <TextField
          field={fields.pin}
          label="PIN"
          hint="Only if you have a PIN."
          type="password"
          inputMode="numeric"
          autoComplete="off"
        />
        <FormErrors form={form} />
        <Button weight="do" className="w-full">
          Sign in
        </Button>
      </Form>
    </main>
  );
}
