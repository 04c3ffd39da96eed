import { useForm } from "@conform-to/react";
import { href, Link } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { Refused } from "#store/db";
import { LIST_LIMIT_BYTES, LISTS, previewList, takeList, type List, type Told } from "#store/lists";
import { Button } from "#ui/button";
import { FormErrors, KeyedForm, Notice, TextField, FileForm } from "#ui/form";
import { Page } from "#ui/page";
import { keepList, keptList } from "./arrived.server";
import { homeContext } from "../../../server/context";
import { formKey, isUpload, keyField, submit, submitUpload, wholeFile, writeBy } from "../../../server/form";
import { RowsTold } from "./rows-told";
import { keptUntilTaken } from "../../../outbox";
import type { FollowHandle } from "../../../live/follow";

function named(key: string): List {
  const list = LISTS.find((l) => l.key === key);
  if (!list?.take) throw new Response("There is no list of this name that comes in.", { status: 404 });
  return list;
}

export function loader({ params }: Route.LoaderArgs) {
  const { key, title, columns, hint } = named(params.key);
  return { formKey: formKey(), key, title, heads: columns.map((c) => c.head), hint: hint ?? "" };
}

const look = z.object({ key: keyField, intent: z.literal("look"), file: z.string().optional() });
const take = z.object({ key: keyField, intent: z.literal("take"), kept: z.string().max(60) });

/** What is shown beside the form: the rows, and by what the list is known that they would be done from. */
export interface Shown {
  told: Told[];
  /** null once it was done */
  kept: string | null;
}

export function action({ request, context, params }: Route.ActionArgs) {
  const { larder, me } = context.get(homeContext);
  const list = named(params.key);
  if (!isUpload(request))
    return submit(request, take, async (v): Promise<Shown> => {
      const text = keptList(v.kept, list.key);
      if (text === null) throw new Refused({ "": "This file is not kept any more. Choose it again." }, 409);
      return { told: await takeList(larder, writeBy(me, v.key), list, text), kept: null };
    });
  return submitUpload(request, {
    look: {
      schema: look,
      field: "file",
      limitBytes: LIST_LIMIT_BYTES,
      async work(v, file): Promise<Shown> {
        const bytes = await wholeFile(file);
        if (bytes.length === 0) throw new Refused({ file: "Choose a file." });
        let text: string;
        try {
          text = new TextDecoder("utf-8", { fatal: true }).decode(bytes);
        } catch {
          throw new Refused({
            file: "This is not text in UTF-8. Save it as “CSV UTF-8” and choose it again.",
          });
        }
        const told = await previewList(larder, writeBy(me, String(v.key)), list, text);
        return { told, kept: keepList(list.key, text) };
      },
    },
  });
}

/** What is pressed is kept on this device until the larder has it. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}

export const handle: FollowHandle = { shows: [] };

export default function ListIn({ loaderData, actionData }: Route.ComponentProps) {
  const { formKey: key, key: list, title, heads, hint } = loaderData;
  const shown = (actionData?.done ?? null) as Shown | null;
  const [form, fields] = useForm<{ key: string; intent: string; file: string }>({
    id: "look",
    lastResult: actionData?.result,
  });
  const doable = shown?.told.filter((t) => t.what === "new" || t.what === "changed").length ?? 0;
  return (
    <Page
      title={`${title}, from a CSV file`}
      lead="First the file is only checked. You see what each row would do. Nothing is changed until you confirm."
    >
      <title>{`${title} · Patient Larder`}</title>
      <div className="grid gap-x-12 gap-y-8 lg:grid-cols-[24rem_1fr]">
        <div>
          <FileForm form={form} formKey={key} intent="look" className="space-y-4">
            <TextField
              field={fields.file}
              label="The file"
              hint="CSV in UTF-8, up to 2 MB and 5,000 rows"
              type="file"
              accept=".csv,text/csv"
            />
            <FormErrors form={form} />
            <Button weight={doable && shown?.kept ? "quiet" : "do"}>Check the file</Button>
          </FileForm>
          <h2 className="mt-8 mb-1 text-[1.06rem] text-soft">Columns</h2>
          <p className="code text-[1rem] !whitespace-normal">{heads.join(", ")}</p>
          <p className="mt-2 text-soft">{hint} A column left out stays as it is.</p>
          <p className="mt-3">
            <Button asChild weight="bare">
              <a href={href("/records/lists/:key/csv", { key: list })} download>
                The list as it is now
              </a>
            </Button>
          </p>
        </div>
        {shown ? (
          <>
            {shown.kept ? (
              <KeyedForm
                form={{ id: "take", onSubmit: () => undefined }}
                formKey={key}
                intent="take"
                className="mb-4"
              >
                <input type="hidden" name="kept" value={shown.kept} />
                <Button weight="do" disabled={doable === 0}>
                  {doable === 0
                    ? "No row would change anything"
                    : `Do the ${doable} ${doable === 1 ? "row" : "rows"} that can be done`}
                </Button>
              </KeyedForm>
            ) : (
              <Notice tone="good" className="mb-4">
                <p className="text-[1.15rem] font-[650]">Done. This is what each row did.</p>
                <Link to={href("/records/history")}>It is in the history.</Link>
              </Notice>
            )}
            <RowsTold told={shown.told} />
          </>
        ) : (
          <p className="self-center text-soft">What each row would do shows here.</p>
        )}
      </div>
    </Page>
  );
}
