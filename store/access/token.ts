import { v7 as uuid } from "uuid";
import { once, refuse, Refused, type Larder, type Write } from "#store/db";
import { deviceToken, RIGHTS, type Right } from "../schema/index.ts";
import { hashOfKey, newKey } from "./session.ts";

export { RIGHTS, type Right };

export interface Token {
  id: string;
  name: string;
  right: Right;
  cannerId: string | null;
  canner: string | null;
  createdAt: number;
  revokedAt: number | null;
}

/**
 * Creates an access token for a program or an instrument, with one right. Returns the token, which is shown this once
 * because only its hash is stored; null when the same form was answered before, and then the first token is still
 * good. Throws Refused for a gauge without a canner.
 */
export function issueToken(
  larder: Larder,
  write: Write,
  input: { name: string; right: Right; cannerId: string | null },
): { id: string; token: string | null } {
  // The token is no part of what the write remembers: the same form sent twice makes none the second time.
  const token = `lard_${newKey()}`;
  const { id } = once(larder, write, "access.token", () => {
    const cannerId = input.right === "gauge" ? input.cannerId : null;
    if (input.right === "gauge" && !larder.sqlite.prepare("select 1 from canner where id = ?").get(cannerId))
      throw new Refused({
        cannerId: "Say which canner it measures: it may post to the runs of that one only.",
      });
    const made = uuid();
    larder.db
      .insert(deviceToken)
      .values({
        ...input,
        cannerId,
        id: made,
        hash: hashOfKey(token),
        createdAt: larder.now(),
        byId: write.byId,
      })
      .run();
    return {
      result: { id: made },
      note: { kind: "token", id: made, detail: { name: input.name, right: input.right } },
    };
  });
  const told = knownToken(larder, token)?.id === id;
  return { id, token: told ? token : null };
}

/** Returns what an access token may do; null when it is not known or was revoked. */
export function knownToken(
  larder: Larder,
  token: string,
): Pick<Token, "id" | "name" | "right" | "cannerId"> | null {
  return (
    (larder.sqlite
      .prepare(
        `select id, name, "right", canner_id as cannerId from device_token where hash = ? and revoked_at is null`,
      )
      .get(hashOfKey(token)) as Token | undefined) ?? null
  );
}

/** Returns the access tokens that are in use, oldest first. */
export function listTokens(larder: Larder): Token[] {
  return larder.sqlite
    .prepare(
      `select t.id, t.name, t."right", t.canner_id as cannerId, c.name as canner, t.created_at as createdAt, t.revoked_at as revokedAt
       from device_token t left join canner c on c.id = t.canner_id where t.revoked_at is null order by t.created_at`,
    )
    .all() as Token[];
}

/** Revokes an access token for good. Throws Refused (404) when none in use has this id. */
export function revokeToken(larder: Larder, write: Write, id: string): void {
  once(larder, write, "access.token-back", () => {
    const { changes } = larder.sqlite
      .prepare("update device_token set revoked_at = ? where id = ? and revoked_at is null")
      .run(larder.now(), id);
    if (changes === 0) refuse("There is no such token.", 404);
    return { result: null, note: { kind: "token", id } };
  });
}

/** Returns whether a run, named by id or code, is one of a canner's. */
export function isRunOf(larder: Larder, run: string, cannerId: string): boolean {
  return (
    larder.sqlite
      .prepare("select 1 from run where (id = ? or code = ?) and canner_id = ?")
      .get(run, run, cannerId) !== undefined
  );
}
