import { eq } from "drizzle-orm";
import { v7 as uuid } from "uuid";
import { issueCode, once, Refused, type Larder, type Write } from "#store/db";
import { kPaFromPsi, psiFromKPa } from "#core/quantity";
import { kindParts } from "#core/capacity";
import { fillersAsPacks, judgeLoad, whyNotExtra, type PackToLoad } from "#core/guard";
import { dialInRun, type Filler, type RunPlan } from "#core/run";
import {
  governingSchedule,
  loadPackOf,
  takeSnapshot,
  type GaugeKind,
  type GoverningSchedule,
  type NoGoverning,
} from "#core/schedule";
import { blocks, cardOf, standingOf, standings, whyNotHeated, type EquipmentKind } from "#core/check";
import { appendCheck, checksOf, getTool, listTools, type Finding } from "#store/check";
import { appendDeviation } from "#store/deviation";
import { getCanner, type Canner } from "#store/equipment";
import { getHousehold } from "#store/household";
import { getLot } from "#store/lot";
import { getPack, type Pack } from "#store/pack";
import { unfitCans } from "#store/seam";
import { takeLids } from "#store/supply";
import { pack, run } from "../schema/index.ts";
import { activeRuns, isInCanner } from "./run.ts";

/**
 * Returns the scheduled process a load would have in a canner at the household's altitude, or why it has none.
 *
 * @param signed somebody signed for using an overdue or untested dial
 * @param chosen the instrument a person chose; null for none
 * @param fillers what fills up the canner; beans have a process of their own
 */
export function governLoad(
  larder: Larder,
  packs: readonly Pick<Pack, "schedule">[],
  canner: Canner,
  signed: boolean,
  chosen: GaugeKind | null = null,
  fillers: readonly Filler[] = [],
): GoverningSchedule | NoGoverning {
  const home = getHousehold(larder)!;
  return governingSchedule(
    [...packs.map((p) => loadPackOf(p.schedule)), ...fillersAsPacks(fillers)],
    {
      gauges: canner.gauges,
      quarts: canner.quarts,
      maxPsi: psiFromKPa(canner.safeMaxKPa),
      chosen,
    },
    home.altitudeM,
    larder.now(),
    home.rows,
    signed,
  );
}

export interface OpenInput {
  cannerId: string;
  packIds: string[];
  /** why an overdue gauge is used all the same; null when it is not */
  signedReason: string | null;
  /** the burner it stands on; null when nobody said */
  burnerId?: string | null;
  /** held this much above the floor for safety's sake, 0 to 2 lb, kPa */
  marginKPa?: number;
  /** minutes the household adds to the scheduled process, whole, 0 to 60 */
  extraMinutes?: number;
  /** what was looked at before lighting it */
  findings?: readonly Finding[];
  /** why overdue or doubtful equipment is used all the same */
  equipmentReason?: string | null;
  /** the instrument that governs a canner with both; the weight when nobody chose */
  governs?: GaugeKind | null;
  /** conditions of the process that a person confirmed for this load */
  confirmed?: readonly string[];
  /** why it goes ahead although no published process covers the mixture, or raw containers waited too long */
  loadReason?: string | null;
  /** containers of water or beans that fill up the canner */
  fillers?: readonly Filler[];
  /** somebody looked: there are more lids than were counted */
  sure?: boolean;
}

/**
 * Loads packs into a canner and opens its run, with its scheduled process frozen. Returns its id and code. Throws
 * Refused when the load has no process or a guard refuses it.
 */
