import { useForm } from "@conform-to/react";
import { Form, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/passphrase";
import { isPassphrase, openSession } from "#store/access";
import { Refused } from "#store/db";
import { Button } from "#ui/button";
import { FormErrors, TextField } from "#ui/form";
import { countSignIn, guessedRight, visitorContext } from "../../server/access";
import { inCookie } from "../../server/cookies";
import { larderContext } from "../../server/context";
import { submit } from "../../server/form";
import { ownPath } from "./own-path";

export function loader({ request, context }: Route.LoaderArgs) {
  const back = ownPath(new URL(request.url).searchParams.get("back"));
  if (!context.get(visitorContext).outside) throw redirect(back);
  return { back };
}

const schema = z.object({
  passphrase: z
    .string({ error: "The passphrase is missing." })
    .max(200, "Check it: passphrases here are shorter than that."),
  back: z.string().optional(),
});

export async function action({ request, context }: Route.ActionArgs) {
  const larder = context.get(larderContext);
  const visitor = context.get(visitorContext);
  return submit(request, schema, async ({ passphrase, back }) => {
    await countSignIn("passphrase", visitor.ip, "passphrase", "passphrases");
    if (!(await isPassphrase(larder, passphrase)))
      throw new Refused({ passphrase: "This is not the passphrase. Capital letters and spaces count." });
    await guessedRight("passphrase", visitor.ip);
    return redirect(ownPath(back ?? null), {
      headers: { "Set-Cookie": await inCookie.serialize(openSession(larder, visitor.device)) },
    });
  });
}

export default function Enter({ loaderData, actionData }: Route.ComponentProps) {
  const [form, fields] = useForm<z.input<typeof schema>>({ id: "enter", lastResult: actionData?.result });
  return (
    <main id="main" className="mx-auto max-w-[34rem] px-6 pt-[14vh]">
      <title>Sign in · Patient Larder</title>
      <h1 className="text-[2.1rem]">Sign in to this larder</h1>
      <p className="mt-2 text-[1.1rem] text-soft">
        Enter the household’s passphrase once. This screen stays signed in for two months after its last use.
      </p>
      <Form method="post" id={form.id} onSubmit={form.onSubmit} noValidate className="mt-7 space-y-4">
        <input type="hidden" name="back" value={loaderData.back} />
        <TextField
          field={fields.passphrase}
          label="Passphrase"
          type="password"
          autoComplete="current-password"
          autoFocus
        />
        <FormErrors form={form} />
        <Button weight="do" className="w-full">
          Sign in
        </Button>
      </Form>
    </main>
  );
}
