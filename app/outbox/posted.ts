import { v7 as uuid } from "uuid";
import { pressed } from "./device-clock";
import { entries, newEntry, putDown } from "./entries";

/** A second press so soon after the same is the same press, ms. */
const SAME_PRESS_MS = 1_200;

/** What of a form is shown to whoever looks at what waits: the page it is of, and the first things typed. */
export function labelOf(page: string, body: URLSearchParams): string {
  const typed = [...body]
    .filter(
      ([name, value]) =>
        name !== "key" && name !== "intent" && value !== "" && !/^[0-9a-f-]{36}$/.test(value),
    )
    .map(([, value]) => value.slice(0, 30));
  return [page, typed.slice(0, 4).join(", ")].filter(Boolean).join(": ");
}

/** The same thing pressed a moment ago, or its key used before for something else that still waits. */
export async function beforeIt(
  path: string,
  body: URLSearchParams,
): Promise<{ twice: boolean; keyUsed: boolean }> {
  const same = (await entries()).filter(
    (e) => e.kind === "form" && e.path === path && new URLSearchParams(e.body).get("key") === body.get("key"),
  );
  const last = same.at(-1);
  const twice = last?.body === body.toString() && Date.now() - last.press.wall < SAME_PRESS_MS;
  return { twice, keyUsed: last !== undefined };
}

/**
 * Keeps a form that a page posted by itself, before its scripts ran, and that did not arrive: it waits with the rest, and
 * the next page sends it.
 *
 * @param text the form as it was posted
 */
export async function keepPosted(path: string, text: string): Promise<void> {
  const press = pressed();
  const body = new URLSearchParams(text);
  const { twice, keyUsed } = await beforeIt(path, body);
  if (twice) return;
  if (keyUsed) body.set("key", uuid());
  const place = path.split(/[/?]/)[1] || "today";
  const label = labelOf(place[0]!.toUpperCase() + place.slice(1), body);
  await putDown(newEntry({ kind: "form", path, body: body.toString(), press, label }));
}
