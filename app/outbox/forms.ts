import { v7 as uuid } from "uuid";
import { openOutbox } from "./outbox";
import { isLost, lose, reach } from "./reach";

/** A form that was sent while the larder could not be reached. */
export interface KeptForm {
  id: string;
  /** the page it belongs to */
  path: string;
  body: string;
  /** when it was said, by this machine's clock, ms */
  saidAt: number;
}

/** One that the larder would not take when it heard of it. */
export interface Refused {
  id: string;
  path: string;
  why: string;
}

const outbox = openOutbox<KeptForm>("forms");
const refusals = openOutbox<Refused>("refused");
const listeners = new Set<() => void>();

/** Told whenever something is kept, delivered or refused. */
export function onKept(tell: () => void): () => void {
  listeners.add(tell);
  return () => listeners.delete(tell);
}
const changed = () => {
  for (const tell of listeners) tell();
};

export const keptForms = (): Promise<KeptForm[]> => outbox.waiting();
export const refusedForms = (): Promise<Refused[]> => refusals.waiting();
export async function forget(id: string): Promise<void> {
  await refusals.done([id]);
  changed();
}

/** A second tap so soon after the same is the same tap, ms. */
const SAME_TAP_MS = 1_200;

/**
 * Keeps a form until it can be delivered. Its key makes it count once, even if the larder has heard of it already; a key
 * that was kept before belongs to something said before, so what is said with it now gets one of its own.
 */
async function keep(path: string, form: FormData): Promise<void> {
  const body = new URLSearchParams();
  for (const [name, value] of form) if (typeof value === "string") body.append(name, value);
  const before = (await outbox.waiting()).filter(
    (k) => k.path === path && new URLSearchParams(k.body).get("key") === body.get("key"),
  );
  const last = before.at(-1);
  if (last && last.body === body.toString() && Date.now() - last.saidAt < SAME_TAP_MS) return;
  if (last) body.set("key", uuid());
  await outbox.keep({ id: uuid(), path, body: body.toString(), saidAt: Date.now() });
  changed();
}

/** What a page is told of a form that was kept. */
export interface KeptAnswer {
  result: undefined;
  done: null;
  kept: true;
}

/**
 * For pages whose taps must not be lost: sends a form as ever, and keeps it when the larder cannot be reached. While
 * others are kept it waits behind them, so that everything is heard in the order it was said.
 */
export async function keepWhenLost<T>({
  request,
  serverAction,
}: {
  request: Request;
  serverAction: () => Promise<T>;
}): Promise<T | KeptAnswer> {
  const copy = request.clone();
  const kept = async (): Promise<KeptAnswer> => {
    await keep(pathOf(copy.url), await copy.formData());
    return { result: undefined, done: null, kept: true };
  };
  if (isLost() || (await outbox.waiting()).length > 0) {
    await deliver();
    if (isLost() || (await outbox.waiting()).length > 0) return kept();
  }
  try {
    return await serverAction();
  } catch (error) {
    // A refusal or a way on is an answer; a request that found no way is not.
    if (!(error instanceof TypeError) || error instanceof Response) throw error;
    if (await reach()) throw error;
    return kept();
  }
}

const pathOf = (url: string) => {
  const { pathname, search } = new URL(url);
  return `${pathname.replace(/(_root)?\.data$/, "") || "/"}${search.replace(/[?&]_routes=[^&]*/, "")}`;
};

let delivering: Promise<void> | null = null;

/** Delivers what is kept, in order, each once. Stops at the first that finds no way. */
export function deliver(): Promise<void> {
  delivering ??= deliverAll().finally(() => (delivering = null));
  return delivering;
}

async function deliverAll(): Promise<void> {
  for (const form of await outbox.waiting()) {
    let answer: Response;
    try {
      answer = await fetch(form.path, {
        method: "POST",
        body: form.body,
        headers: {
          "Content-Type": "application/x-www-form-urlencoded",
          // How long ago, and not when: this machine's clock may be wrong, but it runs evenly.
          "Larder-Said-Ago": String(Math.max(0, Date.now() - form.saidAt)),
        },
        redirect: "manual",
        signal: AbortSignal.timeout(15_000),
      });
    } catch {
      return lose();
    }
    // In trouble, or not let in: kept until it is well again.
    if (answer.status >= 500 || answer.status === 401 || answer.status === 429) return;
    if (answer.status >= 400) {
      const said = answer.headers.get("Larder-Problem");
      const why = said ? decodeURIComponent(said) : `It could not be taken (${answer.status}).`;
      await refusals.keep({ id: form.id, path: form.path, why });
    }
    await outbox.done([form.id]);
    changed();
  }
}
