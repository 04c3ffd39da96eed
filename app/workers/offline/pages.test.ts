import { expect, test } from "vitest";
import { asKept, isKept, partsOf, toKeep } from "./pages";

const page = (html: string, init: ResponseInit = {}) =>
  new Response(html, { headers: { "content-type": "text/html; charset=utf-8", ...init.headers }, ...init });

test("a page is kept with when it was seen, and says so when it is shown again", async () => {
  const answer = page("<html><head><title>Rest</title></head></html>", {
    headers: { "content-type": "text/html", "content-encoding": "br", "content-length": "12" },
  });
  const kept = toKeep(answer, 1_700_000_000_000)!;
  expect(kept.headers.has("content-encoding")).toBe(false);
  expect(kept.headers.has("content-length")).toBe(false);
  expect(await (await asKept(kept)).text()).toBe(
    '<html><head><meta name="larder-kept" content="1700000000000"><title>Rest</title></head></html>',
  );
});

test("neither an error, nor a file, nor the way to the door is kept as a page", () => {
  expect(toKeep(page("gone", { status: 404 }), 0)).toBeNull();
  expect(toKeep(page("wrong", { status: 500 }), 0)).toBeNull();
  expect(toKeep(new Response("{}", { headers: { "content-type": "application/json" } }), 0)).toBeNull();
  const led = page("<html></html>");
  Object.defineProperty(led, "redirected", { value: true });
  expect(toKeep(led, 0)).toBeNull();
});

test("pages of the work are kept; doors, files and what is live are not", () => {
  for (const path of ["/", "/larder", "/fire/BJR-E", "/help/throw-out", "/records/history", "/c/TUU-F"])
    expect(isKept(path), path).toBe(true);
  for (const path of [
    ...["/enter", "/pair", "/who", "/connect", "/live", "/healthz", "/clock", "/api/v1/stock"],
    ...["/fire/BJR-E/taps", "/fire/BJR-E/events", "/records/archive.zip", "/larder/labels.pdf", "/rest.data"],
    // An old list of recalls is not passed on as the newest.
    ...["/larder/recalls/check.html", "/larder/recalls/list.txt"],
  ])
    expect(isKept(path), path).toBe(false);
});

test("a page names its parts, each once", () => {
  const html = `<link href="/assets/root-a.css"><script>import("/assets/route-b.js")</script><link href="/assets/root-a.css"><img src="/icons/192.png">`;
  expect(partsOf(html)).toEqual(["/assets/root-a.css", "/assets/route-b.js"]);
});
