import { z } from "zod";
import { Refused } from "#store/db";
import type { Home } from "../../server/context";
import { packetSpan, type PacketAsked } from "./packet.server";

const Asked = z.object({
  from: z.iso.date("Choose the first day."),
  to: z.iso.date("Choose the last day."),
});

/** Returns the days a packet is asked for, or what is wrong with them, by field. */
export function readAsked(
  home: Pick<Home, "larder">,
  query: URLSearchParams,
): { asked: PacketAsked } | { problems: Record<string, string> } {
  const read = Asked.safeParse({ from: query.get("from") ?? "", to: query.get("to") ?? "" });
  if (!read.success)
    return {
      problems: Object.fromEntries(read.error.issues.map((i) => [String(i.path[0] ?? ""), i.message])),
    };
  try {
    packetSpan(home, read.data);
    return { asked: read.data };
  } catch (error) {
    if (error instanceof Refused) return { problems: error.fields };
    throw error;
  }
}

/** Returns the days a packet is asked for. Throws a Response (422) that says what is wrong with them. */
export function askedOr422(home: Pick<Home, "larder">, request: Request): PacketAsked {
  const read = readAsked(home, new URL(request.url).searchParams);
  if ("asked" in read) return read.asked;
  throw new Response(Object.values(read.problems).join(" "), { status: 422 });
}
