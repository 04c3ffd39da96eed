import Database from "better-sqlite3";

/**
 * What must hold of any larder, read off its tables. Written apart from the rules: it uses none of the program's code, and its
 * own small table of minutes.
 */
export interface Found {
  /** what may not be, in words; empty when all is well */
  wrong: string[];
  /** how far walks came: runs with a jar on a shelf, times a clock started over, cans closed, holds */
  shelvedLoads: number;
  restarts: number;
  seamedCans: number;
  holds: number;
}

// USDA 2015, Guide 5, from memory: pints 75, quarts 90, half-pints as pints. Cans of game: common practice, no
// source: 70 and 99.
const LEAST_MINUTES: Record<string, number> = {
  "red-meat-pieces jar-pint": 75,
  "red-meat-pieces jar-half-pint": 75,
  "red-meat-pieces jar-quart": 90,
  "red-meat-ground jar-pint": 75,
  "red-meat-ground jar-quart": 90,
  "can-game can-half-pound": 70,
  "can-game can-one-pound": 99,
};
/** 170 °F. */
const EXHAUSTED_C = 76.6;
/** 1 lb high and 2 lb low, kPa, with half a kPa for rounding. */
const [HIGH_KPA, LOW_KPA] = [7.4, -14.3];
const YEAR = 366 * 86_400_000;
const MINUTE = 60_000;

interface Event {
  seq: number;
  id: string;
  at: number;
  type: string;
  gauge_kpa: number | null;
  corrects: string | null;
}

/** Events that still hold: what was undone is gone, and an undoing that was undone itself is none. */
function standing(events: readonly Event[]): Event[] {
  const gone = new Set<string>();
  for (const e of [...events].sort((a, b) => b.seq - a.seq))
    if (e.type === "correction" && !gone.has(e.id) && e.corrects) gone.add(e.corrects);
  return events
    .filter((e) => !gone.has(e.id) && e.type !== "correction")
    .sort((a, b) => a.at - b.at || a.seq - b.seq);
}

/** Longest stretch at pressure in the order things happened, minutes, and how often one was broken off. */
function stretches(events: readonly Event[], floorKPa: number): { longest: number; broken: number } {
  let [since, longest, broken, weight] = [null as number | null, 0, 0, false];
  for (const e of events) {
    if (e.type === "weight-on") weight = true;
    const reads = e.type === "reading" && e.gauge_kpa !== null;
    const low =
      e.type === "below-target" || e.type === "weight-quiet" || (reads && e.gauge_kpa! < floorKPa - 0.01);
    const good =
      e.type === "at-target" || e.type === "weight-rocking" || (reads && e.gauge_kpa! >= floorKPa - 0.01);
    const over = ["heat-off", "pressure-zero", "weight-off", "lid-off", "abort"].includes(e.type);
    if (since !== null) longest = Math.max(longest, (e.at - since) / MINUTE);
    if (since !== null && (low || over)) {
      if (low) broken++;
      since = null;
    }
    if (weight && good) since ??= e.at;
  }
  return { longest, broken };
}

