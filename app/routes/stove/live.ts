import type { Route } from "./+types/live";
import { eventsSince, getRun } from "#store/run";
import { type RunEvent } from "#core/run";
import { pace } from "../../server/clock";
import { clocksOf, type RunningClock } from "../../server/clocks";
import { atHome } from "../../server/context";
import { lookAround } from "../../server/look";
import { runGlances } from "../../server/shell";
import { orNotFound } from "../../server/form";

/** What a stove screen is told as it happens. */
export interface LiveWord {
  /** the larder's clock, and how fast it runs */
  now: number;
  pace: number;
  events: RunEvent[];
  /** the other clocks; now and then */
  clocks?: RunningClock[];
}

/** Looked for this often, ms: a tap on one device is on the other before a hand has left it. */
const LOOK_MS = 300;
/** Even when nothing happens there is a word this often, ms, so that a dead line is noticed. */
const WORD_MS = 4_000;

/** What happens to a run, as server-sent events: each once, from where the listener was. */
export function loader({ request, context, params }: Route.LoaderArgs) {
  const home = atHome(context, request);
  const { larder } = home;
  const run = orNotFound(() => getRun(larder, params.code));
  const from = request.headers.get("Last-Event-ID") ?? new URL(request.url).searchParams.get("after");
  let after = Number(from) || 0;
  const encoder = new TextEncoder();
  let timer: NodeJS.Timeout | null = null;
  const stop = () => {
    if (timer) clearInterval(timer);
    timer = null;
  };
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      let spoken = 0;
      const look = () => {
        const events = eventsSince(larder, run.id, after);
        const due = performance.now() - spoken > WORD_MS;
        if (events.length === 0 && !due) return;
        spoken = performance.now();
        after = events.at(-1)?.seq ?? after;
        const word: LiveWord = { now: larder.now(), pace: pace(), events };
        if (due) word.clocks = otherClocks(home, run.id);
        controller.enqueue(encoder.encode(`id: ${after}\ndata: ${JSON.stringify(word)}\n\n`));
      };
      look();
      timer = setInterval(() => {
        try {
          look();
        } catch {
          // The listener is gone, or the larder is being closed: the screen asks again by itself.
          stop();
        }
      }, LOOK_MS);
      request.signal.addEventListener("abort", stop);
    },
    cancel: stop,
  });
  return new Response(stream, {
    headers: {
      "Content-Type": "text/event-stream",
      // Not to be packed on the way: a packer would hold words back.
      "Cache-Control": "no-store, no-transform",
    },
  });
}

/** Clocks of everything but this run. The look around is made anew for each word. */
function otherClocks(home: ReturnType<typeof atHome>, runId: string): RunningClock[] {
  const fresh = { ...home, context: { ...home.context } as typeof home.context };
  return clocksOf(
    runGlances(fresh).filter((r) => r.id !== runId),
    lookAround(fresh),
  );
}