export function openRun(larder: Larder, write: Write, input: OpenInput): { id: string; code: string } {
  return once(larder, write, "run.open", () => {
    const home = getHousehold(larder)!;
    const chosen = getCanner(larder, input.cannerId);
    const busy = activeRuns(larder).find((r) => r.cannerName === chosen.name && isInCanner(r.view));
    if (busy)
      throw new Refused({ cannerId: `${chosen.name} still holds run ${busy.code}. Unload it first.` }, 409);
    const packs = input.packIds.map((id) => getPack(larder, id));
    if (packs.some((p) => p.runId))
      throw new Refused({ packIds: "One of these packs is already in a canner." }, 409);
    const filling = packs.find((p) => p.onBench);
    if (filling)
      throw new Refused(
        { packIds: `Pack ${filling.code} is still being filled. Say that its load is packed first.` },
        409,
      );
    for (const lot of packs.flatMap((p) => p.lots).map((l) => getLot(larder, l.id))) {
      if (lot.holds.length)
        throw new Refused({ packIds: `Lot ${lot.code} is on hold (${lot.holds.join("; ")}).` }, 409);
    }
    for (const p of packs) {
      const unfit = unfitCans(larder, p.id);
      if (unfit.length) {
        throw new Refused(
          {
            packIds: `Can ${unfit.map((c) => c.code).join(", ")}: exhaust to 170 °F (77 °C) at the center, seam it and accept the seam first.`,
          },
          409,
        );
      }
    }
    const signed = input.signedReason?.trim() || null;
    if (signed && !write.byId) throw new Refused({ signedReason: "Choose who you are first." });
    const { fillers = [] } = input;
    const governing = governLoad(larder, packs, chosen, signed !== null, input.governs ?? null, fillers);
    if (governing.outcome === "none") {
      const field =
        governing.blockedBy === "gauge-overdue"
          ? "signedReason"
          : governing.blockedBy
            ? "cannerId"
            : "packIds";
      throw new Refused({ [field]: `${governing.reason} ${governing.instead.join(" ")}` });
    }
    const { extraMinutes = 0 } = input;
    const tooMany = whyNotExtra(extraMinutes);
    if (tooMany) throw new Refused({ extraMinutes: tooMany });
    permitLoad(larder, write, packs, chosen, governing, input);
    const equipmentReason = fitToUse(larder, write, chosen, input);
    const standing = chosen.gauges.dial && governing.target.governs === "dial";
    const plan: RunPlan = {
      minutes: governing.minutes,
      ...(extraMinutes > 0 && { extraMinutes }),
      floorKPa: kPaFromPsi(governing.target.facePsi),
      minProcessKPa: kPaFromPsi(governing.target.truePsi),
      dial: dialInRun(chosen.gauges, governing.target.dialReliable, larder.now()),
      marginKPa: marginOf(input.marginKPa ?? 0, governing.target.facePsi, chosen),
      ...(governing.target.weightPsi === null ? {} : { weightKPa: kPaFromPsi(governing.target.weightPsi) }),
      safeMaxKPa: chosen.safeMaxKPa,
      governs: governing.target.governs,
      ...(governing.target.dialReliable || !chosen.gauges.dial ? {} : { dialReliable: false }),
      ventMinutes: governing.ventMinutes,
      minBurnerToVentEndMinutes:
        governing.conditions.find((c) => c.minBurnerToVentEndMinutes)?.minBurnerToVentEndMinutes ?? null,
      unwatchedLimitS: home.unwatchedLimitS,
      settleMinutes: 10,
      restHours: home.restHours,
      ...(fillers.length > 0 && { fillers }),
    };
    const id = uuid();
    const code = issueCode(larder, "run", id);
    larder.db
      .insert(run)
      .values({
        id,
        code,
        cannerId: chosen.id,
        plan,
        schedule: takeSnapshot(governing, home.altitudeM, larder.now(), input.confirmed),
        openedAt: larder.now(),
        openedBy: write.byId,
        zone: home.zone,
        gaugeSignedBy: signed && standing ? write.byId : null,
        gaugeSignedReason: signed && standing ? signed : null,
        equipmentSignedBy: equipmentReason ? write.byId : null,
        equipmentSignedReason: equipmentReason,
        burnerId: input.burnerId ?? null,
      })
      .run();
    keepFindings(larder, write, input, id);
    for (const { usedLids, kind, count } of fillers)
      if (!usedLids) takeLids(larder, write, { code, ...kindParts(kind), count }, input.sure ?? false);
    for (const p of packs) larder.db.update(pack).set({ runId: id }).where(eq(pack.id, p.id)).run();
    return { result: { id, code }, note: { kind: "run", id, detail: { ...input, plan } } };
  });
}

/** Returns packs as the guard of loads is asked about them. */
export function packsToLoad(larder: Larder, packs: readonly Pack[]): PackToLoad[] {
  return packs.map((p) => {
    const times = larder.sqlite
      .prepare(
        `select min(coalesce(c.filled_at, k.made_at)) as filledAt,
           (select min(x.at) from can_check x join container d on d.id = x.container_id where d.pack_id = k.id and x.temp_c is not null) as heatedAt
         from pack k join container c on c.pack_id = k.id where k.id = ? and c.emptied_at is null`,
      )
      .get(p.id) as { filledAt: number | null; heatedAt: number | null };
    return {
      code: p.code,
      method: p.method,
      container: p.container,
      mouth: p.mouth,
      count: p.count,
      filledAt: times.filledAt ?? p.madeAt,
      heatedAt: times.heatedAt,
      confirmed: p.schedule.confirmed ?? [],
    };
  });
}