/** Looks through the tables of a larder that was walked through. @param file the larder's file */
export function look(file: string): Found {
  const db = new Database(file, { readonly: true });
  const all = <T>(sql: string, ...of: unknown[]) => db.prepare(sql).all(...of) as T[];
  const wrong: string[] = [];
  let restarts = 0;
  try {
    const runs = all<{
      id: string;
      code: string;
      canner_id: string;
      plan: string;
      opened_at: number;
      gauge_signed_reason: string | null;
    }>("select * from run");
    const served = new Set<string>();
    for (const run of runs) {
      const plan = JSON.parse(run.plan) as { minutes: number; floorKPa: number; governs: string };
      const events = standing(all<Event>("select * from run_event where run_id = ?", run.id));
      const { longest, broken } = stretches(events, plan.floorKPa);
      restarts += broken;
      const vented = events.find((e) => e.type === "steam-steady");
      const weight = events.find((e) => e.type === "weight-on");
      if (longest >= plan.minutes && vented && weight && weight.at - vented.at >= 10 * MINUTE)
        served.add(run.id);
      const packs = all<{ code: string; product: string; container: string; n: number }>(
        "select k.code, k.product, k.container, (select count(*) from container c where c.pack_id = k.id and c.emptied_at is null) as n from pack k where k.run_id = ?",
        run.id,
      );
      for (const p of packs) {
        const least = LEAST_MINUTES[`${p.product} ${p.container}`];
        if (least === undefined)
          wrong.push(`${p.code}: ${p.product} in ${p.container} is in no table of ours`);
        else if (plan.minutes < least)
          wrong.push(`${run.code}: ${plan.minutes} minutes for ${p.product} in ${p.container}`);
      }
      const [canner] = all<{ manual: string; has_dial: number }>(
        "select * from canner where id = ?",
        run.canner_id,
      );
      const most = JSON.parse(canner!.manual) as Record<string, number>;
      const share = packs.reduce((sum, p) => sum + p.n / (most[p.container] ?? 6), 0);
      if (share > 1.0001) wrong.push(`${run.code}: more than its canner holds`);
      if (plan.governs === "dial") {
        const [test] = all<{ at: number; error_kpa: number }>(
          "select * from gauge_check where canner_id = ? and at <= ? order by at desc limit 1",
          run.canner_id,
          run.opened_at,
        );
        if (test && (test.error_kpa > HIGH_KPA || test.error_kpa < LOW_KPA))
          wrong.push(`${run.code}: by a dial that has to be replaced`);
        if ((!test || run.opened_at - test.at > YEAR) && !run.gauge_signed_reason)
          wrong.push(`${run.code}: by a dial nobody tested`);
      }
    }
    const shelved = all<{ code: string; run_id: string | null; found: string | null }>(
      `select distinct c.code, k.run_id, (select finding from seal_check s where s.container_id = c.id order by seq desc limit 1) as found
       from movement m join container c on c.id = m.container_id join pack k on k.id = c.pack_id where m.kind = 'shelved'`,
    );
    for (const c of shelved) {
      if (!c.run_id || !served.has(c.run_id)) wrong.push(`${c.code}: on a shelf without a complete process`);
      if (c.found !== "sealed") wrong.push(`${c.code}: on a shelf and not found sealed`);
    }
    const cans = all<{ id: string; code: string; signed: number }>(
      `select c.id, c.code, exists (select 1 from deviation d where d.kind = 'can-unfit' and d.container_id = c.id) as signed
       from container c join pack k on k.id = c.pack_id where k.container like 'can-%' and k.run_id is not null and c.emptied_at is null`,
    );
    for (const can of cans) {
      const checks = all<{ temp_c: number | null; verdict: string | null }>(
        "select * from can_check where container_id = ? order by seq",
        can.id,
      );
      const seam = checks.findIndex((c) => c.verdict === "accept");
      const hot =
        checks
          .slice(0, Math.max(0, seam))
          .filter((c) => c.temp_c !== null)
          .at(-1)?.temp_c ?? 0;
      if ((seam < 0 || hot < EXHAUSTED_C) && !can.signed)
        wrong.push(`${can.code}: in a canner without 170 °F and a good seam`);
    }
    const held = all<{ code: string; condition: string }>(
      `select k.code, h.condition from pack k join pack_lot x on x.pack_id = k.id join lot_origin o on o.lot_id = x.lot_id
       join hold h on h.harvest_id = o.harvest_id or h.lot_id = x.lot_id
       left join hold_release r on r.hold_id = h.id
       left join run on run.id = k.run_id
       where (h.at < k.made_at and (r.at is null or r.at > k.made_at))
          or (run.id is not null and h.at < run.opened_at and (r.at is null or r.at > run.opened_at))`,
    );
    for (const h of held) wrong.push(`${h.code}: used while it was held (${h.condition})`);
    const count = (sql: string) => all<{ n: number }>(sql)[0]!.n;
    return {
      wrong,
      restarts,
      shelvedLoads: new Set(shelved.map((c) => c.run_id)).size,
      seamedCans: count("select count(distinct container_id) as n from can_check where verdict = 'accept'"),
      holds: count("select count(*) as n from hold"),
    };
  } finally {
    db.close();
  }
}
