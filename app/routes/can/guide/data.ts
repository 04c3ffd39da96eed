import type { GuideScreen, guideData } from "./guide.server";

/** What the guide is made from. */
export type GuideData = ReturnType<typeof guideData>;
/** What one of its screens is made from. */
export type ScreenOf<K extends GuideScreen["is"]> = Extract<GuideScreen, { is: K }>["data"];
