import { v7 as uuid } from "uuid";
import { pressed } from "./device-clock";
import { amend, entries, newEntry, putDown, takeOff } from "./entries";
import { beforeIt, labelOf } from "./posted";
import { isLost, reach } from "./reach";
import { deliver } from "./sender";

/** A page sends its own form for so long at most, ms; after that it must be gone, and others send it. */
const HELD_MS = 20_000;
/** Where somebody is led who has to sign in first. */
const SIGN_IN = /^\/(enter|who)\b/;

/** What a page is told of a form that waits on this device. */
export interface KeptAnswer {
  result: undefined;
  done: null;
  kept: true;
}
const KEPT: KeptAnswer = { result: undefined, done: null, kept: true };

/** The fields of a form as it is posted; null when it holds a file, which is not kept. */
function bodyOf(form: FormData): URLSearchParams | null {
  const body = new URLSearchParams();
  for (const [name, value] of form) {
    if (typeof value !== "string") return null;
    body.append(name, value);
  }
  return body;
}

let sending = 0;
/** Whether this page waits for the answer to a form it sends itself. */
export const isSending = (): boolean => sending > 0;

/**
 * The action of every page that writes. What was pressed is put down on this device before it is sent, and taken off when
 * the larder has answered: a page that is left, a tab that is closed, a server that restarts or asks who this is lose
 * nothing. While others wait it waits behind them, so that everything is heard in its order.
 */
export async function keptUntilTaken<T>(form: ClientForm<T>): Promise<T | KeptAnswer> {
  sending++;
  try {
    return await keepAndSend(form);
  } finally {
    sending--;
  }
}

/** A form as the framework hands it to a page's action. */
interface ClientForm<T> {
  request: Request;
  serverAction: () => Promise<T>;
}

async function keepAndSend<T>({ request, serverAction }: ClientForm<T>): Promise<T | KeptAnswer> {
  const body = bodyOf(await request.clone().formData());
  if (!body) return serverAction();
  const press = pressed();
  const path = pathOf(request.url);
  const { twice, keyUsed } = await beforeIt(path, body);
  if (twice) return KEPT;
  if (keyUsed) body.set("key", uuid());
  const entry = newEntry({
    kind: "form",
    path,
    body: body.toString(),
    press,
    label: labelOf(document.title.split(" · ")[0] ?? "", body),
  });
  const wait = async () => {
    await putDown(entry);
    void deliver();
    return KEPT;
  };
  if (isLost() || (await othersWait())) {
    await deliver();
    if (isLost() || (await othersWait())) return wait();
  }
  await putDown({ ...entry, heldUntil: Date.now() + HELD_MS });
  const release = async () => {
    await amend(entry.id, { heldUntil: 0 });
    void deliver();
  };
  try {
    const answer = await serverAction();
    await takeOff([entry.id]);
    return answer;
  } catch (error) {
    if (error instanceof Response) {
      // Whoever must sign in first finds what was pressed still here, and it is sent afterwards.
      if (SIGN_IN.test(error.headers.get("Location") ?? "")) await release();
      else await takeOff([entry.id]);
      throw error;
    }
    const status = statusOf(error);
    if (status !== null && status < 500 && status !== 429 && status !== 401) {
      await takeOff([entry.id]);
      throw error;
    }
    if (status === null && error instanceof TypeError) await reach();
    await release();
    return KEPT;
  }
}

/** Status of an error answer of the framework's; null for what is none. */
function statusOf(error: unknown): number | null {
  const status = (error as { status?: unknown } | null)?.status;
  return typeof status === "number" ? status : null;
}

const othersWait = async () => (await entries()).some((e) => e.refused === null);

const pathOf = (url: string) => {
  const { pathname, search } = new URL(url);
  return `${pathname.replace(/(_root)?\.data$/, "") || "/"}${search.replace(/[?&]_routes=[^&]*/, "")}`;
};
