/**
 * The made-up household: two cousins, Oda and Piet, in the invented upland valley of Hollin, at 2,300 ft. Two seasons
 * back to today, with something alive in every place. Nothing here is a real person, place or animal.
 */
import { DAY_MS, HOUR_MS } from "#core/quantity";
import { openLarder } from "#store/db";
import { addPerson, getHousehold, setUpHousehold } from "#store/household";
import { v7 as uuid } from "uuid";
import { lastYear } from "./last-year.ts";
import { furnishShed } from "./shed.ts";
import { ownGuide } from "./own-guide.ts";
import type { Teller } from "./teller.ts";
import { thisAutumn } from "./this-autumn.ts";
import { thisFortnight } from "./this-fortnight.ts";
import { today } from "./today.ts";
import { twoSeasonsBack } from "./two-seasons-back.ts";

/**
 * Fills an empty larder in `folder` with two seasons up to `end`. A larder that has a household is left alone.
 * @param end the present of the demo, ms since 1970 UTC
 * @returns whether anything was written
 */
export function fillDemo(folder: string, end: number): boolean {
  let now = end - 800 * DAY_MS;
  const larder = openLarder(folder, () => now);
  try {
    if (getHousehold(larder)) return false;
    const { personId } = setUpHousehold(
      larder,
      { key: uuid(), byId: null },
      {
        name: "The cousins’ larder",
        altitudeM: 701.04,
        units: "us",
        zone: "America/Denver",
        gauge: "dial",
        personName: "Oda",
      },
    );
    const piet = addPerson(larder, { key: uuid(), byId: personId }, "Piet").id;
    let me: { byId: string; byName: string } = { byId: personId, byName: "Oda" };
    const t: Teller = {
      larder,
      end,
      at: (days, hour = 10) => end - days * DAY_MS + (hour - 10) * HOUR_MS,
      goTo: (at) => void (now = at),
      write: () => ({ key: uuid(), ...me }),
      as: (who) =>
        void (me = who === "Oda" ? { byId: personId, byName: "Oda" } : { byId: piet, byName: "Piet" }),
    };
    const equipment = furnishShed(t);
    twoSeasonsBack(t, equipment);
    lastYear(t, equipment);
    ownGuide(t);
    const trim = thisAutumn(t, equipment);
    today(t, equipment, thisFortnight(t, trim));
    return true;
  } finally {
    larder.close();
  }
}
