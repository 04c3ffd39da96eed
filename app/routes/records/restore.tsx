import { createWriteStream, mkdirSync, rmSync } from "node:fs";
import { join } from "node:path";
import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { useForm } from "@conform-to/react";
import { href, Link, redirect } from "react-router";
import { v7 as uuid } from "uuid";
import { z } from "zod";
import type { Route } from "./+types/restore";
import { checkInProcess, isEmpty, replaceLarder } from "#store/backup";
import { Refused } from "#store/db";
import { ARCHIVE_LIMIT_BYTES, readArchive } from "#store/transfer";
import { Button } from "#ui/button";
import { FormErrors, Notice, TextField, FileForm } from "#ui/form";
import { larderContext } from "../../server/context";
import { formKey, keyField, submitUpload } from "../../server/form";

export function loader({ context }: Route.LoaderArgs) {
  return { key: formKey(), empty: isEmpty(context.get(larderContext)) };
}

const schema = z.object({ key: keyField, intent: z.literal("archive"), archive: z.string().optional() });

export function action({ request, context }: Route.ActionArgs) {
  const larder = context.get(larderContext);
  return submitUpload(request, {
    archive: {
      schema,
      field: "archive",
      limitBytes: ARCHIVE_LIMIT_BYTES,
      async work(_value, file) {
        if (!isEmpty(larder))
          throw new Refused({ archive: "This larder is not empty. Nothing was changed." }, 409);
        const folder = join(larder.folder, "arriving");
        mkdirSync(folder, { recursive: true });
        const path = join(folder, `${uuid()}.zip`);
        try {
          await pipeline(Readable.from(file), createWriteStream(path));
          const arrived = await readArchive(path, larder.folder, larder.now);
          // Somebody may have written something meanwhile.
          if (!isEmpty(larder))
            throw new Refused({ archive: "This larder is not empty any more. Nothing was changed." }, 409);
          await replaceLarder(larder, arrived.folder, checkInProcess);
        } finally {
          rmSync(path, { force: true });
        }
        return redirect(`${href("/records/history")}?verify=1`);
      },
    },
  });
}

export default function Restore({ loaderData, actionData }: Route.ComponentProps) {
  const [form, fields] = useForm<{ key: string; intent: string; archive: string }>({
    id: "archive",
    lastResult: actionData?.result,
  });
  return (
    <main id="main" className="mx-auto max-w-[44rem] px-6 pt-[9vh] pb-16">
      <title>Import an archive · Patient Larder</title>
      <h1 className="text-[2.1rem]">Import an archive</h1>
      {loaderData.empty ? (
        <>
          <p className="mt-2 text-[1.1rem]">
            The zip that “Export everything” gave you, on this computer or another. It is checked completely
            first. Only then does it replace this empty larder.
          </p>
          <FileForm form={form} formKey={loaderData.key} intent="archive" className="mt-6 space-y-4">
            <TextField
              field={fields.archive}
              label="The archive"
              hint="a .zip of up to 2 GB"
              type="file"
              accept=".zip,application/zip"
            />
            <FormErrors form={form} />
            <Button weight="do">Check and import</Button>
          </FileForm>
        </>
      ) : (
        <Notice tone="care" className="mt-4 space-y-2">
          <p className="text-[1.1rem] font-[650]">
            This larder is not empty, and an archive never writes over one.
          </p>
          <p>
            Start the program with another, empty folder (<code className="code">LARDER_DATA=…</code>) and
            import the archive there. To go back to an earlier state of this one, restore a backup.
          </p>
        </Notice>
      )}
      <p className="mt-8 flex gap-4">
        <Button asChild>
          <Link to={href("/records")}>Records</Link>
        </Button>
        <Button asChild weight="bare">
          <Link to={href("/records/backups")}>Backups on this computer</Link>
        </Button>
      </p>
    </main>
  );
}
