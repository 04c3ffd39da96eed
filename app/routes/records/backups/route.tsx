import { Form, href, Link, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import {
  checkInProcess,
  copyToSecondPlace,
  removeSecondPlace,
  isOverdue,
  listBackups,
  previewBackup,
  restoreBackup,
  secondPlaceOf,
  setSecondPlace,
  takeBackup,
} from "#store/backup";
import { Refused, type Larder } from "#store/db";
import { Button } from "#ui/button";
import { NoEnter, Notice, problemOf, resultOf } from "#ui/form";
import { Page, Part } from "#ui/page";
import { homeContext } from "../../../server/context";
import { byIntent, formKey, keyField, submit, words, writeBy } from "../../../server/form";
import { backupWords, sizeWords } from "../../../words/history";
import { clockTime, longDay, timesOf } from "../../../words/time";
import { SecondPlacePart } from "./second-place";

export async function loader({ request, context }: Route.LoaderArgs) {
  const { larder, household } = context.get(homeContext);
  const name = new URL(request.url).searchParams.get("look");
  const copies = listBackups(larder.folder);
  return {
    key: formKey(),
    times: timesOf(household),
    copies,
    bytes: copies.reduce((sum, c) => sum + c.bytes, 0),
    folder: larder.folder,
    now: larder.now(),
    second: secondPlaceOf(larder.folder),
    overdue: isOverdue(larder.folder, larder.now()),
    look: name ? { name, ...(await previewed(larder, name)) } : null,
  };
}

/** What a copy holds; an address that names none leads nowhere. */
async function previewed(larder: Larder, name: string) {
  try {
    return await previewBackup(larder, name, checkInProcess);
  } catch (error) {
    if (error instanceof Refused) throw new Response(error.message, { status: error.status });
    throw error;
  }
}

const take = z.object({ key: keyField, intent: z.literal("take") });
const second = z.object({
  key: keyField,
  intent: z.literal("second"),
  path: words("The folder", 500).min(1, "Type the folder. Example: /media/stick/larder"),
});
const restore = z.object({
  key: keyField,
  intent: z.literal("restore"),
  name: z.string().max(100),
  reason: words("Why you restore it", 200),
});

export function action({ request, context }: Route.ActionArgs) {
  const { larder, me } = context.get(homeContext);
  return byIntent(request, {
    take: () =>
      submit(request, take, async () => {
        const { unsigned } = await takeBackup(larder, "by-hand", checkInProcess);
        await copyToSecondPlace(larder);
        if (unsigned) throw new Refused({ "": `The backup was made, but not signed. ${unsigned}` }, 409);
        return redirect(href("/records/backups"));
      }),
    second: () =>
      submit(request, second, async (v) => {
        await setSecondPlace(larder, writeBy(me, v.key), v.path);
        await copyToSecondPlace(larder);
        return redirect(href("/records/backups"));
      }),
    "second-now": () =>
      submit(request, take.extend({ intent: z.literal("second-now") }), async () => {
        const trouble = await copyToSecondPlace(larder);
        if (trouble) throw new Refused({ "": trouble }, 409);
        return redirect(href("/records/backups"));
      }),
    "second-off": () =>
      submit(request, take.extend({ intent: z.literal("second-off") }), (v) => {
        removeSecondPlace(larder, writeBy(me, v.key));
        return redirect(href("/records/backups"));
      }),
    restore: () =>
      submit(request, restore, async (v) => {
        if (!v.reason) throw new Refused({ reason: "Write why you restore it. It stays in the history." });
        const told = { write: writeBy(me, v.key), reason: v.reason };
        await restoreBackup(larder, v.name, told, checkInProcess);
        return redirect(`${href("/records/history")}?verify=1`);
      }),
  });
}

export default function Copies({ loaderData, actionData }: Route.ComponentProps) {
  const { key, times, copies, bytes, folder, look } = loaderData;
  // What is said of the second place stands there.
  const problem = resultOf(actionData?.result, "second") ? "" : problemOf(actionData?.result);
  const chosen = copies.find((c) => c.name === look?.name);
  return (
    <Page
      title="Backups"
      lead="Made once a day, then opened and checked. Kept: seven days, five weeks and twelve months."
      aside={
        <Form method="post">
          <input type="hidden" name="key" value={key} />
          <Button name="intent" value="take" weight={look ? "quiet" : "do"}>
            Make a backup now
          </Button>
        </Form>
      }
    >
      <title>Backups · Patient Larder</title>
      {problem && (
        <Notice tone="stop" className="mb-5">
          {problem}
        </Notice>
      )}
      <div className="grid gap-x-12 gap-y-8 lg:grid-cols-[1fr_26rem]">
        <div>
          {copies.length === 0 ? (
            <p className="text-[1.15rem] font-[650]">There is no backup yet.</p>
          ) : (
            <ul className="divide-y-2 divide-rule border-y-2 border-rule">
              {copies.map((c) => (
                <li key={c.name} className="flex flex-wrap items-center justify-between gap-x-4 py-1">
                  <span>
                    <span className="font-[650]">
                      {longDay(c.at, times)}, {clockTime(c.at, times)}
                    </span>{" "}
                    <span className="text-soft">
                      {backupWords(c.why)}, {sizeWords(c.bytes)}
                    </span>
                  </span>
                  <Button asChild weight={c.name === look?.name ? "quiet" : "bare"}>
                    <Link
                      to={`${href("/records/backups")}?look=${encodeURIComponent(c.name)}`}
                      preventScrollReset
                    >
                      Details
                    </Link>
                  </Button>
                </li>
              ))}
            </ul>
          )}
          <p className="mt-4 text-soft">
            {copies.length > 0 && `${sizeWords(bytes)} in all, in `}
            <span className="[overflow-wrap:anywhere]">{folder}/backups</span>. They are on the same disk as
            the larder. If the disk fails, both are lost.
          </p>
          <SecondPlacePart
            place={loaderData.second}
            overdue={loaderData.overdue}
            times={times}
            formKey={key}
            result={actionData?.result}
          />
        </div>
        {look && chosen && (
          <Part title={`Backup of ${longDay(chosen.at, times)}, ${clockTime(chosen.at, times)}`}>
            {look.wrong.length > 0 ? (
              <Notice tone="stop">{look.wrong.join(" ")} It cannot be restored.</Notice>
            ) : (
              <>
                <table className="w-full">
                  <thead>
                    <tr className="border-b-2 border-ink text-left">
                      <th className="py-2">Checked and OK</th>
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
                {look.otherKey && (
                  <Notice tone="care" className="mt-3">
                    This backup was signed with another key ({look.otherKey}). It may be of another larder.
                    Compare the key with a printed record before you restore it.
                  </Notice>
                )}
                <Form method="post" className="mt-4 space-y-3">
                  <NoEnter />
                  <input type="hidden" name="key" value={key} />
                  <input type="hidden" name="intent" value="restore" />
                  <input type="hidden" name="name" value={look.name} />
                  <label className="block">
                    <span className="font-[650]">Why you restore it</span>
                    <input name="reason" required maxLength={200} autoComplete="off" className="input mt-1" />
                  </label>
                  <Button weight="stop">Restore this backup</Button>
                  <p className="text-soft">
                    A backup of the current records is made first. The passphrase stays the same.
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
