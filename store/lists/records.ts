import { queryRows, iso, type Cell, type List } from "./list.ts";

/** Lists that are only a record: they leave, and never come in. */
const record = (
  key: string,
  title: string,
  columns: [head: string, kind: List["columns"][number]["kind"]][],
  sql: string,
): List => ({
  key,
  title,
  columns: columns.map(([head, kind]) => ({ head, kind })),
  rows: (larder) =>
    queryRows(larder, sql).map((row) =>
      row.map((cell, i): Cell => (columns[i]![1] === "instant" ? iso(cell as number | null) : cell)),
    ),
});

export const RECORDS: List[] = [
  record(
    "lots",
    "Lots",
    [
      ["code", "text"],
      ["part", "text"],
      ["form", "text"],
      ["made kg", "number"],
      ["left kg", "number"],
      ["trim kg", "number"],
      ["kept", "text"],
      ["place", "text"],
      ["made", "instant"],
      ["for whom", "text"],
    ],
    "select code, part, form, made_kg, left_kg, trim_kg, kept, place, made_at, for_whom from lot order by made_at, code",
  ),
  record(
    "packs",
    "Packs",
    [
      ["code", "text"],
      ["product", "text"],
      ["method", "text"],
      ["container", "text"],
      ["containers", "whole"],
      ["salt tsp each", "number"],
      ["liquid", "text"],
      ["made", "instant"],
      ["run", "text"],
      ["by", "text"],
    ],
    `select k.code, k.product, k.method, k.container, (select count(*) from container c where c.pack_id = k.id and c.emptied_at is null), k.salt_tsp_each, k.liquid, k.made_at, r.code, p.name
     from pack k left join run r on r.id = k.run_id left join person p on p.id = k.by_id order by k.made_at, k.code`,
  ),
  record(
    "runs",
    "Runs",
    [
      ["code", "text"],
      ["canner", "text"],
      ["minutes", "number"],
      ["target kPa", "number"],
      ["altitude m", "number"],
      ["opened", "instant"],
      ["time served", "instant"],
      ["ended", "instant"],
      ["by", "text"],
    ],
    `select r.code, n.name, json_extract(r.plan, '$.minutes'), json_extract(r.plan, '$.floorKPa'), json_extract(r.schedule, '$.altitudeM'), r.opened_at, r.completed_at, r.ended_at, p.name
     from run r join canner n on n.id = r.canner_id left join person p on p.id = r.opened_by order by r.opened_at, r.code`,
  ),
  record(
    "run-events",
    "Events and readings of runs",
    [
      ["run", "text"],
      ["at", "instant"],
      ["what", "text"],
      ["gauge kPa", "number"],
      ["temperature °C", "number"],
      ["by", "text"],
      ["gauge", "text"],
      ["note", "text"],
      ["corrects", "text"],
      ["written", "instant"],
      ["hash", "text"],
    ],
    `select r.code, e.at, e.type, e.gauge_kpa, e.temp_c, e.by_name, e.source, e.note, e.corrects, e.recorded_at, l.hash
     from run_event e join run r on r.id = e.run_id left join chain_link l on l.chain = e.run_id and l.seq = e.seq order by e.seq`,
  ),
  record(
    "seals",
    "Seals looked at",
    [
      ["container", "text"],
      ["at", "instant"],
      ["found", "text"],
      ["by", "text"],
    ],
    "select c.code, s.at, s.finding, p.name from seal_check s join container c on c.id = s.container_id left join person p on p.id = s.by_id order by s.seq",
  ),
  record(
    "cans",
    "Cans exhausted and seams judged",
    [
      ["can", "text"],
      ["at", "instant"],
      ["centre °C", "number"],
      ["verdict", "text"],
      ["by", "text"],
    ],
    "select c.code, s.at, s.temp_c, s.verdict, p.name from can_check s join container c on c.id = s.container_id left join person p on p.id = s.by_id order by s.seq",
  ),
  record(
    "movements",
    "Jars put up and taken down",
    [
      ["container", "text"],
      ["at", "instant"],
      ["what", "text"],
      ["room", "text"],
      ["shelf", "text"],
      ["to whom or why", "text"],
      ["by", "text"],
    ],
    `select c.code, m.at, m.kind, s.room, s.name, m.note, p.name from movement m join container c on c.id = m.container_id
     left join shelf_place s on s.id = m.place_id left join person p on p.id = m.by_id order by m.seq`,
  ),
  record(
    "gauge-tests",
    "Gauge tests",
    [
      ["canner", "text"],
      ["at", "instant"],
      ["true kPa", "number"],
      ["reads high by kPa", "number"],
      ["by", "text"],
      ["note", "text"],
    ],
    "select n.name, g.at, g.at_kpa, g.error_kpa, p.name, g.note from gauge_check g join canner n on n.id = g.canner_id left join person p on p.id = g.by_id order by g.at, g.id",
  ),
  record(
    "changes",
    "Every change",
    [
      ["number", "whole"],
      ["at", "instant"],
      ["by", "text"],
      ["screen", "text"],
      ["heard", "instant"],
      ["what", "text"],
      ["about", "text"],
      ["code", "text"],
      ["detail", "text"],
      ["hash", "text"],
    ],
    `select a.id, a.at, p.name, a.device, a.heard_at, a.action, a.entity_kind, r.code, a.detail, l.hash
     from audit a left join person p on p.id = a.by_id left join code_register r on r.entity_id = a.entity_id
     left join chain_link l on l.chain = 'audit' and l.seq = a.id order by a.id`,
  ),
];