/** Asks the guard of loads. What is signed for stays with every container of the packs it is about. */
function permitLoad(
  larder: Larder,
  write: Write,
  packs: readonly Pack[],
  canner: Canner,
  governing: GoverningSchedule,
  input: OpenInput,
): void {
  const { refused, toSign } = judgeLoad(
    packsToLoad(larder, packs),
    {
      name: canner.name,
      pot: canner.pot,
      leastLoad: canner.minLoad ?? 0,
      measured: canner.pot.measured || Object.keys(canner.pot.manual).length > 0,
    },
    governing,
    larder.now(),
    input.confirmed ?? [],
    input.fillers,
  );
  if (refused) throw new Refused({ [refused.field]: refused.message }, 409);
  if (toSign.length === 0) return;
  const reason = input.loadReason?.trim();
  if (!reason || !write.byId)
    throw new Refused({ loadReason: `${toSign.map((t) => t.text).join(" ")} Go ahead anyway: write why.` });
  for (const t of toSign)
    for (const packCode of t.packs)
      appendDeviation(larder, write, {
        packCode,
        containerId: null,
        kind: "deviation",
        what: t.text,
        reason,
      });
}

/**
 * Whether the equipment may be used: by the last look at each thing of the canner and the burner, these findings among
 * them. What is bad and stops a load is refused; what is overdue or doubtful wants a signed reason.
 * @returns the reason that was needed; null when none was
 */
function fitToUse(larder: Larder, write: Write, canner: Canner, input: OpenInput): string | null {
  const { findings = [], burnerId = null } = input;
  const now = larder.now();
  const fresh = (kind: EquipmentKind | null) =>
    findings.filter((f) => cardOf(f.item) === kind).map((f) => ({ ...f, at: now }));
  // The dial's test has its own rule and its own signature.
  const of = (kind: EquipmentKind, id: string) =>
    standings(kind, [...checksOf(larder, id), ...fresh(kind)], now).filter((s) => s.item.key !== "dial");
  const loose = fresh(null).map((f) => standingOf(f.item, [f], now));
  const { stops, signs } = blocks([
    ...of("canner", canner.id),
    ...(burnerId ? of("burner", burnerId) : []),
    ...loose,
  ]);
  if (stops.length > 0)
    throw new Refused(
      {
        findings: stops
          .map((s) => `${s.item.name} was not OK. ${s.item.otherwise} Then check it again.`)
          .join(" "),
      },
      409,
    );
  const burner = burnerId ? getTool(larder, burnerId) : null;
  const cold =
    burner &&
    whyNotHeated(
      { name: canner.name, aluminium: Boolean(canner.aluminium) },
      { name: burner.name, induction: Boolean(burner.induction) },
    );
  if (cold) throw new Refused({ burnerId: cold });
  if (signs.length === 0) return null;
  const reason = input.equipmentReason?.trim();
  if (reason && write.byId) return reason;
  throw new Refused({
    equipmentReason: `${signs.map((s) => `${s.item.name} ${s.state === "overdue" ? "is overdue for a look" : "was in doubt"}.`).join(" ")} Check it now, or go ahead anyway and write why.`,
  });
}

/** Each finding on the card of what it is about, and with the run. */
function keepFindings(
  larder: Larder,
  write: Write,
  { findings = [], cannerId, burnerId }: OpenInput,
  runId: string,
): void {
  const tools = listTools(larder);
  for (const f of findings) {
    const kind = cardOf(f.item);
    const equipmentId =
      kind === "canner"
        ? cannerId
        : kind === "burner"
          ? (burnerId ?? null)
          : (tools.find((t) => t.kind === kind)?.id ?? null);
    appendCheck(larder, write, equipmentId, f, runId);
  }
}

/** Most that is held above the target, kPa (2 lb). A pound over is cheap insurance. Common practice, no source. */
export const MOST_MARGIN_KPA = kPaFromPsi(2);

/** A margin as it may be held: not more than two pounds, and well below what the canner stands. */
function marginOf(marginKPa: number, facePsi: number, chosen: Canner): number {
  if (!(marginKPa >= 0 && marginKPa <= MOST_MARGIN_KPA + 1e-9))
    throw new Refused({ marginKPa: "From nothing to 2 lb (13.8 kPa) above the target." });
  if (kPaFromPsi(facePsi) + marginKPa >= chosen.safeMaxKPa)
    throw new Refused({ marginKPa: `${chosen.name} does not stand so much. Choose less.` });
  return marginKPa;
}
