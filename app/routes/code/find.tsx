import { data, Form, href, Link, redirect } from "react-router";
import type { Route } from "./+types/find";
import { findCode } from "#store/trace";
import { Button } from "#ui/button";
import { Notice } from "#ui/form";
import { Code } from "#ui/lotmark";
import { Page } from "#ui/page";
import { homeContext } from "../../server/context";

export function loader({ request, context }: Route.LoaderArgs) {
  const { larder } = context.get(homeContext);
  const code = new URL(request.url).searchParams.get("code")?.trim().slice(0, 40) ?? "";
  if (!code) return { code, problem: null, meant: null };
  const found = findCode(larder, code);
  if (found.found) throw redirect(href("/c/:code", { code: found.code }));
  return data({ code, problem: found.message, meant: found.meant }, { status: 422 });
}

export default function Find({ loaderData }: Route.ComponentProps) {
  const { code, problem, meant } = loaderData;
  return (
    <Page
      title="Find a code"
      lead="From a lid, a bag or a label. Capital letters and the dash do not matter."
    >
      <title>Find a code · Patient Larder</title>
      <Form className="flex max-w-[30rem] items-end gap-3">
        <label className="flex-1">
          <span className="font-[650]">Code</span>
          <input
            name="code"
            defaultValue={code}
            autoComplete="off"
            autoFocus
            aria-invalid={problem ? true : undefined}
            aria-describedby={problem ? "code-problem" : undefined}
            className="input code mt-1 min-h-14 !text-[1.8rem]"
          />
        </label>
        <Button weight={meant ? "quiet" : "do"}>Find it</Button>
      </Form>
      {problem && (
        <Notice tone="stop" id="code-problem" className="mt-5 max-w-[44rem]">
          {problem}
        </Notice>
      )}
      {meant && (
        <Button asChild weight="do" className="mt-4">
          <Link to={href("/c/:code", { code: meant })}>
            Open <Code>{meant}</Code>
          </Link>
        </Button>
      )}
    </Page>
  );
}
