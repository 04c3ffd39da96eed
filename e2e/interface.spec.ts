import Ajv from "ajv/dist/2020.js";
import addFormats from "ajv-formats";
import { expect, test } from "./server";

interface Described {
  paths: Record<
    string,
    Record<
      string,
      {
        parameters?: { name: string; in: string; required: boolean; example?: unknown }[];
        requestBody?: { content: { "application/json": { schema: object; example?: unknown } } };
        responses: Record<string, { content: Record<string, { schema: object }> }>;
      }
    >
  >;
}

const ajv = new Ajv({ strict: false });
addFormats(ajv);

// Every example of the description is sent as it stands, and every answer is held against its own schema (JSON Schema
// 2020-12, by npm's ajv): what is written for other programs is true.
test("every example of the interface is taken, and every answer is what its description says", async ({
  own,
  request,
}) => {
  const api = (await (await request.get(`${own.url}/api/v1/openapi.json`)).json()) as Described;
  const rows = async (list: string) =>
    (
      (await (await request.get(`${own.url}/api/v1/lists/${list}`)).json()) as {
        rows: Record<string, string>[];
      }
    ).rows;
  const [animal] = await rows("animals");
  const runs = await rows("runs");
  const openCan = (await rows("jars")).find((j) => j.container!.startsWith("can-") && !j.run && !j.seal)!;
  const going = runs.find((r) => !r.ended && !r["time served"])!;
  const codes: Record<string, string> = {
    "/api/v1/trace/{code}": animal!.code!,
    "/api/v1/harvests/{code}/readings": animal!.code!,
    "/api/v1/cans/{code}/readings": openCan.code!,
    "/api/v1/runs/{id}": going.code!,
    "/api/v1/runs/{id}/readings": going.code!,
  };
  let asked = 0;
  for (const [path, ways] of Object.entries(api.paths))
    for (const [method, o] of Object.entries(ways)) {
      const query = new URLSearchParams(
        (o.parameters ?? []).flatMap((p) =>
          p.in === "query" && p.example !== undefined ? [[p.name, String(p.example)]] : [],
        ),
      );
      const address = path.replace(
        /\{(\w+)\}/,
        (_, name: string) => codes[path] ?? String(o.parameters!.find((p) => p.name === name)!.example),
      );
      let body = o.requestBody?.content["application/json"].example;
      if (o.requestBody) {
        // The plan's body is long and has no example; its own tests send many.
        if (body === undefined) continue;
        const now = new Date(Date.now() + own.aheadMs).toISOString();
        body = JSON.parse(JSON.stringify(body).replace(/"at":"[^"]+"/g, `"at":"${now}"`)) as object;
      }
      const answer = await request.fetch(`${own.url}${address}?${query.toString()}`, {
        method,
        ...(body ? { data: body } : {}),
      });
      const text = await answer.text();
      expect(answer.status(), `${method} ${address} ${text.slice(0, 200)}`).toBe(200);
      const [type, { schema }] = Object.entries(o.responses["200"]!.content)[0]!;
      expect(answer.headers()["content-type"]).toContain(type);
      const fits = ajv.compile(schema);
      expect(
        fits(JSON.parse(text)),
        `${method} ${address}: ${JSON.stringify(fits.errors?.slice(0, 2))}`,
      ).toBe(true);
      asked++;
    }
  expect(asked).toBeGreaterThanOrEqual(16);
});

test("the page of the interface shows each way with its example", async ({ demo, page }) => {
  await page.goto(`${demo.url}/records/interface`);
  await expect(page.getByRole("heading", { name: "The JSON interface, version 1" })).toBeVisible();
  await page.getByText("Tested schedule, or why there is none").click();
  await expect(page.getByText("product=red-meat-pieces", { exact: false }).first()).toBeVisible();
  await expect(page.getByText("A token for: a reader").first()).toBeVisible();
});

test("lists are paged, and what is no list is refused", async ({ demo, request }) => {
  const get = async (path: string) => request.get(`${demo.url}/api/v1/${path}`);
  const all = (await (await get("lists/changes")).json()) as { total: number; rows: object[] };
  const part = (await (await get("lists/changes?limit=3&offset=2")).json()) as typeof all;
  expect(part.total).toBe(all.total);
  expect(part.rows).toEqual(all.rows.slice(2, 5));
  expect((await get("lists/secret")).status()).toBe(404);
  expect((await get("lists/changes?limit=many")).status()).toBe(422);
  expect((await get("lists/changes?sql=1")).status()).toBe(422);
  expect((await get("events?code=NOPE")).status()).toBe(404);
});
