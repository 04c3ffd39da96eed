import { Form, Link, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { checkApart, listBackups, previewBackup, restoreBackup, takeBackup } from "#store/backup";
import { once, Refused, type Larder } from "#store/db";
import { Button } from "#ui/button";
import { Notice, problemOf } from "#ui/form";
import { Page, Part } from "#ui/page";
import { atHome } from "../../server/context";
import { byIntent, formKey, keyField, submit, words, writeBy } from "../../server/form";
import { backupWords, sizeWords } from "../../words/history";
import { clockTime, longDay } from "../../words/time";

export async function loader({ request, context }: Route.LoaderArgs) {
  const { larder, household } = atHome(context, request);
  const name = new URL(request.url).searchParams.get("look");
  const copies = listBackups(larder.folder);
  return {
    key: formKey(),
    zone: household.zone,
    copies,
    bytes: copies.reduce((sum, c) => sum + c.bytes, 0),
    folder: larder.folder,
    look: name ? { name, ...(await previewed(larder, name)) } : null,
  };
}

/** What a copy holds; an address that names none leads nowhere. */
async function previewed(larder: Larder, name: string) {
  try {
    return await previewBackup(larder, name, checkApart);
  } catch (error) {
    if (error instanceof Refused) throw new Response(error.message, { status: error.status });
    throw error;
  }
}

const take = z.object({ key: keyField, intent: z.literal("take") });
const restore = z.object({
  key: keyField,
  intent: z.literal("restore"),
  name: z.string().max(100),
  reason: words("Why it goes back", 200),
});

export function action({ request, context }: Route.ActionArgs) {
  const { larder, me } = atHome(context, request);
  return byIntent(request, {
    take: () =>
      submit(request, take, async () => {
        await takeBackup(larder, "by-hand", checkApart);
        return redirect("/records/copies");
      }),
    restore: () =>
      submit(request, restore, async (v) => {
        if (!v.reason) throw new Refused({ reason: "Say why it goes back: it stays in the history." });
        await restoreBackup(larder, v.name, checkApart);
        once(larder, writeBy(me, v.key), "larder.restore", () => ({
          result: null,
          note: { kind: "household", id: "1", detail: { copy: v.name, reason: v.reason } },
        }));
        return redirect("/records/history?verify=1");
      }),
  });
}

export default function Copies({ loaderData, actionData }: Route.ComponentProps) {
  const { key, zone, copies, bytes, folder, look } = loaderData;
  const problem = problemOf(actionData?.result);
  const chosen = copies.find((c) => c.name === look?.name);
  return (
    <Page
      title="Copies"
      lead="Made once a day while the larder goes on, opened and checked before they count; a week of days, five weeks and a year of months are kept."
      aside={
        <Form method="post">
          <input type="hidden" name="key" value={key} />
          <Button name="intent" value="take" weight={look ? "quiet" : "do"}>
            Make a copy now
          </Button>
        </Form>
      }
    >
      <title>Copies · Patient Larder</title>
      {problem && (
        <Notice tone="stop" className="mb-5">
          {problem}
        </Notice>
      )}
      <div className="grid gap-x-12 gap-y-8 lg:grid-cols-[1fr_26rem]">
        <div>
          {copies.length === 0 ? (
            <p className="text-[1.15rem] font-[650]">There is no copy yet.</p>
          ) : (
            <ul className="divide-y-2 divide-rule border-y-2 border-rule">
              {copies.map((c) => (
                <li key={c.name} className="flex flex-wrap items-center justify-between gap-x-4 py-1">
                  <span>
                    <span className="font-[650]">
                      {longDay(c.at, zone)}, {clockTime(c.at, zone)}
                    </span>{" "}
                    <span className="text-soft">
                      {backupWords(c.why)}, {sizeWords(c.bytes)}
                    </span>
                  </span>
                  <Button asChild weight={c.name === look?.name ? "quiet" : "bare"}>
                    <Link to={`/records/copies?look=${encodeURIComponent(c.name)}`} preventScrollReset>
                      Look into it
                    </Link>
                  </Button>
                </li>
              ))}
            </ul>
          )}
          <p className="mt-4 text-soft">
            {copies.length > 0 && `${sizeWords(bytes)} in all, in `}
            <span className="[overflow-wrap:anywhere]">{folder}/backups</span>. A copy on the same disk is
            lost with it: take everything out now and then, and keep that elsewhere.
          </p>
        </div>
        {look && chosen && (
          <Part title={`The copy of ${longDay(chosen.at, zone)}, ${clockTime(chosen.at, zone)}`}>
            {look.wrong.length > 0 ? (
              <Notice tone="stop">{look.wrong.join(" ")} It cannot be restored.</Notice>
            ) : (
              <>
                <table className="w-full">
                  <thead>
                    <tr className="border-b-2 border-ink text-left">
                      <th className="py-2">Checked, and sound</th>
                      <th className="text-right">then</th>
                      <th className="text-right">now</th>
                      <th className="text-right">lost</th>
                    </tr>
                  </thead>
                  <tbody>
                    {look.counts.map((c) => (
                      <tr key={c.what} className="border-b border-rule">
                        <td className="py-2">{c.what}</td>
                        <td className="fig text-right">{c.then}</td>
                        <td className="fig text-right">{c.now}</td>
                        <td
                          className={`fig text-right ${c.now > c.then ? "font-bold text-stop" : "text-soft"}`}
                        >
                          {Math.max(0, c.now - c.then)}
                        </td>
                      </tr>
                    ))}
                  </tbody>
                </table>
                <Form method="post" className="mt-4 space-y-3">
                  <input type="hidden" name="key" value={key} />
                  <input type="hidden" name="intent" value="restore" />
                  <input type="hidden" name="name" value={look.name} />
                  <label className="block">
                    <span className="font-[650]">Why the larder goes back to it</span>
                    <input
                      name="reason"
                      required
                      maxLength={200}
                      autoComplete="off"
                      className="mt-1 min-h-12 w-full rounded border-2 border-ink bg-sheet px-3 py-2 text-[1.06rem]"
                    />
                  </label>
                  <Button weight="stop">Put it in the place of the larder</Button>
                  <p className="text-soft">
                    What is there now is kept as a copy first. The passphrase stays as it is.
                  </p>
                </Form>
              </>
            )}
          </Part>
        )}
      </div>
    </Page>
  );
}
